import { DuckDBInstance, type DuckDBConnection } from '@duckdb/node-api';
import type { Mend } from 'core/document';
import { findMends, mendTable } from 'core/mend';
import { cellAt, makeTable, named, valuesFrom, type Cell, type Table } from 'core/table';
import { seededRandom } from 'demo/random';

const NAMES = ['Alm', 'Berg ', ' Cloud', 'alm', 'Total', 'Dale  hut', null] as const;

/** Rows with loose spaces, totals, repeats, zeros and missing values; a few values far above. */
function messy(seed: number, rowCount: number): Table {
  const random = seededRandom(seed);
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)] as T;
  const huts = Array.from({ length: rowCount }, () => pick(NAMES));
  const milk = Array.from({ length: rowCount }, () => (random() < 0.1 ? null : random() < 0.01 ? 90_000 : Math.floor(random() * 6)));
  const cows = Array.from({ length: rowCount }, () => pick([0, 1, 2, null]));
  return makeTable('t', [
    named(
      'place',
      valuesFrom(
        'number',
        huts.map((_, i) => i),
      ),
    ),
    named('hut', valuesFrom('text', huts)),
    named('milk', valuesFrom('number', milk)),
    named('cows', valuesFrom('number', cows)),
  ]);
}

const rowsOf = ({ columns, rowCount }: Table): string[] =>
  Array.from({ length: rowCount }, (_, row) => columns.map(column => String(cellAt(column, row) ?? '∅')).join('|'));

async function loaded(connection: DuckDBConnection, table: Table): Promise<void> {
  await connection.run('create or replace table t (place double, hut varchar, milk double, cows double)');
  const appender = await connection.createAppender('t');
  for (let row = 0; row < table.rowCount; row++) {
    for (const column of table.columns) {
      const cell: Cell = cellAt(column, row);
      if (cell === null) appender.appendNull();
      else if (typeof cell === 'number') appender.appendDouble(cell);
      else appender.appendVarchar(String(cell));
    }
    appender.endRow();
  }
  appender.closeSync();
}

const TIDY = `nullif(trim(regexp_replace(hut, ' +', ' ', 'g')), '')`;
const off = false;
/** Each mend, and what an SQL engine makes of the same rows. */
const cases: readonly [mend: Mend, sql: string][] = [
  [{ kind: 'spaces', columns: [], off }, `select place, ${TIDY} as hut, milk, cows from t`],
  [{ kind: 'totals', column: 'hut', texts: ['Total'], off }, `select * from t where hut is distinct from 'Total'`],
  [
    { kind: 'spellings', column: 'hut', from: ['alm'], to: 'Alm', off },
    `select place, case hut when 'alm' then 'Alm' else hut end as hut, milk, cows from t`,
  ],
  [
    { kind: 'stray-texts', column: 'hut', texts: ['Berg', 'Cloud'], off },
    `select place, case when ${TIDY} in ('Berg', 'Cloud') then null else hut end as hut, milk, cows from t`,
  ],
  [
    { kind: 'stray-values', column: 'milk', low: 1, high: 5, off },
    `select place, hut, case when milk < 1 or milk > 5 then null else milk end as milk, cows from t`,
  ],
  [
    { kind: 'zeros', column: 'milk', where: 'cows > 0', off },
    `select place, hut, case when milk = 0 and cows > 0 then null else milk end as milk, cows from t`,
  ],
  [{ kind: 'fill', column: 'milk', where: null, off }, `select place, hut, coalesce(milk, 0) as milk, cows from t`],
  [
    { kind: 'duplicates', columns: ['hut', 'milk', 'cows'], keep: 'first', off },
    `select * from t qualify row_number() over (partition by hut, milk, cows order by place) = 1`,
  ],
  [
    { kind: 'duplicates', columns: ['hut', 'cows'], keep: 'last', off },
    `select * from t qualify row_number() over (partition by hut, cows order by place desc) = 1`,
  ],
];

describe('mends against an SQL engine', () => {
  let connection: DuckDBConnection;
  beforeAll(async () => (connection = await (await DuckDBInstance.create(':memory:')).connect()));
  for (const rowCount of [0, 1, 7, 400, 20_000])
    it(`${rowCount} rows`, async () => {
      const table = messy(rowCount + 1, rowCount);
      await loaded(connection, table);
      for (const [mend, sql] of cases) {
        const reader = await connection.runAndReadAll(`select place, hut, milk, cows from (${sql}) order by place`);
        const expected = reader.getRows().map(row => row.map(cell => String(cell ?? '∅')).join('|'));
        const { table: mended, outcomes, origin } = mendTable(table, [mend]);
        expect(rowsOf(mended)).withContext(mend.kind).toEqual(expected);
        expect(outcomes[0]?.problems).toEqual([]);
        // Each row that is left is known by its place in the source.
        if (origin) expect(Array.from(origin)).toEqual(expected.map(row => Number(row.split('|')[0])));
      }
    });
});

describe('lone values against a plain loop', () => {
  /** Whether so many of the largest lie further from the rest than the rest spans: the words of the finding, done by sorting. */
  function loneAbove(values: readonly number[]): number {
    const sorted = [...values].sort((a, b) => a - b);
    for (let lone = 1; lone <= 3; lone++) {
      const rest = sorted.slice(0, sorted.length - lone);
      const [low, high] = [Math.min(...rest), Math.max(...rest)];
      if (rest.length >= 8 && high > low && (sorted[rest.length] as number) - high > high - low) return lone;
    }
    return 0;
  }
  it('300 generated columns', () => {
    const random = seededRandom(12);
    let found = 0;
    for (let i = 0; i < 300; i++) {
      const values = Array.from({ length: 5 + Math.floor(random() * 20) }, () => Math.floor(random() * 50));
      for (let far = 0; far < Math.floor(random() * 5); far++) values.push(Math.floor(60 + random() * 90));
      values.sort(() => random() - 0.5);
      const table = makeTable('t', [named('n', valuesFrom('number', values))]);
      const lone = loneAbove(values);
      const [stray] = findMends(table).flatMap(({ mend, count, rows }) =>
        mend.kind === 'stray-values' && mend.high !== null ? [{ count, rows }] : [],
      );
      expect(stray?.count ?? 0)
        .withContext(values.join(' '))
        .toBe(lone);
      const largest = [...values].sort((a, b) => b - a).slice(0, lone);
      expect((stray?.rows ?? []).map(row => values[row] as number).sort((a, b) => b - a)).toEqual(largest);
      if (lone) found++;
    }
    expect(found).toBeGreaterThan(30);
  });
});
