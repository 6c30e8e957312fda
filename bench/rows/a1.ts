import { compare, onNew, type BenchRow } from '../measure';
import { engineWith, intoTable, measuresOf, millionRows, numberOf, textOf } from '../million';
import type { Table } from 'core/table';

/** Group by two keys: sum, avg, min, max, count. */
export const a1: BenchRow = {
  name: 'A1',
  work: '1,000,000 rows, group by two keys: sum, avg, min, max, count',
  reach: 'Cowbell ≤ 1.5 × reference, ahead of the embedded SQL engine on one thread',
  run: async () => {
    const table = millionRows();
    const engine = await engineWith(table);
    const timings = await compare([
      { name: 'reference', run: () => reference(table) },
      {
        name: 'Cowbell',
        ...onNew(
          () => fresh(table),
          rows => measuresOf(rows, ['valley', 'hut'], ['sum(milk)', 'avg(milk)', 'min(milk)', 'max(milk)', 'count(milk)']),
        ),
      },
      {
        name: 'SQL engine',
        run: () =>
          intoTable(engine, 'select valley, hut, sum(milk), avg(milk), min(milk), max(milk), count(milk) from t group by valley, hut'),
      },
    ]);
    return [{ at: '', timings }];
  },
};

/** The measure in new memory, so that nothing computed from it before is found again. */
export function fresh(table: Table): Table {
  return {
    ...table,
    columns: table.columns.map(column => (column.name === 'milk' ? ({ ...column, data: column.data.slice() } as typeof column) : column)),
  };
}

function reference(table: Table) {
  const [valley, hut] = [textOf(table, 'valley'), textOf(table, 'hut')];
  const milk = numberOf(table, 'milk');
  const size = valley.dictionary.length * hut.dictionary.length;
  const [sums, lost, low, high, counts] = [0, 0, Infinity, -Infinity, 0].map(start => new Float64Array(size).fill(start)) as [
    Float64Array,
    Float64Array,
    Float64Array,
    Float64Array,
    Float64Array,
  ];
  for (let row = 0; row < milk.length; row++) {
    const g = (valley.data[row] as number) * 1_000 + (hut.data[row] as number);
    const value = milk[row] as number;
    if (value !== value) continue;
    const sum = sums[g] as number;
    const next = sum + value;
    lost[g] = (lost[g] as number) + (Math.abs(sum) >= Math.abs(value) ? sum - next + value : value - next + sum);
    sums[g] = next;
    if (value < (low[g] as number)) low[g] = value;
    if (value > (high[g] as number)) high[g] = value;
    counts[g] = (counts[g] as number) + 1;
  }
  const averages = sums.map((sum, g) => (sum + (lost[g] as number)) / (counts[g] as number));
  return [sums, averages, low, high, counts];
}
