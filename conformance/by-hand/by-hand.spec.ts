import { applyCues, aroundOf, cueKinds, readLevel, cueFactsOf, type CueKindName } from 'core/cue';
import { frameOf, plainMeasure, type Frame } from 'core/frame';
import { messageFor } from 'core/result/words';
import { cellAt, columnOf, makeTable, named, tableOf, valuesFrom } from 'core/table';
import { agree } from '../engine';
import { PlainFigure, type PlainCell, type PlainColumns } from './plain-cues';
import { plainRows, sourceRows, type Cut, type PlainRow, type SourceRow, type Value } from './plain-rows';
import type { PlainScope } from './plain-scope';

/**
 * Whole columns of every kind of cue, computed once by the core and once by plain loops over rows that share no code with it, on tables with
 * ties, missing values, groups of one row and without any value, zeros, negatives, series and panels.
 */
const CUTS: readonly Cut[] = [
  { category: 'name', series: null, panel: null },
  { category: 'name', series: 'team', panel: null },
  { category: 'day', series: null, panel: 'place' },
  { category: 'day', series: 'team', panel: 'place' },
];
const GAPS = [7, 12];

function frameOver(source: readonly SourceRow[], { category, series, panel }: Cut): Frame {
  const column = (name: 'name' | 'team' | 'place' | 'a' | 'b' | 'c') => source.map(row => row[name]);
  const table = makeTable('t', [
    ...tableOf({ name: column('name'), team: column('team'), place: column('place') }).columns,
    ...(['a', 'b', 'c'] as const).map(name => named(`${name}_`, valuesFrom('number', column(name)))),
    named(
      'day',
      valuesFrom(
        'date',
        source.map(row => row.day),
      ),
    ),
  ]);
  const read = frameOf(table, {
    table: 't',
    category,
    step: null,
    outer: [],
    seriesStep: null,
    empty: 'missing',
    series,
    panel,
    measures: ['a', 'b', 'c'].map(name => plainMeasure(name, `sum(${name}_)`)),
    helpers: [],
    filters: [],
    order: { by: 'table' },
    whatIfs: [],
  });
  if (!read.ok) throw new Error(read.problems.map(messageFor).join());
  return read.value;
}

interface Case {
  readonly kind: CueKindName;
  readonly change: object;
  readonly plain: (figure: PlainFigure, rows: readonly PlainRow[]) => PlainColumns;
}
const level = (text: string) => readLevel(text, ['a', 'b', 'c']);
const constant = (rows: readonly PlainRow[], value: number): Value[] => rows.map(() => value);
const steps = (...edges: string[]) => [
  ...edges.map((edge, i) => ({ name: `step ${i + 1}`, upTo: level(edge) })),
  { name: 'last', upTo: null },
];

/** Kinds that look where they are told, along an order or not. */
const ANYWHERE: readonly Case[] = [
  { kind: 'extremes', change: {}, plain: figure => figure.extremes() },
  {
    kind: 'threshold',
    change: { steps: steps('p25', '10') },
    plain: (figure, rows) => figure.threshold([figure.percentiles(0.25), constant(rows, 10)], ['step 1', 'step 2', 'last'], 'lower'),
  },
  {
    kind: 'threshold',
    change: { steps: steps('b', 'average + 1 sd'), edge: 'upper' },
    plain: (figure, rows) => figure.threshold([rows.map(row => row.b), figure.averagePlus(1)], ['step 1', 'step 2', 'last'], 'upper'),
  },
  { kind: 'typical', change: {}, plain: figure => figure.typical(figure.statistic('average')) },
  { kind: 'typical', change: { level: level('median') }, plain: figure => figure.typical(figure.statistic('median')) },
  { kind: 'typical', change: { level: level('p90') }, plain: figure => figure.typical(figure.percentiles(0.9)) },
  { kind: 'typical', change: { level: level('total') }, plain: figure => figure.typical(figure.statistic('total')) },
  { kind: 'compare', change: { other: level('b') }, plain: (figure, rows) => figure.compare(rows.map(row => row.b)) },
  { kind: 'compare', change: { other: level('maximum') }, plain: figure => figure.compare(figure.statistic('maximum')) },
  { kind: 'outlier', change: { method: 'iqr', k: 1.5 }, plain: figure => figure.outlier('iqr', 1.5) },
  { kind: 'outlier', change: { method: 'iqr', k: 0.3 }, plain: figure => figure.outlier('iqr', 0.3) },
  { kind: 'outlier', change: { method: 'deviation', k: 1 }, plain: figure => figure.outlier('deviation', 1) },
  { kind: 'outlier', change: { method: 'mad', k: 1.5 }, plain: figure => figure.outlier('mad', 1.5) },
  { kind: 'gradient', change: {}, plain: figure => figure.gradient(null, 0) },
  { kind: 'gradient', change: { classes: 5 }, plain: figure => figure.gradient(null, 5) },
  {
    kind: 'gradient',
    change: { way: 'diverging', midpoint: level('median'), classes: 4 },
    plain: figure => figure.gradient(figure.statistic('median'), 4),
  },
  { kind: 'reference', change: { level: level('minimum') }, plain: figure => ({ reference: figure.statistic('minimum') }) },
  {
    kind: 'reference',
    change: { level: level('50 % of b') },
    plain: (_, rows) => ({ reference: rows.map(({ b }) => (b === null ? null : b / 2)) }),
  },
  { kind: 'span', change: { high: 'b' }, plain: figure => figure.span() },
  {
    kind: 'rule',
    change: {
      branches: [
        { name: 'x', when: 'a > avg(a)' },
        { name: 'y', when: 'b < 0 or c is null' },
      ],
    },
    plain: figure =>
      figure.rule(
        [({ a }, average) => a !== null && average !== null && a > average, ({ b, c }) => (b !== null && b < 0) || c === null],
        ['x', 'y'],
        'first',
      ),
  },
  {
    kind: 'rule',
    change: {
      takes: 'every',
      branches: [
        { name: 'x', when: 'a >= 2' },
        { name: 'y', when: 'a <= 12' },
      ],
    },
    plain: figure => figure.rule([({ a }) => a !== null && a >= 2, ({ a }) => a !== null && a <= 12], ['x', 'y'], 'every'),
  },
];

