import { makeTable, named, type Table } from 'core/table';
import { align } from 'core/table/steps';
import { seededRandom } from 'demo/random';

/** Rows of each list. */
export const ROWS = 1_000_000;

/** Two lists that share two thirds of their keys. */
export function benchLists(isRising: boolean): readonly [Table, Table] {
  return [list(4, 0, isRising), list(5, Math.floor(ROWS / 3), isRising)];
}

/** The full outer alignment of both. */
export const alignTwo = (a: Table, b: Table): unknown =>
  align(
    [a, b].map((table, i) => ({ name: 'ab'[i] as string, table, keys: ['key'] })),
    { how: 'any', nearest: null, same: 'refuse' },
  );

/** Different whole numbers from an offset on, and a value for each. */
function list(seed: number, from: number, isRising: boolean): Table {
  const random = seededRandom(seed);
  const keys = Float64Array.from({ length: ROWS }, (_, i) => from + i);
  if (!isRising)
    for (let i = ROWS - 1; i > 0; i--) {
      const j = Math.floor(random() * (i + 1));
      [keys[i], keys[j]] = [keys[j] as number, keys[i] as number];
    }
  return makeTable('t', [
    named('key', { type: 'number', data: keys }),
    named('value', { type: 'number', data: Float64Array.from({ length: ROWS }, () => random()) }),
  ]);
}
