import { compare, onNew, type BenchRow } from '../measure';
import { columnsOf, engineWith, intoTable, millionRows, numberOf, textOf } from '../million';
import { fresh } from './a1';

export const FLAGS = {
  highest: 'case when milk = max(milk) over (partition by hut) then milk end',
  lowest: 'case when milk = min(milk) over (partition by hut) then milk end',
  place: 'rank() over (partition by hut order by milk desc)',
};

export const FLAGS_SQL =
  'select *, case when milk = max(milk) over (partition by hut) then milk end, case when milk = min(milk) over (partition by hut) then milk end, rank() over (partition by hut order by milk desc nulls last)';

/** Flags of the highest and lowest and descending rank, per group. */
export const a2: BenchRow = {
  name: 'A2',
  work: '1,000,000 rows, flags of the highest and lowest and descending rank, per group',
  reach: 'Cowbell ≤ 1.5 × reference',
  run: async () => {
    const table = millionRows();
    const engine = await engineWith(table);
    const timings = await compare([
      { name: 'reference', run: () => flagsByHand(textOf(table, 'hut').data, 1_000, numberOf(table, 'milk')) },
      {
        name: 'Cowbell',
        ...onNew(
          () => fresh(table),
          rows => columnsOf(rows, FLAGS),
        ),
      },
      { name: 'SQL engine', run: () => intoTable(engine, `${FLAGS_SQL} from t`) },
    ]);
    return [{ at: '', timings }];
  },
};

/** By hand: rows laid out by group, each group's values sorted natively, ranks read off by halving. */
export function flagsByHand(groups: Int32Array, size: number, values: Float64Array) {
  const starts = new Int32Array(size + 1);
  for (const group of groups) starts[group + 1]!++;
  for (let g = 0; g < size; g++) starts[g + 1]! += starts[g] as number;
  const next = starts.slice();
  const rows = new Int32Array(groups.length);
  for (let row = 0; row < groups.length; row++) rows[next[groups[row] as number]!++] = row;
  const [highest, lowest, place] = [0, 1, 2].map(() => new Float64Array(groups.length).fill(NaN)) as [
    Float64Array,
    Float64Array,
    Float64Array,
  ];
  for (let g = 0; g < size; g++) {
    const [from, to] = [starts[g] as number, starts[g + 1] as number];
    const sorted = new Float64Array(to - from);
    let count = 0;
    for (let i = from; i < to; i++) {
      const value = values[rows[i] as number] as number;
      if (value === value) sorted[count++] = value;
    }
    const there = sorted.subarray(0, count).sort();
    for (let i = from; i < to; i++) {
      const row = rows[i] as number;
      const value = values[row] as number;
      if (value !== value) {
        place[row] = count + 1;
        continue;
      }
      if (value === there[count - 1]) highest[row] = value;
      if (value === there[0]) lowest[row] = value;
      place[row] = count - above(there, value) + 1;
    }
  }
  return [highest, lowest, place];
}

/** How many sorted values are not above one. */
function above(sorted: Float64Array, value: number): number {
  let [low, high] = [0, sorted.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if ((sorted[middle] as number) <= value) low = middle + 1;
    else high = middle;
  }
  return low;
}
