import type { Table } from 'core/table';
import { DuckDBInstance } from '@duckdb/node-api';
import { compare, type BenchRow } from '../measure';
import { peakOf } from '../peaks';
import { alignTwo, benchLists, ROWS } from './b4-lists';

/** Two lists aligned on a key, in no order and in rising order. */
export const b4: BenchRow = {
  name: 'B4',
  work: 'align two lists of 1,000,000 rows on a key, full outer',
  reach: 'Cowbell ≤ 2 × the typed reference, ahead of the embedded SQL engine on one thread; peak memory ≤ 3 × the lists',
  run: async () => {
    const results = [];
    for (const at of ['in no order', 'rising'] as const) {
      const [a, b] = benchLists(at === 'rising');
      const engine = await engineWith(a, b);
      const timings = await compare([
        { name: 'typed reference', run: () => reference(a, b) },
        { name: 'Cowbell', run: () => alignTwo(a, b) },
        {
          name: 'SQL engine',
          run: async () => {
            await engine.run(
              'create or replace table made as select coalesce(a.key, b.key) as key, a.value as x, b.value as y from a full outer join b on a.key = b.key',
            );
          },
        },
      ]);
      results.push({ at, timings, notes: at === 'rising' ? [] : [memoryWords()] });
    }
    return results;
  },
};

/** Peak memory in sizes of the two lists: these themselves, and what aligning takes beyond a process that only holds them. */
function memoryWords(): string {
  const size = ROWS * 2 * 2 * Float64Array.BYTES_PER_ELEMENT;
  return `peak memory ${(1 + (peakOf('align') - peakOf('lists')) / size).toFixed(1)} × the lists, these and the result included`;
}

const numbers = (table: Table, at: number): Float64Array => table.columns[at]?.data as Float64Array;

/** By hand, for exactly this: the row of each key of the second list, then both columns filled. */
function reference(a: Table, b: Table): readonly Float64Array[] {
  const [keysA, keysB, x, y] = [numbers(a, 0), numbers(b, 0), numbers(a, 1), numbers(b, 1)];
  const rowOf = new Map<number, number>();
  for (let row = 0; row < keysB.length; row++) rowOf.set(keysB[row] as number, row);
  const [key, left, right] = [new Float64Array(ROWS * 2), new Float64Array(ROWS * 2), new Float64Array(ROWS * 2)];
  const used = new Uint8Array(keysB.length);
  let size = 0;
  for (let row = 0; row < keysA.length; row++) {
    const other = rowOf.get(keysA[row] as number);
    key[size] = keysA[row] as number;
    left[size] = x[row] as number;
    right[size++] = other === undefined ? NaN : (y[other] as number);
    if (other !== undefined) used[other] = 1;
  }
  for (let row = 0; row < keysB.length; row++) {
    if (used[row]) continue;
    key[size] = keysB[row] as number;
    left[size] = NaN;
    right[size++] = y[row] as number;
  }
  return [key.subarray(0, size), left.subarray(0, size), right.subarray(0, size)];
}

async function engineWith(a: Table, b: Table) {
  const connection = await (await DuckDBInstance.create(':memory:')).connect();
  await connection.run('set threads = 1');
  for (const [name, table] of [
    ['a', a],
    ['b', b],
  ] as const) {
    await connection.run(`create table ${name} (key double, value double)`);
    const appender = await connection.createAppender(name);
    for (let row = 0; row < table.rowCount; row++) {
      appender.appendDouble(numbers(table, 0)[row] as number);
      appender.appendDouble(numbers(table, 1)[row] as number);
      appender.endRow();
    }
    appender.closeSync();
  }
  return connection;
}
