import { spreadApart, type LabelWish, type Spot } from 'core/label';
import type { Layer } from 'core/plan';
import { rectAt } from '../marks/flat';
import type { PlacedLayer, PixelScales } from '../pixel-scales';

const SIZE = 12.5;
const SMALLEST = 10;
const GAP = 8;
// From name to name beside the ends of lines, in CSS pixels.
const LINE = 16;
// What a name may reach above and below the panel of its line, in CSS pixels.
const AROUND = 7;
// After level lines, before labels of marks.
const PRIORITY = -0.5;

/** The name of a series before placement, with the layer that it names. */
export interface SeriesName {
  readonly layer: number;
  readonly wish: LabelWish;
}

/** Names of series at their marks instead of in the legend: at the end of a line, on the largest bar. */
export function seriesNames(
  pixels: PixelScales,
  layers: readonly PlacedLayer[],
  ofLayer: readonly (readonly [number, number])[],
): SeriesName[] {
  const heights = pixels.plan.horizontal ? new Map<number, number>() : heightsOf(pixels, layers);
  return layers.flatMap((placed, nth): SeriesName[] => {
    if (!placed.layer.isNamed) return [];
    const spots = placed.boxes ? onBars(placed, ofLayer[nth]?.[0] ?? 0, pixels) : alongLine(placed, heights.get(nth), pixels);
    return [
      {
        layer: nth,
        wish: {
          lines: [placed.layer.name],
          shorter: () => [],
          spots,
          size: SIZE,
          smallest: SMALLEST,
          weight: 650,
          priority: PRIORITY,
          steps: true,
          leads: true,
          pinned: false,
        },
      },
    ];
  });
}

/** Items of a layer that have a value. */
const thereIn = ({ ends }: Layer): number[] => Array.from(ends.keys()).filter(at => !Number.isNaN(ends[at]));

/** Vertical positions of names at the ends of lines, by layer: in the order of the ends, spread apart where ends are close together. */
function heightsOf(pixels: PixelScales, layers: readonly PlacedLayer[]): ReadonlyMap<number, number> {
  const heights = new Map<number, number>();
  const ended = layers.flatMap(({ layer, ends, boxes }, nth) => {
    const last = layer.isNamed && !boxes ? thereIn(layer).at(-1) : undefined;
    return last === undefined ? [] : [{ nth, panel: layer.panel, y: ends[2 * last + 1] as number }];
  });
  for (const panel of new Set(ended.map(item => item.panel))) {
    const here = ended.filter(item => item.panel === panel);
    const [from, to] = pixels.reach(panel);
    const stretches = here.map(({ y }) => ({ start: y - LINE / 2, length: LINE }));
    spreadApart(stretches, { from: from - AROUND, to: to + AROUND }).forEach((start, i) =>
      heights.set(here[i]?.nth ?? -1, start + LINE / 2),
    );
  }
  return heights;
}

/** To the right of the last point, spread among the others; else above or below points of the line. */
function alongLine({ ends, layer }: PlacedLayer, height: number | undefined, pixels: PixelScales): Spot[] {
  const { horizontal } = pixels.plan;
  const there = thereIn(layer);
  const last = there.at(-1);
  if (last === undefined) return [];
  const [from, to] = pixels.reach(layer.panel);
  // In its own panel.
  const within = horizontal ? undefined : { left: 0, top: from - AROUND, width: pixels.layout.width, height: to - from + 2 * AROUND };
  const spot = (at: number, side: Spot['side'], y = ends[2 * at + 1] as number): Spot => ({
    x: ends[2 * at] as number,
    y,
    side,
    gap: GAP,
    ...(within ? { within } : {}),
  });
  const back = [0.85, 0.7, 0.5].map(share => there[Math.floor((there.length - 1) * share)] as number);
  const beside = horizontal ? (['right', 'left'] as const) : (['above', 'below'] as const);
  const atEnd = horizontal ? [spot(last, 'below')] : [spot(last, 'right', height), spot(last, 'right')];
  return [...atEnd, ...[last, ...back].flatMap(at => beside.map(side => spot(at, side)))];
}

/** Inside the largest bar, else beyond it. */
function onBars({ boxes, layer }: PlacedLayer, first: number, { plan }: PixelScales): Spot[] {
  const sizes = Array.from(layer.ends.keys(), at => {
    const [, , width, height] = rectAt(boxes as Float64Array, 4 * at);
    return { at, size: (plan.horizontal ? width : height) || 0 };
  });
  const largest = sizes.filter(({ size }) => size > 0).sort((a, b) => b.size - a.size || a.at - b.at);
  return largest.slice(0, 5).flatMap(({ at }): Spot[] => {
    const [left, top, width, height] = rectAt(boxes as Float64Array, 4 * at);
    const own = { within: { left, top, width, height }, on: [first + at, first + at + 1] as const };
    return [
      { x: left + width / 2, y: top + height / 2, side: 'over', gap: 0, ...own },
      plan.horizontal
        ? { x: left + width, y: top + height / 2, side: 'right', gap: GAP }
        : { x: left + width / 2, y: top, side: 'above', gap: GAP },
    ];
  });
}
