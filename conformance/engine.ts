import { DuckDBInstance, type DuckDBConnection } from '@duckdb/node-api';
import { compileFormula, Evaluator, groupRows, literalText, nameText, scopeOf, sqlOf, type FormulaPlace, type Typed } from 'core/formula';
import { messageFor } from 'core/result/words';
import { cellAt, columnOf, type Cell, type Column, type Table } from 'core/table';

const TYPES = { number: 'double', text: 'varchar', boolean: 'boolean', date: 'date', timestamp: 'timestamp' } as const;

/** A real embedded SQL engine with the same rows as a table; `id` tells their order. */
export class SqlEngine {
  private constructor(
    private readonly connection: DuckDBConnection,
    private readonly table: Table,
  ) {}

  static async over(table: Table): Promise<SqlEngine> {
    const connection = await (await DuckDBInstance.create(':memory:')).connect();
    await connection.run('set threads = 1');
    const columns = table.columns.map(column => `${nameText(column.name)} ${TYPES[column.type]}`);
    await connection.run(`create table t (${columns.join(', ')})`);
    const rows = Array.from(
      { length: table.rowCount },
      (_, row) => `(${table.columns.map(column => literalText(column.type, cellAt(column, row))).join(', ')})`,
    );
    if (rows.length) await connection.run(`insert into t values ${rows.join(', ')}`);
    return new SqlEngine(connection, table);
  }

  /** The values of Cowbell's own SQL text: per row in order of `id`, or per group of `by` in order of first appearance. */
  async values(formula: Typed, by?: string): Promise<Cell[]> {
    const shown = shownAs(formula, sqlOf(formula));
    const sql = by
      ? `select ${shown} from t group by ${nameText(by)} order by min(id)`
      : `select v from (select id, ${shown} as v from t) order by id`;
    const reader = await this.connection.runAndReadAll(sql);
    return reader.getRows().map(([value]) => plain(value));
  }

  /** One column of what a statement over `t` gives, in the table's order. */
  async column(statement: string, name: string): Promise<Cell[]> {
    const reader = await this.connection.runAndReadAll(`select ${nameText(name)} from (${statement})`);
    return reader.getRows().map(([value]) => plain(value));
  }

  get rowCount(): number {
    return this.table.rowCount;
  }
}

/** Dates as ISO text, numbers as doubles, so that both sides compare as plain values. */
function shownAs({ type }: Typed, sql: string): string {
  if (type === 'number') return `cast(${sql} as double)`;
  if (type === 'date') return `strftime(${sql}, '%Y-%m-%d')`;
  return type === 'timestamp' ? `strftime(${sql}, '%Y-%m-%d %H:%M:%S')` : sql;
}

const plain = (value: unknown): Cell =>
  value === null || typeof value === 'number' || typeof value === 'string' || typeof value === 'boolean'
    ? value
    : (value as bigint).toString();

export function compiled(text: string, table: Table, place: FormulaPlace): Typed {
  const read = compileFormula(text, scopeOf(table), place);
  if (!read.ok) throw new Error(`${text}: ${read.problems.map(messageFor).join()}`);
  return read.value;
}

/** Cowbell's own values, with the count of rows that have none though their parts do. */
export function ourValues(formula: Typed, table: Table, by?: string): Cell[] {
  const groups = by ? groupRows([columnOf(table, by) as Column], table.rowCount) : null;
  const values = new Evaluator(table, groups).values(formula);
  return Array.from({ length: values.data.length }, (_, row) => cellAt(values, row));
}

/** Equal, or equal up to the last bits of floating-point work. */
export function agree(a: Cell, b: Cell): boolean {
  if (typeof a !== 'number' || typeof b !== 'number') return a === b;
  return Math.abs(a - b) <= 1e-9 * Math.max(1e-3, Math.abs(a), Math.abs(b));
}
