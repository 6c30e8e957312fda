import { DuckDBDateValue, DuckDBDecimalValue, DuckDBInstance } from '@duckdb/node-api';
import { applyCues, cueKinds, readLevel, type CueKindName, type CueFacts, cueFactsOf } from 'core/cue';
import { literalText, nameText, scopeOf } from 'core/formula';
import { statementOf } from './statement';
import { frameOf, plainMeasure, type Frame } from 'core/frame';
import { messageFor } from 'core/result/words';
import { cellAt, makeTable, withColumns, named, tableOf, valuesFrom, type Cell, type Column } from 'core/table';
import { agree, SqlEngine } from './engine';
import { SecondEngine } from './second-engine';
import { ServerFamilyEngine } from './server-family';
import { troubledRows } from './rows';

const MEASURES = ['x', 'y', 'n'];
const words: CueFacts = cueFactsOf({ category: 'hut', measures: MEASURES, scopes: ['g', 'h'], along: { column: 'e', descending: false } });
const along = { kind: 'along', column: 'e', descending: false, within: [] };
const within = { kind: 'within', columns: ['g'] };
const level = (text: string) => readLevel(text, MEASURES);

/** A frame of troubled rows: a hut per row, its group g, a day e, measures with missing values, ties, zeros and negative ones. */
function troubledFrame(): Frame {
  const rows = troubledRows();
  const huts = named(
    'hut',
    valuesFrom(
      'text',
      Array.from({ length: rows.rowCount }, (_, row) => `hut ${row}`),
    ),
  );
  const table = makeTable('t', [huts, ...rows.columns.filter(({ name }) => ['g', 'h', ...MEASURES].includes(name))]);
  const read = frameOf(table, {
    table: 't',
    category: 'hut',
    step: null,
    outer: [],
    seriesStep: null,
    empty: 'missing' as const,
    series: null,
    panel: null,
    measures: MEASURES.map(name => plainMeasure(name === 'x' ? 'x' : name, `sum(${name})`)),
    helpers: [],
    filters: [],
    order: { by: 'table' },
    whatIfs: [],
  });
  if (!read.ok) throw new Error(read.problems.map(messageFor).join());
  // A row every twelve days, over more than a year.
  const day = (row: number): string => new Date(Date.UTC(2031, 0, 1 + row * 12)).toISOString().slice(0, 10);
  const days = [
    named(
      'e',
      valuesFrom(
        'date',
        Array.from({ length: rows.rowCount }, (_, row) => day(row)),
      ),
    ),
  ];
  return { ...read.value, table: withColumns(read.value.table, days) };
}

