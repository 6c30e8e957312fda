import type { LabelWish, Spot, WidthAt } from 'core/label';
import { isBar } from 'core/shape';
import { NAME_LINE } from './name-grid';
import type { PlacedLayer, PixelScales } from '../pixel-scales';
import { fitted, wrapped } from './shortened';
import { textFont } from '../head/type-sizes';

// From a bar's base to the name beside it, in CSS pixels.
const GAP = 6;
const SMALLEST = 10;
// Widths that a name is cut to where it has no room, in CSS pixels; the widest that one is written in a line.
const CUTS = [140, 90, 50] as const;
const [BETWEEN, MOST_LINES] = [4, 2];
// Names come before all labels: a bar without a name tells nothing.
const BEFORE_LABELS = -2;

/** Names of categories that are placed at their bars, in the order of the categories; empty where names are at the axis. */
export function nameWishes(pixels: PixelScales, layers: readonly PlacedLayer[], width: WidthAt): LabelWish[] {
  const { plan, pitch } = pixels;
  if (plan.along.beside === 'axis') return [];
  const bars = layers.filter(({ layer }) => isBar(layer) && layer.panel === 0);
  const font = textFont(plan.livery);
  const measure = (text: string): number => width(text, font.size, font.weight);
  const written = (name: string): string[][] =>
    (plan.horizontal ? CUTS : [pitch - BETWEEN]).flatMap(cut => writtenIn(name, cut, measure, plan.horizontal ? lines(pitch) : MOST_LINES));
  return plan.categories.map((name, at): LabelWish => ({
    lines: written(name)[0] ?? [name],
    shorter: () => written(name).slice(1),
    // Where not even a letter has room, there is none.
    spots: written(name).length ? spotsAt(at, bars, pixels) : [],
    size: font.size,
    smallest: Math.min(SMALLEST, font.size),
    weight: font.weight,
    priority: BEFORE_LABELS,
    steps: false,
    leads: false,
    pinned: false,
  }));
}

const lines = (pitch: number): number => Math.max(1, Math.min(MOST_LINES, Math.floor(pitch / NAME_LINE)));

/** A name in one line, in several lines, and cut, within a width. */
function writtenIn(name: string, room: number, measure: (text: string) => number, most: number): string[][] {
  if (room < SMALLEST) return [];
  if (measure(name) <= room) return [[name]];
  return [...(most > 1 ? [wrapped(name, room, most, measure)] : []), [fitted(name, room, measure)]];
}

/** Positions on the side of the base without a bar; with bars on both sides, beyond the bar on the near side. */
function spotsAt(at: number, bars: readonly PlacedLayer[], pixels: PixelScales): Spot[] {
  const { horizontal, along: names } = pixels.plan;
  const x = horizontal ? 0 : 1;
  const ends = bars.map(({ ends: all }) => all[2 * at + x] as number).filter(end => !Number.isNaN(end));
  const base = bars[0]?.bases[at] ?? NaN;
  const zero = Number.isNaN(base) ? (bars[0]?.bases.find(pixel => !Number.isNaN(pixel)) ?? NaN) : base;
  if (Number.isNaN(zero)) return [];
  const [low, high] = [Math.min(zero, ...ends), Math.max(zero, ...ends)];
  const middle = pixels.along(at);
  const near = (pixel: number): Spot => ({ ...pointAt(pixels, middle, pixel), side: horizontal ? 'left' : 'below', gap: GAP });
  const far = (pixel: number): Spot => ({ ...pointAt(pixels, middle, pixel), side: horizontal ? 'right' : 'above', gap: GAP });
  // Down the page pixels grow: what reaches below zero has the larger ones.
  const [reachesNear, reachesFar] = horizontal ? [low < zero, high > zero] : [high > zero, low < zero];
  const beyondNear = near(horizontal ? low : high);
  const beyondFar = far(horizontal ? high : low);
  if (names.beside === 'zero') return [beyondNear, beyondFar];
  return reachesNear && !reachesFar ? [far(zero), beyondFar] : [beyondNear, beyondFar];
}

function pointAt(pixels: PixelScales, middle: number, pixel: number): { x: number; y: number } {
  const [x, y] = pixels.point(middle, pixel);
  return { x, y };
}