/** Kinds that look at all rows of their part, whatever their order. */
const STILL: readonly Case[] = [
  { kind: 'rank', change: { n: 3 }, plain: figure => figure.rank('top', 3, 'places') },
  { kind: 'rank', change: { n: 2, end: 'bottom' }, plain: figure => figure.rank('bottom', 2, 'places') },
  { kind: 'rank', change: { n: 20, unit: 'percent' }, plain: figure => figure.rank('top', 20, 'percent') },
  { kind: 'rank', change: { n: 60, unit: 'share' }, plain: figure => figure.rank('top', 60, 'share') },
  { kind: 'band', change: { by: 'deviation', k: 1.5 }, plain: figure => figure.band('deviation', 1.5, null) },
  { kind: 'band', change: { by: 'error', k: 2 }, plain: figure => figure.band('error', 2, null) },
  { kind: 'band', change: { by: 'confidence', percent: 95 }, plain: figure => figure.band('confidence', 95, null) },
  { kind: 'band', change: { by: 'percentiles', percent: 80 }, plain: figure => figure.band('percentiles', 80, null) },
  {
    kind: 'band',
    change: { by: 'edges', lower: level('b'), upper: level('c') },
    plain: (figure, rows) =>
      figure.between(
        rows.map(({ b }) => b),
        rows.map(({ c }) => c),
      ),
  },
  { kind: 'rescale', change: { to: 'share' }, plain: figure => figure.rescale('share', null) },
  { kind: 'rescale', change: { to: 'unit' }, plain: figure => figure.rescale('unit', null) },
  { kind: 'rescale', change: { to: 'z' }, plain: figure => figure.rescale('z', null) },
  { kind: 'rescale', change: { to: 'range', other: 'b' }, plain: figure => figure.rescale('range', null) },
];

/** Kinds that go along an order. */
const ALONG: readonly Case[] = [
  { kind: 'change', change: { as: 'percent' }, plain: figure => figure.change('previous', 'percent', 'missing') },
  { kind: 'change', change: { as: 'difference', first: 'zero' }, plain: figure => figure.change('previous', 'difference', 'zero') },
  { kind: 'change', change: { from: 'first', as: 'difference' }, plain: figure => figure.change('first', 'difference', 'missing') },
  { kind: 'running', change: { of: 'total', n: 0 }, plain: figure => figure.running('total', 0, 'up to', 'full') },
  { kind: 'running', change: { of: 'average', n: 4 }, plain: figure => figure.running('average', 4, 'up to', 'full') },
  { kind: 'running', change: { of: 'average', n: 4, centred: true }, plain: figure => figure.running('average', 4, 'around', 'full') },
  {
    kind: 'running',
    change: { of: 'median', n: 5, centred: true, edges: 'partial' },
    plain: figure => figure.running('median', 5, 'around', 'partial'),
  },
  { kind: 'running', change: { of: 'total', n: 3, edges: 'partial' }, plain: figure => figure.running('total', 3, 'up to', 'partial') },
  { kind: 'rescale', change: { to: 'index' }, plain: figure => figure.rescale('index', null) },
  {
    kind: 'band',
    change: { by: 'deviation', k: 1, moving: 5 },
    plain: figure => figure.band('deviation', 1, { n: 5, place: 'before', edges: 'full' }),
  },
  {
    kind: 'band',
    change: { by: 'percentiles', percent: 50, moving: 4, edges: 'partial' },
    plain: figure => figure.band('percentiles', 50, { n: 4, place: 'before', edges: 'partial' }),
  },
  {
    kind: 'band',
    change: { by: 'confidence', percent: 90, moving: 6, includes: true },
    plain: figure => figure.band('confidence', 90, { n: 6, place: 'up to', edges: 'full' }),
  },
];

const BY = { series: 'team', panel: 'place' } as const;
type Part = keyof typeof BY;

