import { compileFormula, Evaluator, scopeOf } from 'core/formula';
import { takeRows, type BooleanValues, type Table } from 'core/table';
import { compare, onNew, type BenchRow } from '../measure';
import { columnsOf, engineWith, intoTable, millionRows, numberOf, textOf } from '../million';
import { fresh } from './a1';
import { FLAGS, FLAGS_SQL, flagsByHand } from './a2';

const FILTER = "valley <> 'valley 3' and milk > 1000";

/** Filter on text and number, then A2. */
export const a5: BenchRow = {
  name: 'A5',
  work: '1,000,000 rows, filter on text and number, then A2',
  reach: 'Cowbell ≤ 1.5 × reference',
  run: async () => {
    const table = millionRows();
    const engine = await engineWith(table);
    const timings = await compare([
      { name: 'reference', run: () => reference(table) },
      {
        name: 'Cowbell',
        ...onNew(
          () => fresh(table),
          rows => columnsOf(kept(rows), FLAGS),
        ),
      },
      { name: 'SQL engine', run: () => intoTable(engine, `${FLAGS_SQL} from t where ${FILTER}`) },
    ]);
    return [{ at: '', timings }];
  },
};

function kept(table: Table): Table {
  const read = compileFormula(FILTER, scopeOf(table), 'filter');
  if (!read.ok) throw new Error(JSON.stringify(read.problems));
  const { data } = new Evaluator(table).values(read.value) as BooleanValues;
  const rows = new Int32Array(data.length);
  let count = 0;
  for (let row = 0; row < data.length; row++) if (data[row] === 1) rows[count++] = row;
  return takeRows(table, rows.subarray(0, count));
}

/** By hand: the passing rows, then all six columns gathered, as the rest of the work needs them. */
function reference(table: Table) {
  const valley = textOf(table, 'valley');
  const milk = numberOf(table, 'milk');
  const gone = valley.dictionary.indexOf('valley 3');
  const rows = new Int32Array(milk.length);
  let count = 0;
  for (let row = 0; row < milk.length; row++) if (valley.data[row] !== gone && (milk[row] as number) > 1000) rows[count++] = row;
  const keep = rows.subarray(0, count);
  const gather = <A extends Float64Array | Int32Array>(from: A, into: A): A => {
    for (let i = 0; i < count; i++) into[i] = from[keep[i] as number] as number;
    return into;
  };
  const hut = gather(textOf(table, 'hut').data, new Int32Array(count));
  const others = [
    gather(valley.data, new Int32Array(count)),
    ...['day', 'fat', 'cows'].map(name => gather(numberOf(table, name), new Float64Array(count))),
  ];
  return [others, flagsByHand(hut, 1_000, gather(milk, new Float64Array(count)))];
}
