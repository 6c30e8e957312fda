import { DuckDBInstance, type DuckDBConnection } from '@duckdb/node-api';
import { PGlite, types } from '@electric-sql/pglite';
import { literalText, nameText } from 'core/formula';
import { LIGHT_LIVERY, ledgerTable } from 'core/plan';
import { messageFor } from 'core/result/words';
import { cellAt, tableOf, type Cell, type Column, type Table } from 'core/table';
import { firstFigure } from 'core/brief';
import { plainTable, PROJECT_VERSION, type Making, type Project, type TableDoc } from 'core/document';
import { plainMeasure } from 'core/frame';
import { Session } from 'engine';
import { readProjectFile } from 'core/io';
import { readFileSync } from 'node:fs';
import { figureStatement, handedOf, type DialectName, type Handed } from 'handover';
import { agree } from './engine';
import { isLong, seedsOf, shareOf } from './generated';
import { grownProject } from './grown-projects';

const SEEDS = seedsOf(320);
const SERVER_EVERY = 4;
const TYPES = { number: 'double precision', text: 'varchar', boolean: 'boolean', date: 'date', timestamp: 'timestamp' } as const;

/** Whoever runs statements over a table that it holds. */
interface Engine {
  load(table: Table): Promise<void>;
  rows(statement: string, names: readonly string[], columns: readonly Column[]): Promise<Cell[][]>;
}

function creating({ name, columns, rowCount }: Table): string[] {
  const shape = columns.map(column => `${nameText(column.name)} ${TYPES[column.type]}`);
  const rows = Array.from(
    { length: rowCount },
    (_, row) => `(${columns.map(column => literalText(column.type, cellAt(column, row))).join(', ')})`,
  );
  return [
    `drop table if exists ${nameText(name)}`,
    `create table ${nameText(name)} (${shape.join(', ')})`,
    ...(rows.length ? [`insert into ${nameText(name)} values ${rows.join(', ')}`] : []),
  ];
}

/** Each column as plain values: numbers as doubles, dates as ISO text. */
const plainly = (columns: readonly Column[], names: readonly string[]): string =>
  columns
    .map((column, i) => {
      const name = nameText(names[i] as string);
      return column.type === 'number' ? `cast(${name} as double precision)` : column.type === 'boolean' ? name : `cast(${name} as varchar)`;
    })
    .join(', ');

class Embedded implements Engine {
  private constructor(private readonly connection: DuckDBConnection) {}
  static async start(): Promise<Embedded> {
    const connection = await (await DuckDBInstance.create(':memory:')).connect();
    await connection.run('set threads = 1');
    return new Embedded(connection);
  }
  async load(table: Table): Promise<void> {
    for (const sql of creating(table)) await this.connection.run(sql);
  }
  async rows(statement: string, names: readonly string[], columns: readonly Column[]): Promise<Cell[][]> {
    const reader = await this.connection.runAndReadAll(
      `select ${plainly(columns, names)} from (${statement.replace(/;\s*$/, '')}) as given`,
    );
    return reader.getRows().map(row => row.map(value => (value ?? null) as Cell));
  }
}

class Server implements Engine {
  private constructor(private readonly database: PGlite) {}
  static async start(): Promise<Server> {
    return new Server(await PGlite.create({ parsers: { [types.DATE]: (text: string) => text } }));
  }
  async load(table: Table): Promise<void> {
    for (const sql of creating(table)) await this.database.exec(sql);
  }
  async rows(statement: string, names: readonly string[], columns: readonly Column[]): Promise<Cell[][]> {
    // What has to be there first stands before the statement.
    const at = statement.search(/^with/m);
    if (statement.slice(0, at).includes('create')) await this.database.exec(statement.slice(0, at));
    const sql = `select ${plainly(columns, names)} from (${statement.slice(at).replace(/;\s*$/, '')}) as given`;
    const { rows } = await this.database.query<Cell[]>(sql, [], { rowMode: 'array' });
    return rows;
  }
}

/** What differs between the ledger and the rows of an engine, in no order; empty for nothing. `only`: a helper column's own statement. */
async function difference(engine: Engine, handed: Handed, dialect: DialectName, only?: string): Promise<string> {
  const { data } = handed.figure;
  const keyNames = [data.category, data.series, data.panel, ...data.outer.map(({ column }) => column)];
  const { columns: all, rowCount } = ledgerTable(handed.picture);
  const columns = all.filter(({ name }) => only === undefined || name === only || keyNames.includes(name));
  const statement = figureStatement(handed, dialect, only);
  if (!statement.ok) return statement.problems.map(messageFor).join(' ');
  let theirs: Cell[][];
  try {
    theirs = await engine.rows(
      statement.value,
      columns.map(({ name }) => name),
      columns,
    );
  } catch (error) {
    return `${String(error).slice(0, 300)}\n${statement.value}`;
  }
  if (theirs.length !== rowCount) return `${theirs.length} rows, not ${rowCount}\n${statement.value}`;
  const keys = columns.flatMap(({ name }, i) => (keyNames.includes(name) ? [i] : []));
  const keyOf = (row: readonly Cell[]): string => JSON.stringify(keys.map(i => row[i] ?? null));
  const byKey = new Map(theirs.map(row => [keyOf(row), row]));
  for (let row = 0; row < rowCount; row++) {
    const ours = columns.map(column => cellAt(column, row));
    const their = byKey.get(keyOf(ours));
    if (!their) return `no row ${keyOf(ours)}\n${statement.value}`;
    const wrong = ours.findIndex((value, i) => !agree(value, their[i] ?? null));
    if (wrong !== -1)
      return `${columns[wrong]?.name} of ${keyOf(ours)}: ours ${String(ours[wrong])}, theirs ${String(their[wrong])}\n${statement.value}`;
  }
  return '';
}