/** The parts that a cut offers to look within: none, each, both. */
function partsOf({ series, panel }: Cut): (readonly Part[])[] {
  const own: Part[] = [...(series ? (['series'] as const) : []), ...(panel ? (['panel'] as const) : [])];
  return [[], ...own.map(name => [name]), ...(own.length > 1 ? [own] : [])];
}

const still = (by: readonly Part[]) => (by.length ? { kind: 'within', columns: by.map(name => BY[name]) } : { kind: 'figure' });
const ordered = (column: string, by: readonly Part[], descending = false) => ({
  kind: 'along',
  column,
  descending,
  within: by.map(name => BY[name]),
});

let columns = 0;
let telling = 0;

describe('every kind of cue against plain loops over rows', () => {
  for (const [at, cut] of CUTS.entries())
    for (const gap of GAPS) {
      const source = sourceRows(100 * at + gap, gap);
      const [rows, frame] = [plainRows(source, cut), frameOver(source, cut)];
      const check = ({ kind, change, plain }: Case, scope: object, plainScope: PlainScope): void => {
        it(`${kind} ${JSON.stringify(change)} ${JSON.stringify(scope)} of ${JSON.stringify(cut)} every ${gap} days`, () =>
          compareAll(frame, { kind, change: { ...change, scope } }, plain(new PlainFigure(rows, plainScope), rows)));
      };
      it(`the rows of ${JSON.stringify(cut)} every ${gap} days`, () => compareRows(frame, rows));
      for (const by of partsOf(cut)) {
        const within: PlainScope = by.length ? { kind: 'within', by } : { kind: 'all' };
        for (const item of [...ANYWHERE, ...STILL]) check(item, still(by), within);
        const byKey = (falling: boolean): PlainScope => ({ kind: 'along', by, order: 'key', falling });
        // A change looks forward, whatever is asked.
        for (const item of ALONG) check(item, ordered(cut.category, by, item.kind === 'change'), byKey(false));
        for (const item of ANYWHERE) check(item, ordered(cut.category, by, true), byKey(true));
        for (const item of ALONG.filter(({ kind }) => kind === 'running'))
          check(item, ordered('b', by, true), { kind: 'along', by, order: 'b', falling: true });
        if (cut.category === 'day')
          check(
            { kind: 'change', change: { from: 'year' }, plain: figure => figure.change('year', 'percent', 'missing') },
            ordered('day', by),
            byKey(false),
          );
        const base = rows.find(({ a }) => a !== null && a > 0)?.key ?? '';
        check({ kind: 'rescale', change: { to: 'index', base }, plain: figure => figure.rescale('index', base) }, still(by), within);
      }
      check({ kind: 'plan', change: { plan: 'b' }, plain: figure => figure.plan() }, { kind: 'figure' }, { kind: 'all' });
    }
  afterAll(() => {
    console.log(`by hand: ${columns} whole columns, ${telling} of them with values`);
    expect(columns).toBeGreaterThanOrEqual(1_500);
    // Most of them hold something, so that being equal says something.
    expect(telling).toBeGreaterThan(columns * 0.9);
  });
});

function compareRows({ table }: Frame, rows: readonly PlainRow[]): void {
  expect(table.rowCount).toBe(rows.length);
  for (const name of ['a', 'b', 'c'] as const)
    compareColumn(
      name,
      cellsOf(table, name),
      rows.map(row => row[name]),
    );
}

const cellsOf = (table: Frame['table'], name: string): PlainCell[] => {
  const column = columnOf(table, name);
  return column ? Array.from(column.data, (_, row) => cellAt(column, row)) : [];
};

function compareAll(frame: Frame, { kind, change }: { kind: CueKindName; change: object }, expected: PlainColumns): void {
  const words = cueFactsOf({ ...aroundOf(frame), measures: ['a', 'b', 'c'], scopes: ['team', 'place'] });
  const cue = { ...cueKinds[kind].create('c', words), measure: 'a', ...change };
  const [applied] = applyCues([cue], frame);
  const parts = Object.entries(expected);
  expect(applied?.helpers.length).toBeGreaterThanOrEqual(1);
  for (const [part, cells] of parts) {
    const column = applied?.helpers.find(helper => helper.part === part)?.column;
    if (!column) return fail(`no column ${part}: ${applied?.problems.map(messageFor).join(' ') ?? ''}`);
    compareColumn(
      part,
      Array.from(column.data, (_, row) => cellAt(column, row)),
      cells,
    );
  }
}

function compareColumn(name: string, ours: readonly PlainCell[], theirs: readonly PlainCell[]): void {
  columns++;
  if (theirs.some(cell => cell !== null)) telling++;
  const wrong = ours.findIndex((cell, row) => !agree(cell, theirs[row] ?? null));
  const words =
    wrong === -1 ? 'equal' : `${name} row ${wrong}: the core has ${String(ours[wrong])}, by hand it is ${String(theirs[wrong])}`;
  expect(ours.length === theirs.length ? words : 'another length').toBe('equal');
}