const frame = troubledFrame();
const moving = { kind: 'along', column: 'e', descending: false, within: ['g'] };
const both = { kind: 'within', columns: ['g', 'h'] };
const variants: Readonly<Record<CueKindName, readonly object[]>> = {
  extremes: [{}, { scope: within }, { scope: along }, { scope: both }],
  rank: [
    { n: 5 },
    { n: 20, unit: 'percent', scope: within },
    { n: 80, unit: 'share', measure: 'n' },
    { end: 'bottom', n: 4 },
    { end: 'bottom', n: 2, scope: both, measure: 'y' },
    { n: 10, unit: 'percent', end: 'bottom' },
    { n: 30, unit: 'share', measure: 'n', scope: within, end: 'bottom' },
  ],
  threshold: [
    {},
    { scope: within, lines: true },
    {
      measure: 'y',
      edge: 'upper',
      steps: [
        { name: 'low', upTo: level('average - 1 sd') },
        { name: 'mid', upTo: level('80 % of n') },
        { name: 'top', upTo: null },
      ],
    },
    {
      steps: [
        { name: 'under', upTo: level('y') },
        { name: 'over', upTo: null },
      ],
      measure: 'n',
    },
    { scope: both, edge: 'upper' },
  ],
  typical: [
    {},
    { level: level('median'), scope: within },
    { level: level('p90') },
    { level: level('maximum'), measure: 'n' },
    { scope: along },
    { scope: both },
  ],
  plan: [{ plan: 'y' }, { plan: 'y', way: 'line' }, { plan: 'n', total: true }],
  change: [
    {},
    { scope: { ...along, within: ['g'] }, from: 'first', first: 'zero' },
    { from: 'year' },
    { from: 'year', scope: moving, as: 'difference' },
    { from: 'first', measure: 'n' },
    { first: 'value', value: level('3'), as: 'difference', scope: { ...along, descending: true } },
  ],
  compare: [{}, { other: level('average'), scope: within }, { other: level('median'), scope: along }, { other: level('y'), which: 'less' }],
  outlier: [{}, { method: 'deviation', k: 1, scope: within }, { method: 'mad', k: 2 }, { scope: within, k: 0.3 }, { scope: along }],
  gradient: [
    {},
    { way: 'diverging', midpoint: level('2'), classes: 5, scope: within },
    { classes: 3, measure: 'y' },
    { way: 'diverging', midpoint: level('average') },
  ],
  running: [
    {},
    { of: 'total', n: 0, scope: { ...along, within: ['g'] } },
    { of: 'median', n: 5, centred: true },
    { n: 4, centred: true, scope: moving },
    { of: 'total', n: 3, edges: 'partial' },
    { of: 'median', n: 4, scope: moving, edges: 'partial', centred: true },
  ],
  reference: [{}, { level: level('12.5') }, { level: level('= max(y) - min(x)'), scope: within }, { level: level('p25'), scope: along }],
  band: [
    { by: 'edges', lower: level('n'), upper: level('10') },
    { by: 'edges', lower: level('p10'), upper: level('p90'), scope: within },
    { by: 'width', centre: level('y'), width: level('2') },
    { by: 'width', centre: level('median'), width: level('= stddev_samp(y)'), scope: within },
    { by: 'deviation', moving: 4, scope: along },
    { by: 'deviation', moving: 3, scope: moving, includes: true, edges: 'partial' },
    { by: 'error', scope: within },
    { by: 'error', moving: 5, scope: along },
    { by: 'confidence', percent: 90, measure: 'y' },
    { by: 'confidence', percent: 99, scope: within },
    { by: 'confidence', percent: 80, moving: 6, scope: along, includes: true, measure: 'y' },
    { by: 'percentiles', percent: 80, scope: within },
    { by: 'percentiles', percent: 50, moving: 6, scope: moving },
  ],
  span: [{ high: 'y' }, { high: 'n', scope: within }],
  rescale: [
    {},
    { base: 'hut 3', measure: 'y' },
    { base: 'hut 12', measure: 'n', scope: { ...along, column: 'n', descending: true } },
    { to: 'share' },
    { to: 'unit', scope: { ...along, within: ['g'] } },
    { to: 'z' },
    { to: 'range', other: 'y' },
  ],
  rule: [
    {},
    { scope: { ...along, within: ['g'] }, branches: [{ name: 'a', when: 'x > avg(x)' }] },
    {
      branches: [
        { name: 'a', when: 'x > avg(y) over (partition by g)' },
        { name: 'b', when: 'n is null or y < 0' },
      ],
    },
    {
      takes: 'every',
      branches: [
        { name: 'a', when: 'x >= 2' },
        { name: 'index', when: 'x > avg(x)' },
      ],
    },
  ],
};

const nothing: string[] = [];

/** What the second engine cannot run: it has neither dates nor intervals. */
const needsDates = (change: object): boolean => 'from' in change && change.from === 'year';

