import { firstFigure } from 'core/brief';
import { plainCrosstab, type CrosstabChoice, type Figure } from 'core/document';
import { frameOf, plainMeasure, type FigureData } from 'core/frame';
import { messageFor } from 'core/result/words';
import { columnOf, isMissing, tableOf, textAt } from 'core/table';
import { crosstabOf, levelsOf, shownData } from './index';

// Two valleys with huts of 2 and 3; hut C has no week 2, hut E a missing value.
const table = tableOf({
  valley: ['Tolm', 'Tolm', 'Tolm', 'Tolm', 'Siddel', 'Siddel', 'Siddel', 'Siddel', 'Siddel'],
  hut: ['A', 'A', 'B', 'B', 'C', 'D', 'D', 'E', 'E'],
  week: ['1', '2', '1', '2', '1', '1', '2', '1', '2'],
  milk: [10, 20, 1, 2, 5, 100, 200, null, 7],
  cows: [1, 1, 2, 2, 5, 4, 4, 7, 7],
});

function made(data: Partial<FigureData> = {}, crosstab: Partial<CrosstabChoice> = {}) {
  const first = firstFigure('f', { id: 't', name: 't', rowCount: 9, units: {}, columns: table.columns }, 'hut');
  const figure: Figure = {
    ...first,
    data: {
      ...first.data,
      outer: [{ column: 'valley', step: null }],
      series: 'week',
      measures: [plainMeasure('milk', 'sum(milk)')],
      order: { by: 'table' },
      filters: [],
      ...data,
    },
    shape: { ...first.shape, mark: 'crosstab' },
    crosstab: { ...plainCrosstab, ...crosstab },
  };
  const read = frameOf(table, shownData(figure));
  if (!read.ok) throw new Error(read.problems.map(messageFor).join());
  return { frame: read.value, figure, crosstab: crosstabOf(read.value, table, figure) };
}

/** A crosstab as lines: the name of each row, then its cells; “–” for missing. */
function lines(...how: Parameters<typeof made>): string[] {
  const { frame, crosstab } = made(...how);
  const name = (column: string, row: number): string => {
    const found = columnOf(frame.table, column)!;
    return isMissing(found, row) ? '?' : textAt(found, row);
  };
  return crosstab.rows.map(({ kind, depth, of, folded }, down) => {
    const own = kind === 'total' ? 'all' : kind === 'others' ? `others ${folded}` : name(crosstab.levels[depth]!.column, of);
    const cells = crosstab.measures.flatMap(measure =>
      crosstab.columns.map((_, nth) => {
        const value = crosstab.values[measure]![down * crosstab.columns.length + nth]!;
        return Number.isNaN(value) ? '–' : String(value);
      }),
    );
    return `${own}: ${cells.join(' ')}`;
  });
}

const totals = (rows: CrosstabChoice['totals']['rows'], columns: typeof rows, ...parts: (typeof rows)[]): Partial<CrosstabChoice> => ({
  totals: { rows, columns, parts },
});

