import type { Beyond } from 'core/plan';
import { solid } from '../marks/looks';
import type { PlacedLayer, PixelScales } from '../pixel-scales';
import type { SceneItem } from '../scene';

// A triangle that points out of the plot, in CSS pixels.
const HALF = 5;
const DEEP = 7;
// Categories closer together than this have no room for a triangle each: neighbours share a strip along the edge.
const LEAST_PITCH = 6;
const STRIP = 4;

/** Signs at the edge of the plot for every value of a layer that lies beyond its axis. */
export function edgeSigns(placed: PlacedLayer, pixels: PixelScales): SceneItem[] {
  if (placed.layer.beyond.length === 0) return [];
  return pixels.pitch < LEAST_PITCH ? strips(placed, pixels) : triangles(placed, pixels);
}

function triangles({ layer, ends }: PlacedLayer, pixels: PixelScales): SceneItem[] {
  const { horizontal, livery } = pixels.plan;
  const half = Math.min(HALF, pixels.pitch * 0.4);
  const points = layer.beyond.flatMap(({ at, side }) => {
    const along = ends[2 * at + (horizontal ? 1 : 0)] as number;
    const [tip, back] = tipOf({ layer, pixels, side, deep: DEEP });
    return [...pixels.point(along, tip), ...pixels.point(along - half, back), ...pixels.point(along + half, back)];
  });
  return [{ kind: 'polygons', points: Float64Array.from(points), corners: 3, fill: livery.ink, stroke: solid(livery.ground, 1.5) }];
}

function strips({ layer }: PlacedLayer, pixels: PixelScales): SceneItem[] {
  const { horizontal, livery } = pixels.plan;
  const boxes = ([1, -1] as const).flatMap(side =>
    runsOf(layer.beyond.filter(item => item.side === side)).flatMap(([first, last]) => {
      const [tip, back] = tipOf({ layer, pixels, side, deep: STRIP });
      const [start, end] = [pixels.edgesOf(first)[0], pixels.edgesOf(last)[1]];
      const length = end - start;
      const [near, deep] = [Math.min(tip, back), STRIP];
      return horizontal ? [near, start, deep, length] : [start, near, length, deep];
    }),
  );
  return [{ kind: 'rects', boxes: Float64Array.from(boxes), fill: livery.ink, corners: null }];
}

interface Edge {
  readonly layer: PlacedLayer['layer'];
  readonly pixels: PixelScales;
  readonly side: 1 | -1;
  readonly deep: number;
}

/** The pixel of the end of the axis that values exceed, and one some pixels inside the plot. */
function tipOf({ layer, pixels, side, deep }: Edge): [tip: number, back: number] {
  const [low, high] = pixels.endsOf(layer);
  const tip = side > 0 ? high : low;
  return [tip, tip + Math.sign(low - high) * side * deep];
}

/** Runs of neighbouring categories, each as its first and last. */
function runsOf(items: readonly Beyond[]): [number, number][] {
  const runs: [number, number][] = [];
  for (const at of items.map(item => item.at).sort((a, b) => a - b)) {
    const last = runs.at(-1);
    if (last && at <= last[1] + 1) last[1] = at;
    else runs.push([at, at]);
  }
  return runs;
}