function grown(seed: number): { handed: Handed | null; table: Table } {
  const { project, table, figure } = grownProject(seed);
  const handed = handedOf(new Session(project, new Map([['t', table]])), figure, LIGHT_LIVERY);
  return { handed: handed.ok ? handed.value : null, table };
}

describe('a whole figure as one statement', () => {
  it(`gives the ledger's rows in an embedded engine, for ${SEEDS.length} generated figures`, async () => {
    const engine = await Embedded.start();
    const seen = { figures: 0, helpers: 0, values: 0, kinds: new Set<string>() };
    for (const seed of SEEDS) {
      const { handed, table } = grown(seed);
      if (!handed) continue;
      await engine.load(table);
      expect(await difference(engine, handed, 'duckdb'))
        .withContext(`figure ${seed}`)
        .toBe('');
      seen.figures++;
      for (const { cue, helpers } of handed.picture.applied) {
        if (helpers.length) seen.kinds.add(cue.kind);
        seen.helpers += helpers.length;
        seen.values += helpers.reduce(
          (sum, { column }) => sum + Array.from(column.data.keys()).filter(row => cellAt(column, row) !== null).length,
          0,
        );
      }
    }
    // Nothing is told by figures that compute nothing.
    expect(seen.figures).toBeGreaterThan(shareOf(320) * 0.9);
    if (isLong) expect(seen.kinds.size).toBe(15);
    expect(seen.values).toBeGreaterThan(shareOf(5_000) / 3);
  }, 300_000);

  it('gives them for every figure of the demo project, tables that are made of others included', async () => {
    const read = readProjectFile(readFileSync(new URL('../demo/data/highmeadow.json', import.meta.url), 'utf8'));
    if (!read.ok) return fail(read.problems.map(messageFor).join());
    const { project, tables } = read.value;
    const session = new Session(project, new Map(Object.entries(tables)));
    const engine = await Embedded.start();
    for (const { id, name, made } of project.tables) {
      const table = session.editedTable(id);
      if (!made && table) await engine.load({ ...table, name });
    }
    let alone = 0;
    for (const figure of project.figures) {
      const handed = handedOf(session, figure, LIGHT_LIVERY);
      if (!handed.ok) return fail(`${figure.name}: ${handed.problems.map(messageFor).join()}`);
      expect(await difference(engine, handed.value, 'duckdb'))
        .withContext(figure.name)
        .toBe('');
      const { applied, drawn, frame } = handed.value.picture;
      const names = [
        ...frame.helpers,
        ...drawn.map(({ name }) => name),
        ...applied.flatMap(({ helpers }) => helpers.map(({ name }) => name)),
      ];
      for (const name of names) {
        expect(await difference(engine, handed.value, 'duckdb', name))
          .withContext(`${figure.name}, ${name} alone`)
          .toBe('');
        alone++;
      }
    }
    expect(project.figures.length).toBeGreaterThan(20);
    expect(alone).toBeGreaterThan(80);
  }, 60_000);

  it('gives them over tables turned long and wide', async () => {
    const table = tableOf({ hut: ['Alm', 'Berg', null], june: [1, null, 3], july: [4, 5, 6] }, 'months');
    const makings: readonly Making[] = [
      { kind: 'long', table: 't', columns: ['june', 'july'], name: 'month', value: 'litres' },
      { kind: 'wide', table: 'long', name: 'month', value: 'litres' },
    ];
    const [long, wide] = makings.map((made, i) => ({ ...plainTable(i === 0 ? 'long' : 'wide', i === 0 ? 'long' : 'wide'), made }));
    const engine = await Embedded.start();
    await engine.load(table);
    for (const [id, measure, value] of [
      ['long', 'litres', 'litres'],
      ['wide', 'july', 'july'],
    ] as const) {
      const facts = {
        id,
        name: id,
        rowCount: 3,
        units: {},
        columns: [
          { name: 'hut', type: 'text' as const },
          { name: value, type: 'number' as const },
        ],
      };
      const base = firstFigure('f', facts, 'hut');
      const figure = { ...base, data: { ...base.data, measures: [plainMeasure(measure, `sum(${value})`)], filters: [] } };
      const project: Project = {
        version: PROJECT_VERSION,
        id: 'p',
        name: 'turned',
        tables: [plainTable('t', 'months'), long as TableDoc, wide as TableDoc],
        figures: [figure],
        formats: [],
        pictures: [],
        liveries: [],
        looks: [],
      };
      const handed = handedOf(new Session(project, new Map([['t', table]])), figure, LIGHT_LIVERY);
      if (!handed.ok) return fail(handed.problems.map(messageFor).join());
      expect(handed.value.picture.frame.table.rowCount).toBe(3);
      for (const dialect of ['duckdb', 'standard'] as const)
        expect(await difference(engine, handed.value, dialect))
          .withContext(`${id} ${dialect}`)
          .toBe('');
    }
  }, 60_000);

  it(`gives them in a server's engine too, for every ${SERVER_EVERY}th`, async () => {
    const engine = await Server.start();
    for (const seed of SEEDS.filter((_, at) => at % SERVER_EVERY === 0)) {
      const { handed, table } = grown(seed);
      if (!handed) continue;
      await engine.load(table);
      expect(await difference(engine, handed, 'postgresql'))
        .withContext(`figure ${seed}`)
        .toBe('');
    }
  }, 300_000);
});