describe('a crosstab', () => {
  const cases: readonly [name: string, how: Parameters<typeof made>, expected: string[]][] = [
    [
      'rows within each other, with totals behind',
      [],
      ['A: 10 20 30', 'B: 1 2 3', 'C: 5 – 5', 'D: 100 200 300', 'E: – 7 7', 'all: 116 229 345'],
    ],
    [
      'levels and columns in bins of a width: cows in fours, milk in hundreds, one without milk',
      [
        {
          outer: [{ column: 'cows', step: { kind: 'bin', width: 4 } }],
          series: 'milk',
          seriesStep: { kind: 'bin', width: 100 },
          measures: [plainMeasure('n', 'count(*)')],
        },
        totals('last', 'last', 'last'),
      ],
      ['A: 2 – – – 2', 'B: 2 – – – 2', '0: 4 – – – 4', 'C: 1 – – – 1', 'D: – 1 1 – 2', 'E: 1 – – 1 2', '4: 2 1 1 1 5', 'all: 6 1 1 1 9'],
    ],
    [
      'subtotals behind each part',
      [{}, totals('last', 'none', 'last')],
      ['A: 10 20 30', 'B: 1 2 3', 'Tolm: 11 22 33', 'C: 5 – 5', 'D: 100 200 300', 'E: – 7 7', 'Siddel: 105 207 312'],
    ],
    [
      'all totals before what they sum up',
      [{}, totals('first', 'first', 'first')],
      ['all: 345 116 229', 'Tolm: 33 11 22', 'A: 30 10 20', 'B: 3 1 2', 'Siddel: 312 105 207', 'C: 5 5 –', 'D: 300 100 200', 'E: 7 – 7'],
    ],
    ['no totals', [{}, totals('none', 'none')], ['A: 10 20', 'B: 1 2', 'C: 5 –', 'D: 100 200', 'E: – 7']],
    [
      'a median’s total is the median of all',
      [{ measures: [plainMeasure('m', 'median(milk)')] }, totals('last', 'last', 'last')],
      [
        'A: 10 20 15',
        'B: 1 2 1.5',
        'Tolm: 5.5 11 6',
        'C: 5 – 5',
        'D: 100 200 150',
        'E: – 7 7',
        'Siddel: 52.5 103.5 53.5',
        'all: 7.5 13.5 8.5',
      ],
    ],
    [
      'a ratio’s total is the ratio of sums',
      [
        {
          outer: [],
          measures: [plainMeasure('r', 'sum(milk) / sum(cows)')],
          filters: [{ kind: 'values', column: 'hut', keep: ['A', 'D'] }],
        },
      ],
      ['A: 10 20 15', 'D: 25 50 37.5', 'all: 22 44 33'],
    ],
    [
      'a distinct count is no sum of counts',
      [{ outer: [], measures: [plainMeasure('d', 'count(distinct cows)')] }, totals('last', 'last')],
      ['A: 1 1 1', 'B: 1 1 1', 'C: 1 – 1', 'D: 1 1 1', 'E: 1 1 1', 'all: 5 4 5'],
    ],
    [
      'the largest of a level, the others in a row of their own',
      [{}, { ...totals('last', 'last', 'last'), top: [{ level: 1, n: 1 }] }],
      ['A: 10 20 30', 'B: 1 2 3', 'Tolm: 11 22 33', 'D: 100 200 300', 'others 2: 5 7 12', 'Siddel: 105 207 312', 'all: 116 229 345'],
    ],
    [
      'the largest of the outer level: nothing of the others is listed',
      [{}, { ...totals('last', 'last'), top: [{ level: 0, n: 1 }] }],
      // Two valleys: one alone would be “the others”, so both stay.
      ['A: 10 20 30', 'B: 1 2 3', 'C: 5 – 5', 'D: 100 200 300', 'E: – 7 7', 'all: 116 229 345'],
    ],
    [
      'by size: each level by its own totals',
      [{ order: { by: 'measure', measure: 'milk', descending: true } }, totals('none', 'none', 'last')],
      ['D: 100 200', 'E: – 7', 'C: 5 –', 'Siddel: 105 207', 'A: 10 20', 'B: 1 2', 'Tolm: 11 22'],
    ],
    [
      'by name: outer levels rise',
      [{ order: { by: 'category', descending: true } }, totals('none', 'none')],
      ['E: – 7', 'D: 100 200', 'C: 5 –', 'B: 1 2', 'A: 10 20'],
    ],
    [
      'by hand',
      [{ outer: [], order: { by: 'hand', keys: ['D', 'B'] } }, totals('none', 'none')],
      ['D: 100 200', 'B: 1 2', 'A: 10 20', 'C: 5 –', 'E: – 7'],
    ],
    [
      'columns by their totals',
      [{ outer: [] }, { columns: { by: 'total', descending: true, keys: [] } }],
      ['A: 20 10 30', 'B: 2 1 3', 'C: – 5 5', 'D: 200 100 300', 'E: 7 – 7', 'all: 229 116 345'],
    ],
    [
      'columns by hand',
      [{ outer: [] }, { ...totals('none', 'none'), columns: { by: 'hand', descending: false, keys: ['2'] } }],
      ['A: 20 10', 'B: 2 1', 'C: – 5', 'D: 200 100', 'E: 7 –'],
    ],
    [
      'columns falling',
      [{ outer: [] }, { ...totals('none', 'none'), columns: { by: 'name', descending: true, keys: [] } }],
      ['A: 20 10', 'B: 2 1', 'C: – 5', 'D: 200 100', 'E: 7 –'],
    ],
    ['no columns: one for each measure', [{ outer: [], series: null }], ['A: 30', 'B: 3', 'C: 5', 'D: 300', 'E: 7', 'all: 345']],
    ['a filter that leaves nothing', [{ filters: [{ kind: 'values', column: 'hut', keep: [] }] }], []],
    ['one row', [{ outer: [], filters: [{ kind: 'values', column: 'hut', keep: ['C'] }] }], ['C: 5 5', 'all: 5 5']],
  ];
  for (const [name, how, expected] of cases) it(name, () => expect(lines(...how)).toEqual(expected));

  it('knows the frame’s row behind each cell, and none behind totals and what has no rows', () => {
    const { crosstab, frame } = made();
    const across = crosstab.columns.length;
    crosstab.frameRows.forEach((row, cell) => {
      const value = crosstab.values['milk']![cell]!;
      const isTotal = crosstab.rows[Math.floor(cell / across)]!.kind === 'total' || crosstab.columns[cell % across]!.kind === 'total';
      if (isTotal) expect(row).toBe(-1);
      else if (row !== -1) expect(frame.table.columns.find(({ name }) => name === 'milk')!.data[row]).toEqual(value);
    });
    // C in week 2 has no rows; E in week 1 has one without a value.
    expect([...crosstab.frameRows].filter(row => row === -1).length).toBe(5 + 3 + 1);
  });

  it('what-if values show in their cells and in no total', () => {
    const { crosstab } = made({ whatIfs: [{ by: 'hut', category: 'A', split: ['1', 'Tolm'], measure: 'milk', value: 1000 }] });
    expect([...crosstab.values['milk']!.slice(0, 3)]).toEqual([1000, 20, 30]);
  });

  it('panels are the outermost level of rows', () => {
    const { figure } = made({ outer: [], panel: 'valley' });
    expect(levelsOf(figure.data).map(({ column }) => column)).toEqual(['valley', 'hut']);
  });

  it('other shapes leave outer levels out, and keep them', () => {
    const { figure } = made();
    const chart = { ...figure, shape: { ...figure.shape, mark: 'column' as const } };
    expect([shownData(chart).outer, chart.data.outer.length]).toEqual([[], 1]);
    expect(shownData(chart)).toBe(shownData(chart));
  });
});
