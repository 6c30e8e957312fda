import { firstFigure } from 'core/brief';
import { crosstabOf } from 'core/crosstab';
import { plainCrosstab, type Figure } from 'core/document';
import { frameOf, plainMeasure } from 'core/frame';
import { makeTable, named, type Column, type Table } from 'core/table';
import { seededRandom } from 'demo/random';
import { compare, onNew, type BenchRow } from '../measure';
import { engineWith, intoTable, numberOf, ROWS, textOf } from '../million';

const [HUTS, VALLEYS, LANDS, MONTHS] = [50, 10, 2, 24];

/** A crosstab with totals on three levels, from the table's rows to every value. */
export const t1: BenchRow = {
  name: 'T1',
  work: 'crosstab of 1,000,000 rows to 50 × 24 with totals on three levels',
  reach: 'Cowbell ≤ 2 × the typed reference, ahead of the embedded SQL engine on one thread',
  run: async () => {
    const table = nestedRows();
    const figure = figureOver(table);
    const engine = await engineWith(table);
    const contenders = [
      { name: 'typed reference', run: () => reference(table) },
      {
        name: 'Cowbell',
        ...onNew(
          () => fresh(table),
          rows => crosstab(rows, figure),
        ),
      },
      {
        name: 'SQL engine',
        run: () =>
          intoTable(
            engine,
            `select land, valley, hut, month, sum(milk) from t group by grouping sets
             ((land, valley, hut, month), (land, valley, hut), (land, valley, month), (land, valley), (land, month), (land), (month), ())`,
          ),
      },
    ];
    // The first rounds translate the loops; the SQL engine's are long.
    return [{ at: '', timings: await compare(contenders, { rounds: 15, warmup: 6 }) }];
  },
};

function crosstab(table: Table, figure: Figure) {
  const frame = frameOf(table, figure.data);
  if (!frame.ok) throw new Error('the figure has no frame');
  return crosstabOf(frame.value, table, figure);
}

/** Huts within valleys within lands, by month; 2 % of the measure missing. */
function nestedRows(): Table {
  const random = seededRandom(14);
  const huts = Int32Array.from({ length: ROWS }, () => Math.floor(random() * HUTS));
  const text = (name: string, size: number, data: Int32Array): Column =>
    named(name, { type: 'text', dictionary: Array.from({ length: size }, (_, i) => `${name} ${i}`), data });
  return makeTable('t', [
    text(
      'land',
      LANDS,
      huts.map(hut => hut % LANDS),
    ),
    text(
      'valley',
      VALLEYS,
      huts.map(hut => hut % VALLEYS),
    ),
    text('hut', HUTS, huts),
    text(
      'month',
      MONTHS,
      huts.map(() => Math.floor(random() * MONTHS)),
    ),
    named('milk', { type: 'number', data: Float64Array.from(huts, () => (random() < 0.02 ? NaN : random() * 5_000)) }),
  ]);
}

/** Every column an object of its own and the measure in new memory, so that nothing computed before is found again. */
const fresh = (table: Table): Table => ({
  ...table,
  columns: table.columns.map(column => (column.name === 'milk' ? ({ ...column, data: column.data.slice() } as Column) : { ...column })),
});

function figureOver(table: Table): Figure {
  const first = firstFigure('f', { id: 't', name: 't', rowCount: table.rowCount, units: {}, columns: table.columns }, 'hut');
  return {
    ...first,
    data: {
      ...first.data,
      outer: [
        { column: 'land', step: null },
        { column: 'valley', step: null },
      ],
      series: 'month',
      filters: [],
      measures: [plainMeasure('milk', 'sum(milk)')],
      order: { by: 'table' },
    },
    shape: { ...first.shape, mark: 'crosstab' },
    crosstab: { ...plainCrosstab, totals: { rows: 'last', columns: 'last', parts: ['last', 'last'] } },
  };
}

/** One pass over the rows, then the sums of huts put together level by level. */
function reference(table: Table) {
  const [hut, month, milk] = [textOf(table, 'hut').data, textOf(table, 'month').data, numberOf(table, 'milk')];
  const cells = new Float64Array(HUTS * MONTHS);
  const lost = new Float64Array(HUTS * MONTHS);
  for (let row = 0; row < milk.length; row++) {
    const value = milk[row] as number;
    if (value !== value) continue;
    const at = (hut[row] as number) * MONTHS + (month[row] as number);
    const sum = cells[at] as number;
    const next = sum + value;
    lost[at] = (lost[at] as number) + (Math.abs(sum) >= Math.abs(value) ? sum - next + value : value - next + sum);
    cells[at] = next;
  }
  for (let at = 0; at < cells.length; at++) cells[at] = (cells[at] as number) + (lost[at] as number);
  const whole = (size: number): Float64Array => {
    const sums = new Float64Array(size * (MONTHS + 1));
    for (let at = 0; at < cells.length; at++) {
      const [group, column] = [Math.floor(at / MONTHS) % size, at % MONTHS];
      sums[group * (MONTHS + 1) + column]! += cells[at] as number;
      sums[group * (MONTHS + 1) + MONTHS]! += cells[at] as number;
    }
    return sums;
  };
  return [cells, whole(HUTS), whole(VALLEYS), whole(LANDS), whole(1)];
}
