import { oncePer } from 'core/stages';
/** Facts about a set of numbers. */
export interface NumberFacts {
  /** The smallest and the largest; Infinity and −Infinity where there is none. */
  readonly low: number;
  readonly high: number;
  /** Whether all that are there are whole. */
  readonly whole: boolean;
  /** How many are missing. */
  readonly missing: number;
}

// Several words of a figure ask the same of a column at every edit; its memory never changes.
/** The facts of some numbers; missing: NaN. Kept with their memory, which never changes. Cost: one flat pass, once. */
export const numberFacts = oncePer(findFacts);

function findFacts(values: Float64Array): NumberFacts {
  let [low, high] = [Infinity, -Infinity];
  let [there, broken] = [0, 0];
  for (let i = 0; i < values.length; i++) {
    const value = values[i] as number;
    if (value !== value) continue;
    there++;
    if (value < low) low = value;
    if (value > high) high = value;
    if (value !== Math.trunc(value)) broken++;
  }
  return { low, high, whole: broken === 0, missing: values.length - there };
}
