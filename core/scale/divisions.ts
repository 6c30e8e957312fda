import type { Along, Count, Division } from './along';
import { numberDivisions } from './number-divisions';
import { timeDivisions } from './time-divisions';

/** How each count divides its axis, the finest first. A new count is an entry. */
const divisionsBy: { readonly [K in Count['kind']]: (along: Along, by: Extract<Count, { kind: K }>) => Division[] } = {
  time: timeDivisions,
  number: numberDivisions,
};

/** The ways to divide an axis, the finest first. Cost: nothing before the ticks of one are asked for. */
export const divisionsOf = (along: Along): Division[] => divisionsBy[along.by.kind](along, along.by as never);
