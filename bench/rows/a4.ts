import { compare, onNew, type BenchRow } from '../measure';
import { columnsOf, engineWith, intoTable, millionRows, numberOf, textOf } from '../million';
import { fresh } from './a1';

const FORMULAS = {
  running: 'sum(milk) over (partition by hut order by day rows between unbounded preceding and current row)',
  previous: 'lag(milk) over (partition by hut order by day)',
  change: '(milk - previous) / previous',
};

/** Running sum, previous value, percent change, per group in date order. */
export const a4: BenchRow = {
  name: 'A4',
  work: '1,000,000 rows, running sum, previous value, percent change, per group in date order',
  reach: 'Cowbell ≤ 1.0 × reference',
  run: async () => {
    const table = millionRows();
    const engine = await engineWith(table);
    const timings = await compare([
      { name: 'reference', run: () => reference(textOf(table, 'hut').data, numberOf(table, 'day'), numberOf(table, 'milk')) },
      {
        name: 'Cowbell',
        ...onNew(
          () => fresh(table),
          rows => columnsOf(rows, FORMULAS),
        ),
      },
      {
        name: 'SQL engine',
        run: () =>
          intoTable(
            engine,
            'select *, (milk - p) / nullif(p, 0) from (select *, sum(milk) over (partition by hut order by day rows unbounded preceding), lag(milk) over (partition by hut order by day) as p from t)',
          ),
      },
    ]);
    return [{ at: '', timings }];
  },
};

/** By hand: two counting sorts, by day, then by hut, and one pass. */
function reference(groups: Int32Array, days: Float64Array, values: Float64Array) {
  const order = countingSort(
    groups,
    1_000,
    countingSort(
      Int32Array.from(days, day => day - 22_000),
      1_500,
      null,
    ),
  );
  const [running, previous, change] = [0, 1, 2].map(() => new Float64Array(groups.length).fill(NaN)) as [
    Float64Array,
    Float64Array,
    Float64Array,
  ];
  let [group, sum, lost, count, before] = [-1, 0, 0, 0, NaN];
  for (const row of order) {
    if (groups[row] !== group) [group, sum, lost, count, before] = [groups[row] as number, 0, 0, 0, NaN];
    const value = values[row] as number;
    if (value === value) {
      const next = sum + value;
      lost += Math.abs(sum) >= Math.abs(value) ? sum - next + value : value - next + sum;
      sum = next;
      count++;
    }
    running[row] = count ? sum + lost : NaN;
    previous[row] = before;
    const share = (value - before) / before;
    change[row] = Number.isFinite(share) ? share : NaN;
    before = value;
  }
  return [running, previous, change];
}

function countingSort(keys: Int32Array, size: number, order: Int32Array | null): Int32Array {
  const starts = new Int32Array(size + 1);
  for (const key of keys) starts[key + 1]!++;
  for (let key = 0; key < size; key++) starts[key + 1]! += starts[key] as number;
  const out = new Int32Array(keys.length);
  for (let i = 0; i < keys.length; i++) {
    const row = order ? (order[i] as number) : i;
    out[starts[keys[row] as number]!++] = row;
  }
  return out;
}
