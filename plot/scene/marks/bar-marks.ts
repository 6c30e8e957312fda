import { shapeOf } from 'core/shape';
import { dashed, SEAM, solid } from './looks';
import { byLook, picked, rectAt } from './flat';
import type { MarkFacts, MarkMaker } from './mark-maker';
import type { PlacedLayer } from '../pixel-scales';
import type { Corners, SceneItem } from '../scene';

// Corners are rounded where a bar is wide enough to show it.
const RADIUS = 2;
const WIDE_ENOUGH = 6;

/** Columns and lying bars, grouped by colour; a missing value has none. */
export const barMarks: MarkMaker = (placed, facts) => ({
  bars: [...fills(placed, facts), ...seams(placed, facts), ...outlines(placed, facts)],
});

/** Thin bars with a head at their end, where that lies on the axis. */
export const stemMarks: MarkMaker = (placed, facts) => {
  const { layer, ends } = placed;
  const { pixels, sizes } = facts;
  const radius = Math.min(sizes.head, Math.max(2, pixels.pitch * 0.36));
  const heads = [
    ...byLook(
      layer,
      at => isThere(placed, at) && !pixels.isBeyond(layer, at),
      at => layer.colours[at] as string,
    ),
  ];
  return {
    bars: [
      ...fills(placed, facts),
      ...heads.map(([fill, items]): SceneItem => ({ kind: 'dots', points: picked(ends, items, 2), radius, fill, stroke: null })),
      ...outlines(placed, facts),
    ],
  };
};

/** Bars between two values: in one colour, with a gradient, or as whiskers; connected where wanted. */
export const spanMarks: MarkMaker = (placed, facts) => {
  const { layer } = placed;
  const boxes = placed.boxes as Float64Array;
  const { horizontal, livery } = facts.pixels.plan;
  const there = itemsThere(placed);
  const kept = picked(boxes, there, 4);
  const { deep = null, connectors = false, whiskers = false } = layer.span ?? {};
  const fill = deep === null ? layer.colour : { low: layer.colour, high: deep, horizontal };
  const bars: SceneItem = whiskers
    ? { kind: 'rects', boxes: whiskerBoxes(kept, horizontal), fill: layer.colour, corners: null }
    : { kind: 'rects', boxes: kept, fill, corners: [RADIUS, RADIUS, RADIUS, RADIUS] };
  const joins: SceneItem[] = connectors
    ? [{ kind: 'segments', points: connectorPoints(boxes, horizontal), stroke: solid(livery.hair, 1.5) }]
    : [];
  return { bars: [...joins, bars, ...outlines(placed, facts)] };
};

const isThere = ({ boxes }: PlacedLayer, at: number): boolean => {
  const all = boxes as Float64Array;
  return !Number.isNaN((all[4 * at] as number) + (all[4 * at + 1] as number) + (all[4 * at + 2] as number) + (all[4 * at + 3] as number));
};

const itemsThere = (placed: PlacedLayer): number[] => Array.from(placed.layer.ends.keys()).filter(at => isThere(placed, at));

function fills(placed: PlacedLayer, { pixels }: MarkFacts): SceneItem[] {
  const { layer } = placed;
  const boxes = placed.boxes as Float64Array;
  const { horizontal } = pixels.plan;
  const wide = boxes.length === 0 ? 0 : (boxes[horizontal ? 3 : 2] as number);
  const radius = pixels.plan.livery.bar?.corner ?? RADIUS;
  const round = radius > 0 && !shapeOf(layer).hasPoint && wide >= WIDE_ENOUGH && layer.bases === null;
  // Ends that point up and down have their round corners on different sides; one colour at a time, since changing it costs.
  const back = pixels.runsBack(layer);
  const keyOf = (at: number): string =>
    `${round && (layer.ends[at] as number) < layer.base !== back ? '-' : '+'}${layer.colours[at] as string}`;
  return [...byLook(layer, at => isThere(placed, at), keyOf)].map(([key, items]) => ({
    kind: 'rects',
    boxes: picked(boxes, items, 4),
    fill: key.slice(1),
    corners: round ? cornersOf(key.startsWith('+'), horizontal, Math.min(radius, wide / 2)) : null,
  }));
}

/** Corners: rounded at the end that shows the value, square at the base. Parts of a stack have square corners. */
function cornersOf(rises: boolean, horizontal: boolean, radius: number): Corners {
  if (horizontal) return rises ? [0, radius, radius, 0] : [radius, 0, 0, radius];
  return rises ? [radius, radius, 0, 0] : [0, 0, radius, radius];
}

/** Dashed seams along the bars of a series, in the background colour, so that series differ by more than colour. */
function seams(placed: PlacedLayer, { pixels, sizes }: MarkFacts): SceneItem[] {
  const { dash } = placed.layer.stroke;
  if (dash === 'solid' || !sizes.words) return [];
  const boxes = placed.boxes as Float64Array;
  const { horizontal, livery } = pixels.plan;
  const points = itemsThere(placed).flatMap(at => {
    const [left, top, width, height] = rectAt(boxes, 4 * at);
    const thick = horizontal ? height : width;
    if (thick < SEAM.leastBar) return [];
    const inset = Math.min(SEAM.inset, thick / 2);
    const [x, y] = [left + inset, top + inset];
    return horizontal ? [left, y, left + width, y] : [x, top + height, x, top];
  });
  return points.length ? [{ kind: 'segments', points: Float64Array.from(points), stroke: dashed(livery.ground, SEAM.width, dash) }] : [];
}

function outlines({ layer, boxes }: PlacedLayer, { pixels }: MarkFacts): SceneItem[] {
  const all = boxes as Float64Array;
  const items = layer.outlined.filter(at => (all[4 * at + 2] as number) > 0 && (all[4 * at + 3] as number) > 0);
  if (items.length === 0) return [];
  return [{ kind: 'outlines', boxes: picked(all, items, 4), stroke: { ...solid(pixels.plan.livery.ink, 2), join: 'miter' } }];
}

/** A thin bar with a cap at each end, as three boxes. */
function whiskerBoxes(boxes: Float64Array, horizontal: boolean): Float64Array {
  const out: number[] = [];
  for (let i = 0; i < boxes.length; i += 4) {
    const [left, top, width, height] = rectAt(boxes, i);
    if (horizontal) {
      out.push(left, top + height / 2 - 1, width, 2);
      for (const x of [left, left + width]) out.push(x - 1, top + height * 0.2, 2, height * 0.6);
    } else {
      out.push(left + width / 2 - 1, top, 2, height);
      for (const y of [top, top + height]) out.push(left + width * 0.2, y - 1, width * 0.6, 2);
    }
  }
  return Float64Array.from(out);
}

/** Segments from each span's ends to its neighbour's; none beside a missing one. */
function connectorPoints(boxes: Float64Array, horizontal: boolean): Float64Array {
  const out: number[] = [];
  for (let i = 4; i < boxes.length; i += 4) {
    const before = rectAt(boxes, i - 4);
    const [left, top, width, height] = rectAt(boxes, i);
    if (Number.isNaN(before[0] + before[1] + before[2] + before[3] + left + top + width + height)) continue;
    for (const far of [0, 1]) {
      if (horizontal) out.push(before[0] + far * before[2], before[1] + before[3], left + far * width, top);
      else out.push(before[0] + before[2], before[1] + far * before[3], left, top + far * height);
    }
  }
  return Float64Array.from(out);
}
