import type { TreatmentOf } from 'core/cue';
import { formatHex, interpolate, modeOklab, modeRgb, useMode } from 'culori/fn';
import { colourIn, type Livery } from '../dress/livery';

// Of the colour package only what mixing in Oklab takes.
useMode(modeRgb);
useMode(modeOklab);

// Fine enough that neighbours cannot be told apart.
export const RAMP_STEPS = 64;

/** The colours of a ramp from its low to its high end. Mixed in Oklab, so that equal steps look equal. */
export function rampColours({ low, middle, high }: TreatmentOf<'ramp'>, livery: Livery): readonly string[] {
  const { ground, ink } = livery;
  const ends = { low: middle === null ? null : colourIn(livery, low), high: colourIn(livery, high) };
  const key = [ground, ink, ends.low, ends.high].join();
  let colours = mixed.get(key);
  if (!colours) {
    if (mixed.size >= MOST_MIXED) mixed.clear();
    mixed.set(key, (colours = stepsBetween(stopsOf(ends, ground, ink), RAMP_STEPS)));
  }
  return colours;
}

// Mixing costs more than everything else that is drawn of a gradient; a figure has few of them.
const mixed = new Map<string, readonly string[]>();
const MOST_MIXED = 50;

function stopsOf({ low, high }: { readonly low: string | null; readonly high: string }, ground: string, ink: string): string[] {
  const pale = mix([ground, ink])(0.14);
  return low === null ? [pale, high, mix([high, ink])(0.35)] : [low, pale, high];
}

/** Colours at equal steps along a row of them, both ends among them. */
export function stepsBetween(stops: readonly string[], count: number): string[] {
  const at = mix(stops);
  return Array.from({ length: count }, (_, step) => at(step / (count - 1)));
}

/** The place of a position from 0 to 1 among the ramp's colours. */
export const rampPlace = (position: number): number => Math.max(0, Math.min(RAMP_STEPS - 1, Math.round(position * (RAMP_STEPS - 1))));

function mix(colours: readonly string[]): (share: number) => string {
  const between = interpolate([...colours], 'oklab');
  return share => formatHex(between(share));
}