describe('names and categories that engines read in their own ways', () => {
  // Every measure bears a name that one engine or another reserves; the category is a number, which engines write as text in different ways.
  const measures = ['index', 'order', 'group', 'level', 'rank', 'key', 'plan', 'current', 'offset'];
  const cells = Object.fromEntries(measures.map((_, i) => [`c${i}`, [10, 20, 15, 40].map(value => value + i)]));
  const read = frameOf(tableOf({ year: [1974, 1975, 1976, 1977], ...cells }), {
    table: 't',
    category: 'year',
    step: null,
    outer: [],
    seriesStep: null,
    empty: 'missing',
    series: null,
    panel: null,
    measures: measures.map((name, i) => plainMeasure(name, `sum(c${i})`)),
    helpers: [],
    filters: [],
    order: { by: 'table' },
    whatIfs: [],
  });
  const yearly = read.ok ? read.value : frame;
  for (const [i, measure] of measures.entries())
    it(`an index of ${measure} where 1975 is 100`, async () => {
      const cue = { ...cueKinds.rescale.create('c', cueFactsOf({ category: 'year', measures: [measure] })), base: '1975' };
      const [applied] = applyCues([cue], yearly);
      const helpers = applied?.helpers ?? [];
      const statement = statementOf('frame', scopeOf(yearly.table), helpers);
      const name = helpers.at(-1)?.name ?? '';
      const expected = [10, 20, 15, 40].map(value => ((value + i) * 100) / (20 + i));
      expect(
        differenceOf(
          name,
          Array.from({ length: 4 }, (_, row) => cellAt(helpers.at(-1)?.column as Column, row)),
          expected,
        ),
      ).toBe('equal');
      const second = await SecondEngine.over('frame', yearly.table);
      expect(differenceOf(name, expected, second.values(statement, name))).toBe('equal');
      const first = await SqlEngine.over(yearly.table);
      expect(differenceOf(name, expected, await first.column(statement.replace('from frame', 'from t'), name))).toBe('equal');
    });
});

describe('what a cue copies as SQL gives the ledger’s values in three real engines', () => {
  let run: (sql: string) => Promise<Record<string, unknown>[]>;
  let second: SecondEngine;
  let third: ServerFamilyEngine;
  beforeAll(async () => {
    third = await ServerFamilyEngine.over('frame', frame.table);
    second = await SecondEngine.over('frame', frame.table);
    const connection = await (await DuckDBInstance.create(':memory:')).connect();
    const types = { number: 'double', text: 'varchar', boolean: 'boolean', date: 'date', timestamp: 'timestamp' } as const;
    const { columns, rowCount } = frame.table;
    await connection.run(
      `create table frame (place integer, ${columns.map(({ name, type }) => `${nameText(name)} ${types[type]}`).join(', ')})`,
    );
    const rows = Array.from(
      { length: rowCount },
      (_, row) => `(${row}, ${columns.map(column => literalText(column.type, cellAt(column, row))).join(', ')})`,
    );
    await connection.run(`insert into frame values ${rows.join(', ')}`);
    run = async sql => (await connection.runAndReadAll(sql)).getRowObjects();
    // Three engines start here.
  }, 60_000);

  for (const [kind, changes] of Object.entries(variants) as [CueKindName, readonly object[]][])
    changes.forEach((change, at) =>
      it(`${kind} ${at + 1}`, async () => {
        const cue = { ...cueKinds[kind].create('c', words), ...change };
        const [applied] = applyCues([cue], frame);
        const helpers = applied?.helpers ?? [];
        expect(helpers.length).toBeGreaterThan(0);
        for (const [i, { name, column }] of helpers.entries()) {
          const statement = statementOf('frame', scopeOf(frame.table), helpers.slice(0, i + 1));
          const rows = await run(`select * from (${statement}) order by place`);
          const ours = rows.map((_, row) => cellAt(column, row));
          expect(
            differenceOf(
              name,
              ours,
              rows.map(row => plain(row[name])),
            ),
          ).toBe('equal');
          expect(differenceOf(name, ours, await third.values(statement, name))).toBe('equal');
          if (!needsDates(change)) expect(differenceOf(name, ours, second.values(statement, name))).toBe('equal');
          // Missing against missing tells nothing: where a column holds nothing at all, that must be meant.
          if (ours.every(value => value === null)) nothing.push(`${kind} ${at + 1} ${name}`);
        }
      }, 30_000),
    );
  afterAll(async () => {
    expect(nothing).toEqual([]);
    await third.close();
  });
});

function differenceOf(name: string, ours: readonly Cell[], theirs: readonly Cell[]): string {
  const wrong = ours.findIndex((value, row) => !agree(value, theirs[row] ?? null));
  return wrong === -1 ? 'equal' : `${name} row ${wrong}: ours ${String(ours[wrong])}, theirs ${String(theirs[wrong])}`;
}

/** Decimals and whole numbers of the engine as plain numbers. */
const plain = (value: unknown): Cell =>
  typeof value === 'bigint' || value instanceof DuckDBDecimalValue
    ? Number(value.toString())
    : value instanceof DuckDBDateValue
      ? value.toString()
      : ((value ?? null) as Cell);
