import type { AxisChoice, Scales } from './schema';

const FITTING: AxisChoice = { zero: 'auto', low: null, high: null, numbers: true };

/** Scales that fit the data. */
export const plainScales: Scales = {
  gridlines: true,
  unit: null,
  decimals: null,
  axes: { first: FITTING, second: FITTING },
  between: 'free',
};
