import { DuckDBDecimalValue, DuckDBInstance } from '@duckdb/node-api';
import { applyCues, cueKinds, readLevel, type CueKindName, type CueWords } from 'core/cue';
import { literalText, nameText, scopeOf, statementOf } from 'core/formula';
import { frameOf, plainMeasure, type Frame } from 'core/frame';
import { messageFor } from 'core/result';
import { cellAt, makeTable, withColumns, named, valuesFrom, type Cell } from 'core/table';
import { agree } from './engine';
import { troubledRows } from './rows';

const MEASURES = ['x', 'y', 'n'];
const words: CueWords = { category: 'hut', measures: MEASURES, scopes: ['g'], along: { column: 'e', descending: false } };
const along = { kind: 'along', column: 'e', descending: false, within: null };
const within = { kind: 'within', column: 'g' };
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
  const table = makeTable('t', [huts, ...rows.columns.filter(({ name }) => ['g', ...MEASURES].includes(name))]);
  const read = frameOf(table, {
    table: 't',
    category: 'hut',
    step: null,
    series: null,
    panel: null,
    measures: MEASURES.map(name => plainMeasure(name === 'x' ? 'x' : name, `sum(${name})`)),
    helpers: [],
    filters: [],
    order: { by: 'table' },
    whatIfs: [],
  });
  if (!read.ok) throw new Error(read.problems.map(messageFor).join());
  const days = rows.columns.filter(({ name }) => name === 'e');
  return { ...read.value, table: withColumns(read.value.table, days) };
}

const frame = troubledFrame();
const variants: Readonly<Record<CueKindName, readonly object[]>> = {
  extremes: [{}, { scope: within }, { scope: along }],
  rank: [{ n: 5 }, { n: 20, unit: 'percent', scope: within }, { n: 80, unit: 'share', measure: 'n' }, { end: 'bottom', n: 4 }],
  threshold: [
    {},
    { scope: within, lines: true },
    {
      edge: 'upper',
      steps: [
        { name: 'low', upTo: level('average - 1 sd') },
        { name: 'mid', upTo: level('80 % of y') },
        { name: 'top', upTo: null },
      ],
    },
  ],
  typical: [{}, { level: level('median'), scope: within }, { level: level('p90') }, { level: level('total') }, { scope: along }],
  plan: [{ plan: 'y' }, { plan: 'y', way: 'line' }],
  change: [
    {},
    { scope: { ...along, within: 'g' }, from: 'first', first: 'zero' },
    { from: 'year' },
    { first: 'value', value: level('3'), as: 'difference', scope: { ...along, descending: true } },
  ],
  compare: [{}, { other: level('average'), scope: within }],
  outlier: [{}, { method: 'deviation', k: 1, scope: within }, { method: 'mad', k: 2 }],
  gradient: [{}, { way: 'diverging', midpoint: level('2'), classes: 5, scope: within }],
  running: [{}, { of: 'total', n: 0, scope: { ...along, within: 'g' } }, { of: 'median', n: 5, centred: true }],
  reference: [{}, { level: level('12.5') }, { level: level('= max(y) - min(x)'), scope: within }],
  band: [
    { by: 'edges', lower: level('n'), upper: level('10') },
    { by: 'width', centre: level('y'), width: level('2') },
    { by: 'deviation', moving: 4, scope: along },
    { by: 'error', scope: within },
    { by: 'confidence', percent: 90 },
    { by: 'percentiles', percent: 80, scope: within },
  ],
  span: [{ high: 'y' }],
  rescale: [
    {},
    { base: 'hut 3' },
    { to: 'share' },
    { to: 'unit', scope: { ...along, within: 'g' } },
    { to: 'z' },
    { to: 'range', other: 'y' },
  ],
  rule: [
    {},
    { scope: { ...along, within: 'g' }, branches: [{ name: 'a', when: 'x > avg(x)' }] },
    {
      branches: [
        { name: 'a', when: 'x > avg(y) over (partition by g)' },
        { name: 'b', when: 'n is null or y < 0' },
      ],
    },
  ],
};

describe('what a cue copies as SQL gives the ledger’s values in a real engine', () => {
  let run: (sql: string) => Promise<Record<string, unknown>[]>;
  beforeAll(async () => {
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
  });

  for (const [kind, changes] of Object.entries(variants) as [CueKindName, readonly object[]][])
    changes.forEach((change, at) =>
      it(`${kind} ${at + 1}`, async () => {
        const cue = { ...cueKinds[kind].create('c', words), ...change };
        const [applied] = applyCues([cue], frame);
        expect(applied?.problems.filter(({ code }) => code !== 'cue-negative').map(messageFor)).toEqual([]);
        const helpers = applied?.helpers ?? [];
        expect(helpers.length).toBeGreaterThan(0);
        for (const [i, { name, column }] of helpers.entries()) {
          const statement = statementOf('frame', scopeOf(frame.table), helpers.slice(0, i + 1));
          const rows = await run(`select * from (${statement}) order by place`);
          const theirs = rows.map(row => plain(row[name]));
          const ours = rows.map((_, row) => cellAt(column, row));
          const wrong = ours.findIndex((value, row) => !agree(value, theirs[row] ?? null));
          expect(
            wrong === -1 ? 'equal' : `${name} row ${wrong}: ours ${String(ours[wrong])}, theirs ${String(theirs[wrong])}; ${statement}`,
          ).toBe('equal');
        }
      }),
    );
});

/** Decimals and whole numbers of the engine as plain numbers. */
const plain = (value: unknown): Cell =>
  typeof value === 'bigint' || value instanceof DuckDBDecimalValue ? Number(value.toString()) : ((value ?? null) as Cell);
