import { compare, onNew, type BenchRow } from '../measure';
import { columnsOf, engineWith, intoTable, millionRows, numberOf } from '../million';
import { fresh } from './a1';

const FORMULAS = {
  mean: 'avg(milk) over ()',
  deviation: 'stddev_samp(milk) over ()',
  middle: 'median(milk) over ()',
  p90: 'percentile_cont(0.9) within group (order by milk) over ()',
  above: 'milk > avg(milk) over ()',
};

/** Mean, standard deviation, median, 90th percentile of the whole, flag above mean. */
export const a3: BenchRow = {
  name: 'A3',
  work: '1,000,000 rows, mean, standard deviation, median, 90th percentile of the whole, flag above mean',
  reach: 'Cowbell ≤ 1.5 × reference',
  run: async () => {
    const table = millionRows();
    const engine = await engineWith(table);
    const timings = await compare([
      { name: 'reference', run: () => reference(numberOf(table, 'milk')) },
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
            'select milk > avg(milk) over (), avg(milk) over (), stddev_samp(milk) over (), m, p from t, (select median(milk) m, quantile_cont(milk, 0.9) p from t)',
          ),
      },
    ]);
    return [{ at: '', timings }];
  },
};

function reference(values: Float64Array) {
  let [sum, lost, count] = [0, 0, 0];
  for (const value of values) {
    if (value !== value) continue;
    const next = sum + value;
    lost += Math.abs(sum) >= Math.abs(value) ? sum - next + value : value - next + sum;
    sum = next;
    count++;
  }
  const mean = (sum + lost) / count;
  let squares = 0;
  const sorted = new Float64Array(count);
  let at = 0;
  for (const value of values) {
    if (value !== value) continue;
    squares += (value - mean) ** 2;
    sorted[at++] = value;
  }
  sorted.sort();
  const quantile = (share: number): number => {
    const place = share * (count - 1);
    const low = sorted[Math.floor(place)] as number;
    return low + ((sorted[Math.ceil(place)] as number) - low) * (place % 1);
  };
  const [deviation, middle, p90] = [Math.sqrt(squares / (count - 1)), quantile(0.5), quantile(0.9)];
  const above = new Uint8Array(values.length);
  for (let row = 0; row < above.length; row++) above[row] = values[row] !== values[row] ? 2 : (values[row] as number) > mean ? 1 : 0;
  return [
    new Float64Array(values.length).fill(mean),
    new Float64Array(values.length).fill(deviation),
    new Float64Array(values.length).fill(middle),
    new Float64Array(values.length).fill(p90),
    above,
  ];
}
