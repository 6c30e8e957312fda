import { compileFormula, Evaluator, groupRows, scopeOf, sortRows, type FormulaPlace, type Typed } from 'core/formula';
import { columnOf, makeTable, named, takeColumn, takeRows, type BooleanValues, type Column, type Table } from 'core/table';
import { BadInput, valueOf } from './table-file';
import { WrongUse } from './command';

/** A column or measure to compute: `name = expression`. */
export interface Definition {
  readonly name: string;
  readonly formula: string;
}

/** Columns to compute over a table, and what is kept of it. */
export interface DeriveRequest {
  readonly columns: readonly Definition[];
  readonly filter: string | undefined;
  readonly groupBy: readonly string[];
  readonly measures: readonly Definition[];
  readonly orderBy: string | undefined;
}

/** Splits `name = expression` at its first equals sign; a name in double quotes may hold one. */
export function readDefinition(text: string): Definition {
  const parts = /^\s*(?:"((?:[^"]|"")+)"|([^"=]+?))\s*=(?!=)\s*([\s\S]+)$/.exec(text);
  const name = parts?.[1]?.replaceAll('""', '"') ?? parts?.[2];
  if (!name || !parts?.[3]?.trim()) throw new WrongUse(`“${text}” is no column: write "name = expression".`);
  return { name, formula: parts[3] };
}

/** The table with its new columns, then filtered, summed up, ordered. */
export function derive(source: Table, request: DeriveRequest, warn: (line: string) => void): Table {
  const widened = request.columns.reduce((table, column) => withColumn(table, column, warn), source);
  const kept = request.filter === undefined ? widened : filtered(widened, request.filter);
  const summed = request.groupBy.length || request.measures.length ? grouped(kept, request, warn) : kept;
  return request.orderBy === undefined ? summed : ordered(summed, request.orderBy);
}

function compiled(table: Table, formula: string, place: FormulaPlace, about: string): Typed {
  return valueOf(compileFormula(formula, scopeOf(table), place), `${about}: `);
}

function freeName(table: Table, name: string): void {
  if (columnOf(table, name)) throw new BadInput([`A column is called ${name} already. Give the new one another name.`]);
}

function withColumn(table: Table, { name, formula }: Definition, warn: (line: string) => void): Table {
  freeName(table, name);
  const typed = compiled(table, formula, 'column', name);
  const evaluator = new Evaluator(table);
  const column = named(name, evaluator.values(typed));
  warnWithoutValue(name, evaluator.withoutValue(typed), warn);
  return makeTable(table.name, [...table.columns, column]);
}

function warnWithoutValue(name: string, count: number, warn: (line: string) => void): void {
  if (count) warn(`${name}: ${count} ${count === 1 ? 'row has' : 'rows have'} no value, by a division by zero or the like; left missing.`);
}

function filtered(table: Table, formula: string): Table {
  const { data } = new Evaluator(table).values(compiled(table, formula, 'filter', 'filter')) as BooleanValues;
  return takeRows(
    table,
    Array.from(data.keys()).filter(row => data[row] === 1),
  );
}

function grouped(table: Table, { groupBy, measures }: DeriveRequest, warn: (line: string) => void): Table {
  const keys = groupBy.map(name => keyColumn(table, name));
  const groups = groupRows(keys, table.rowCount);
  const evaluator = new Evaluator(table, groups);
  const shown: Column[] = keys.map(key => takeColumn(key, groups.firstRows));
  for (const { name, formula } of measures) {
    if (shown.some(column => column.name === name))
      throw new BadInput([`Two columns would be called ${name}. Give the measure another name.`]);
    const typed = compiled(table, formula, 'measure', name);
    shown.push(named(name, evaluator.values(typed)));
    warnWithoutValue(name, evaluator.withoutValue(typed), warn);
  }
  return makeTable(table.name, shown);
}

function keyColumn(table: Table, name: string): Column {
  const found = columnOf(table, name) ?? table.columns.find(column => column.name.toLowerCase() === name.toLowerCase());
  if (!found) throw new BadInput([`No column is called ${name}. Choose one of: ${table.columns.map(column => column.name).join(', ')}.`]);
  return found;
}

/** `milk desc`: a formula, and a direction behind it. Missing comes last either way. */
function ordered(table: Table, text: string): Table {
  const parts = /^([\s\S]*?)(?:\s+(asc|desc))?\s*$/i.exec(text);
  const typed = compiled(table, parts?.[1] ?? text, 'column', 'order by');
  const values = new Evaluator(table).values(typed);
  return takeRows(table, sortRows([{ values, descending: parts?.[2]?.toLowerCase() === 'desc' }], table.rowCount));
}
