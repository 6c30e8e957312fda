import type { Measure } from './schema';

/** A measure as the figure's mark draws it, in no special format. */
export const plainMeasure = (name: string, formula: string): Measure => ({ name, formula, shape: null, axis: 'first', format: null });
