import { DuckDBInstance, type DuckDBConnection } from '@duckdb/node-api';
import type { Making } from 'core/document';
import { nameText } from 'core/formula';
import { madeOf, sqlOfMaking, type SqlTable } from 'core/making';
import { messageFor } from 'core/result/words';
import { cellAt, columnOf, isoDate, tableOf, type Cell, type Table } from 'core/table';
import { valuesFrom, makeTable, named } from 'core/table';
import { seededRandom } from 'demo/random';

const TYPES = { number: 'double', text: 'varchar', boolean: 'boolean', date: 'date', timestamp: 'timestamp' } as const;

/** An embedded SQL engine with tables loaded through its own appender. */
async function engineWith(tables: Readonly<Record<string, Table>>): Promise<DuckDBConnection> {
  const connection = await (await DuckDBInstance.create(':memory:')).connect();
  await connection.run('set threads = 1');
  for (const [name, table] of Object.entries(tables)) {
    await connection.run(
      `create table ${nameText(name)} (${table.columns.map(column => `${nameText(column.name)} ${TYPES[column.type]}`).join(', ')})`,
    );
    if (table.rowCount === 0) continue;
    // Dates go in as texts that the engine reads itself.
    await connection.run(
      `create temp table loading (${table.columns.map((column, i) => `c${i} ${column.type === 'number' ? 'double' : 'varchar'}`).join(', ')})`,
    );
    const appender = await connection.createAppender('loading');
    for (let row = 0; row < table.rowCount; row++) {
      for (const column of table.columns) {
        const cell = cellAt(column, row);
        if (cell === null) appender.appendNull();
        else if (typeof cell === 'number') appender.appendDouble(cell);
        else appender.appendVarchar(String(cell));
      }
      appender.endRow();
    }
    appender.closeSync();
    await connection.run(
      `insert into ${nameText(name)} select ${table.columns.map((column, i) => `cast(c${i} as ${TYPES[column.type]})`).join(', ')} from loading`,
    );
    await connection.run('drop table loading');
  }
  return connection;
}

const lineOf = (cells: readonly unknown[]): string =>
  cells.map(cell => (cell === null || cell === undefined ? '∅' : String(cell as Cell))).join('|');

const linesOf = (table: Table): string[] =>
  Array.from({ length: table.rowCount }, (_, row) => lineOf(table.columns.map(column => cellAt(column, row)))).sort();

/** What the engine makes of the statement, columns by name, as text. */
async function linesFrom(connection: DuckDBConnection, sql: string, table: Table): Promise<string[]> {
  const shown = table.columns.map(({ name, type }) =>
    type === 'number' ? `cast(${nameText(name)} as double)` : `cast(${nameText(name)} as varchar)`,
  );
  const reader = await connection.runAndReadAll(`select ${shown.join(', ')} from (${sql}) as made`);
  return reader.getRows().map(lineOf).sort();
}

const sqlTable = (name: string, table: Table): SqlTable => ({
  name,
  columns: table.columns,
  valuesOf: column => {
    const found = columnOf(table, column)!;
    return [...new Set(Array.from({ length: table.rowCount }, (_, row) => cellAt(found, row)))];
  },
});

async function compare(making: Making, tables: Readonly<Record<string, Table>>, connection?: DuckDBConnection): Promise<number> {
  const made = madeOf(making, id => tables[id] && { name: id, table: tables[id] });
  if (!made.ok) throw new Error(made.problems.map(messageFor).join(' '));
  const sql = sqlOfMaking(making, id => sqlTable(id, tables[id]!));
  const engine = connection ?? (await engineWith(tables));
  expect(linesOf(made.value.table)).toEqual(await linesFrom(engine, sql, made.value.table));
  return made.value.table.rowCount;
}

type KeyType = 'text' | 'number' | 'date';

/** A list with keys of a type, some missing, some more than once unless told apart, and two columns. */
function generated(
  seed: number,
  { rows, type, isTwice, missing }: { rows: number; type: KeyType; isTwice: boolean; missing: number },
): Table {
  const random = seededRandom(seed);
  const below = (n: number): number => Math.floor(random() * n);
  const space = Math.max(1, Math.ceil(rows * 1.5));
  const picked = isTwice ? Array.from({ length: rows }, () => below(space)) : shuffled(space, below).slice(0, rows);
  const keyOf = (n: number): Cell => (type === 'text' ? `k${n}` : type === 'number' ? n / 4 - 10 : isoDate(20_000 + n));
  const keys = picked.map(n => (random() < missing ? null : keyOf(n)));
  return makeTable('t', [
    named('key', valuesFrom(type, keys)),
    named(
      'part',
      valuesFrom(
        'text',
        picked.map(() => (random() < missing / 2 ? null : `p${below(2)}`)),
      ),
    ),
    named(
      'x',
      valuesFrom(
        'number',
        picked.map(() => (random() < 0.1 ? null : below(4_000) / 4)),
      ),
    ),
    named(
      'word',
      valuesFrom(
        'text',
        picked.map(() => (random() < 0.1 ? null : `w${below(50)}`)),
      ),
    ),
  ]);
}

