import type { Along, Count, Rung } from './along';
import { numberRungs } from './number-rungs';
import { timeRungs } from './time-rungs';

/** How each count divides its axis, the finest first. A new count is an entry. */
const rungsBy: { readonly [K in Count['kind']]: (along: Along, by: Extract<Count, { kind: K }>) => Rung[] } = {
  time: timeRungs,
  number: numberRungs,
};

/** The ways to divide an axis, the finest first. Cost: nothing before the ticks of one are asked for. */
export const rungsOf = (along: Along): Rung[] => rungsBy[along.by.kind](along, along.by as never);
