import { DuckDBInstance, type DuckDBConnection } from '@duckdb/node-api';
import { compileFormula, Evaluator, groupRows, scopeOf, scopeWith, sqlOf, type Typed } from 'core/formula';
import { columnOf, makeTable, named, type Column, type NumericValues, type Table, type TextValues } from 'core/table';
import { seededRandom } from 'demo/random';

export const ROWS = 1_000_000;

/** 1,000,000 rows: text keys of 20 and of 1,000 values, a date, three number columns with 2 % missing. */
export function millionRows(rows = ROWS): Table {
  const random = seededRandom(1_000_003);
  const text = (name: string, size: number): Column => {
    const dictionary = Array.from({ length: size }, (_, i) => `${name} ${i}`);
    return named(name, { type: 'text', dictionary, data: Int32Array.from({ length: rows }, () => Math.floor(random() * size)) });
  };
  const number = (name: string, make: () => number): Column =>
    named(name, { type: 'number', data: Float64Array.from({ length: rows }, () => (random() < 0.02 ? NaN : make())) });
  return makeTable('t', [
    text('valley', 20),
    text('hut', 1_000),
    named('day', { type: 'date', data: Float64Array.from({ length: rows }, () => 22_000 + Math.floor(random() * 1_500)) }),
    number('milk', () => random() * 5_000),
    number('fat', () => random() * 200),
    number('cows', () => Math.floor(random() * 60)),
  ]);
}

export const textOf = (table: Table, name: string): TextValues & Column => columnOf(table, name) as TextValues & Column;
export const numberOf = (table: Table, name: string): Float64Array => (columnOf(table, name) as NumericValues).data;

/** Formulas one after the other over a table, each visible to the next, as a figure's helper columns are. */
export function columnsOf(table: Table, formulas: Readonly<Record<string, string>>): Column[] {
  const evaluator = new Evaluator(table);
  let scope = scopeOf(table);
  return Object.entries(formulas).map(([name, formula]) => {
    const values = evaluator.values(typedOf(formula, scope, 'column'));
    evaluator.define(name, values);
    scope = scopeWith(scope, name, values.type);
    return named(name, values);
  });
}

export function measuresOf(table: Table, by: readonly string[], formulas: readonly string[]): Column[] {
  const groups = groupRows(
    by.map(name => columnOf(table, name) as Column),
    table.rowCount,
  );
  const evaluator = new Evaluator(table, groups);
  return formulas.map(formula => named(formula, evaluator.values(typedOf(formula, scopeOf(table), 'measure'))));
}

function typedOf(formula: string, scope: ReturnType<typeof scopeOf>, place: 'column' | 'measure'): Typed {
  const read = compileFormula(formula, scope, place);
  if (!read.ok) throw new Error(`${formula}: ${JSON.stringify(read.problems)}`);
  return read.value;
}

export const sqlFor = (formula: string, table: Table): string => sqlOf(typedOf(formula, scopeOf(table), 'column'));

const SQL_TYPES: Readonly<Record<string, string>> = { text: 'varchar', date: 'date', number: 'double' };

/** The embedded SQL engine on one thread, with the table's texts, dates and numbers in its own format. */
export async function engineWith(table: Table): Promise<DuckDBConnection> {
  const connection = await (await DuckDBInstance.create(':memory:')).connect();
  await connection.run('set threads = 1');
  await connection.run(`create table t (${table.columns.map(({ name, type }) => `${name} ${SQL_TYPES[type] ?? 'double'}`).join(', ')})`);
  const appender = await connection.createAppender('t');
  for (let row = 0; row < table.rowCount; row++) {
    for (const column of table.columns) {
      const value = column.data[row] as number;
      if (column.type === 'text') appender.appendVarchar(column.dictionary[value] as string);
      else if (value !== value) appender.appendNull();
      else if (column.type === 'date') appender.appendDate({ days: value } as never);
      else appender.appendDouble(value);
    }
    appender.endRow();
  }
  appender.closeSync();
  return connection;
}

/** Runs a query and materialises its result as a table of the engine's own. */
export const intoTable = async (connection: DuckDBConnection, sql: string): Promise<void> => {
  await connection.run(`create or replace table r as ${sql}`);
};
