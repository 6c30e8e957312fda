import type { TreatmentOf } from 'core/cue';
import { formatHex, interpolate, modeOklab, modeRgb, useMode } from 'culori/fn';
import { colourIn, type Livery } from './livery';

// Of the colour package only what mixing in Oklab takes.
useMode(modeRgb);
useMode(modeOklab);

// Fine enough that neighbours cannot be told apart.
export const RAMP_STEPS = 64;

/** The colours of a ramp from its low to its high end. Mixed in Oklab, so that equal steps look equal. */
export function rampColours({ low, middle, high }: TreatmentOf<'ramp'>, livery: Livery): string[] {
  const pale = mix([livery.ground, livery.ink])(0.14);
  const deep = colourIn(livery, high);
  const stops = middle === null ? [pale, deep, mix([deep, livery.ink])(0.35)] : [colourIn(livery, low), pale, deep];
  return stepsBetween(stops, RAMP_STEPS);
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