function shuffled(n: number, below: (n: number) => number): number[] {
  const list = Array.from({ length: n }, (_, i) => i);
  for (let i = n - 1; i > 0; i--) {
    const j = below(i + 1);
    [list[i], list[j]] = [list[j]!, list[i]!];
  }
  return list;
}

const SIZES = [0, 1, 7, 300, 100_000];
const KEY_TYPES: readonly KeyType[] = ['text', 'number', 'date'];

describe('tables made of others, as the SQL engine makes them', () => {
  beforeAll(() => (jasmine.DEFAULT_TIMEOUT_INTERVAL = 120_000));
  for (const type of KEY_TYPES)
    for (const [at, rows] of SIZES.entries())
      it(`lists of ${rows} rows aligned and looked up by ${type}`, async () => {
        const tables = {
          a: generated(at + 1, { rows, type, isTwice: false, missing: 0.05 }),
          b: generated(at + 20, { rows: Math.ceil(rows * 0.7), type, isTwice: false, missing: 0.05 }),
          c: generated(at + 40, { rows: rows === 0 ? 3 : rows, type, isTwice: true, missing: 0.05 }),
        };
        const engine = await engineWith(tables);
        const lists = (...ids: string[]) => ids.map(table => ({ table, keys: ['key'] }));
        for (const how of ['any', 'every', 'first'] as const) {
          await compare({ kind: 'align', lists: lists('a', 'b'), how, nearest: null, same: 'refuse' }, tables, engine);
          await compare({ kind: 'align', lists: lists('b', 'a'), how, nearest: null, same: 'refuse' }, tables, engine);
        }
        await compare(
          { kind: 'look-up', table: 'c', keys: ['key'], other: 'a', otherKeys: ['key'], columns: ['x', 'word'] },
          tables,
          engine,
        );
        await compare(
          { kind: 'look-up', table: 'c', keys: ['key', 'part'], other: 'b', otherKeys: ['key', 'part'], columns: ['x'] },
          tables,
          engine,
        );
        if (rows > 1_000) return;
        // Summed: words of the first row of a key are not what SQL can say, so that numbers alone are compared.
        const sums = Object.fromEntries(
          Object.entries(tables).map(([id, table]) => [
            id,
            makeTable(
              't',
              table.columns.filter(({ name }) => name !== 'word' && name !== 'part'),
            ),
          ]),
        );
        for (const how of ['any', 'every', 'first'] as const)
          await compare({ kind: 'align', lists: lists('c', 'a', 'b'), how, nearest: null, same: 'sum' }, sums);
        const two = {
          kind: 'align',
          how: 'any',
          nearest: null,
          same: 'sum',
          lists: ['c', 'a'].map(table => ({ table, keys: ['key', 'part'] })),
        } as const;
        await compare(
          { ...two, lists: [...two.lists] },
          Object.fromEntries(
            Object.entries(tables).map(([id, table]) => [
              id,
              makeTable(
                't',
                table.columns.filter(({ name }) => name !== 'word'),
              ),
            ]),
          ),
        );
        if (type === 'date') await compare({ kind: 'align', lists: lists('a', 'c'), how: 'any', nearest: 2, same: 'sum' }, sums);
        await compare({ kind: 'stack', tables: ['a', 'b', 'c'], from: 'list' }, tables, engine);
        await compare({ kind: 'long', table: 'a', columns: ['word', 'part'], name: 'what', value: 'said' }, tables, engine);
      });
  it('columns of other names and types stacked, rows turned into columns and back', async () => {
    const a = tableOf({ hut: ['Alm', 'Berg', null], june: [1, null, 3], july: [4, 5, 6] });
    const b = tableOf({ hut: ['Cloud', 'x|y'], july: [7, null], ok: [true, null] });
    await compare({ kind: 'stack', tables: ['a', 'b'], from: null }, { a, b });
    const long: Making = { kind: 'long', table: 'a', columns: ['june', 'july'], name: 'month', value: 'milk' };
    await compare(long, { a });
    const turned = madeOf(long, () => ({ name: 'a', table: a }));
    if (!turned.ok) throw new Error('not turned');
    const wide: Making = { kind: 'wide', table: 'long', name: 'month', value: 'milk' };
    await compare(wide, { long: turned.value.table });
    const back = madeOf(wide, () => ({ name: 'long', table: turned.value.table }));
    expect(back.ok && linesOf(back.value.table)).toEqual(linesOf(a));
    expect(back.ok && back.value.table.columns.map(({ name }) => name)).toEqual(['hut', 'june', 'july']);
  });
});
