import type { LabelWish, Spot } from 'core/label';
import { rectAt } from './flat';
import type { PlacedLayer, PixelScales } from './pixel-scales';

const SIZE = 12.5;
const SMALLEST = 10;
const GAP = 8;
// What a name may reach above and below the panel of its line, in CSS pixels.
const AROUND = 7;
// After level lines, before labels of marks.
const PRIORITY = -0.5;

/** The name of a series as it is wanted at its marks, with the layer that it names. */
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
  return layers.flatMap((placed, nth): SeriesName[] => {
    if (!placed.layer.isNamed) return [];
    const spots = placed.boxes ? onBars(placed, ofLayer[nth]?.[0] ?? 0, pixels) : alongLine(placed, pixels);
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

// Names beside the ends of lines that end close together stand so far off them, in CSS pixels.
const OFF = [0, -9, 9, -18, 18, -27, 27] as const;

/** To the right of the last point, a little higher or lower where another stands; else above or below points of the line. */
function alongLine({ ends, layer }: PlacedLayer, pixels: PixelScales): Spot[] {
  const { horizontal } = pixels.plan;
  const there = Array.from(layer.ends.keys()).filter(at => !Number.isNaN(layer.ends[at]));
  const last = there.at(-1);
  if (last === undefined) return [];
  const [from, to] = pixels.reach(layer.panel);
  // In its own panel.
  const within = horizontal ? undefined : { left: 0, top: from - AROUND, width: pixels.layout.width, height: to - from + 2 * AROUND };
  const spot = (at: number, side: Spot['side'], off = 0): Spot => ({
    x: ends[2 * at] as number,
    y: (ends[2 * at + 1] as number) + off,
    side,
    gap: GAP,
    ...(within ? { within } : {}),
  });
  const back = [0.85, 0.7, 0.5].map(share => there[Math.floor((there.length - 1) * share)] as number);
  const beside = horizontal ? (['right', 'left'] as const) : (['above', 'below'] as const);
  const atEnd = horizontal ? [spot(last, 'below')] : OFF.map(off => spot(last, 'right', off));
  return [...atEnd, ...[last, ...back].flatMap(at => beside.map(side => spot(at, side)))];
}

/** Within the largest bar, else beyond it. */
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
