import { shownData } from 'core/crosstab';
import {
  compileFormula,
  Evaluator,
  sheetText,
  type Conditions,
  type SheetColumn,
  type SheetRoom,
  type Typed,
  type TypedAggregate,
} from 'core/formula';
import { filterRows, frameOf, type Frame } from 'core/frame';
import { cellAt, textAt, type Cell, type Table } from 'core/table';
import type { Handed } from '../handed';
import { dialects } from '../sql/dialects';
import { conditionOf } from '../sql/filter-stages';
import { scopeFor, Stages } from '../sql/stages';
import { plainColumn } from './plain-column';
import { MOST_SHEET_ROWS, Sheet, type CellColumn } from './sheet';

// Cells of source rows that are handed over, at most: more make a file that no spreadsheet opens gladly.
const MOST_CELLS = 2_000_000;

/** The sheet of the rows behind a figure, with what its measures refer to. */
export interface RowsSheet {
  readonly sheet: Sheet;
  /** The values and conditions of an aggregate over the rows of the group whose number stands in a cell; null where it has none. */
  behind(f: TypedAggregate, group: string): { readonly values: SheetColumn | null; readonly conditions: Conditions } | null;
  /** What is a value though it could change with the rows. */
  readonly told: readonly string[];
}

/** The rows of a figure's table: its columns, derived ones as formulas where they have one, whether a row is kept, and the group that it lies in. Null where they are too many. */
export function rowsSheet(handed: Handed, name: string): RowsSheet | null {
  const { table, figure, tableDoc } = handed;
  if (table.rowCount > MOST_SHEET_ROWS || table.rowCount * table.columns.length > MOST_CELLS) return null;
  const sheet = new Sheet(name, table.rowCount, table.columns.length + 2);
  const evaluator = new Evaluator(table);
  const scope = scopeFor(table.columns);
  const places = new Map(table.columns.map((column, place) => [column.name, place]));
  const formulas = new Set<string>();
  const room: SheetRoom = {
    rows: table.rowCount,
    column: own => {
      const place = places.get(own);
      return place === undefined ? undefined : sheet.at(place, !formulas.has(own));
    },
    part: f =>
      sheet.keep(f.key, () => {
        const formula = sheetText(f, room);
        const values = evaluator.values(f);
        return formula && { ...plainColumn({ ...values, name: f.key }, table.rowCount), formula, says: 'A part of a formula.' };
      }),
    partition: () => null,
    place: () => null,
    behind: () => null,
  };
  const told: string[] = [];
  for (const column of table.columns) {
    const derived = tableDoc.derived.find(own => own.name === column.name);
    const compiled = derived && compileFormula(derived.formula, scope, 'column');
    const formula = compiled?.ok ? sheetText(compiled.value, room) : null;
    if (formula) formulas.add(column.name);
    if (derived && !formula) told.push(`${column.name}: values, since its formula has no form in spreadsheets.`);
    sheet.columns.push({ ...plainColumn(column, table.rowCount), formula, says: derived ? derived.formula : '' });
  }
  const kept = keptColumn(handed, room);
  if (!kept.formula && figure.data.filters.length) told.push('Which rows are kept: values, since a filter has no form in spreadsheets.');
  sheet.columns.push(kept, groupColumn(handed));
  const [keptAt, groupAt] = [sheet.at(table.columns.length, false, true), sheet.at(table.columns.length + 1, true, true)];
  return {
    sheet,
    told,
    behind: (f, group) => {
      const conditions: Conditions = [
        [groupAt.range, group],
        [keptAt.range, '1'],
      ];
      const [arg] = f.args;
      if (!arg) return f.filter ? counted(f.filter, room, sheet, conditions) : { values: null, conditions };
      const values = f.filter || arg.op !== 'column' ? room.part(f.filter ? when(f.filter, arg) : arg) : (room.column(arg.name) ?? null);
      return values && { values: foreign(values, sheet), conditions };
    },
  };
}

/** Rows where a condition holds are counted by a column of ones. */
function counted(filter: Typed, room: SheetRoom, sheet: Sheet, conditions: Conditions) {
  const ones = room.part(when(filter, { op: 'constant', type: 'number', key: '1', value: 1 }));
  return ones && { values: null, conditions: [...conditions, [foreign(ones, sheet).range, '1'] as const] };
}

const foreign = ({ cell, range, isRaw }: SheetColumn, { name }: Sheet): SheetColumn => {
  const sheet = `'${name.replaceAll("'", "''")}'!`;
  return { cell: `${sheet}${cell}`, range: `${sheet}${range}`, isRaw };
};

const when = (filter: Typed, then: Typed): Typed => ({
  type: then.type,
  key: `case when ${filter.key} then ${then.key} end`,
  op: 'case',
  branches: [{ when: filter, then }],
  otherwise: null,
});

/** 1 where a row passes every filter; by formula where all of them have one. */
function keptColumn({ table, figure }: Handed, room: SheetRoom): CellColumn {
  const { filters } = shownData(figure);
  const read = filterRows(table, filters);
  const cells = new Array<Cell>(table.rowCount).fill(read.ok && read.value ? 0 : 1);
  if (read.ok && read.value) for (const row of read.value) cells[row] = 1;
  const scope = scopeFor(table.columns);
  const stages = new Stages(dialects.duckdb, new Set());
  const texts = filters.map(filter => {
    if (filter.kind === 'top') return null;
    const [condition] = conditionOf(stages, filter, scope);
    if (condition === undefined) return 'TRUE()';
    const compiled = compileFormula(condition, scope, 'filter');
    return compiled.ok ? (sheetText(compiled.value, room)?.text ?? null) : null;
  });
  const all = texts.map(text => `(${text ?? ''})=TRUE()`).join(',');
  const formula = texts.length && !texts.includes(null) ? { text: `IF(AND(${all}),1,0)`, isArray: false } : null;
  return {
    title: 'kept',
    type: 'number',
    cells,
    formula,
    style: '0',
    says: filters.length ? 'Whether the figure’s filters keep the row.' : 'The figure keeps every row.',
  };
}

/** The number of the group that each row lies in; empty where the figure shows none that it could lie in. */
function groupColumn({ table, figure, picture: { frame } }: Handed): CellColumn {
  const cells = new Array<Cell>(table.rowCount).fill(null);
  for (const [row, group] of groupsOf(table, figure, frame)) cells[row] = group + 1;
  return {
    title: 'group',
    type: 'number',
    cells,
    formula: null,
    style: '0',
    says: 'The row of the ledger that this row belongs to: a value, as are names and dates there.',
  };
}

/** Rows with their groups: also of rows that are not kept, by the keys that they share with a group. */
function groupsOf(table: Table, figure: Handed['figure'], frame: Frame): Map<number, number> {
  const groups = new Map<number, number>();
  const data = shownData(figure);
  const whole = data.filters.length ? frameOf(table, { ...data, filters: [], helpers: [], whatIfs: [] }) : undefined;
  if (whole?.ok) {
    const own = new Map(Array.from({ length: frame.table.rowCount }, (_, row) => [keyAt(frame, row), row]));
    eachRow(whole.value, (row, group) => {
      const found = own.get(keyAt(whole.value, group));
      if (found !== undefined) groups.set(row, found);
    });
  }
  // What the figure shows goes before: bins whose width fits the rows are others over all of them.
  eachRow(frame, (row, group) => groups.set(row, group));
  return groups;
}

function eachRow({ source: { offsets, rows } }: Frame, visit: (row: number, group: number) => void): void {
  for (let group = 0; group + 1 < offsets.length; group++)
    for (let at = offsets[group] as number; at < (offsets[group + 1] as number); at++) visit(rows[at] as number, group);
}

function keyAt({ table, category, panel, series, outer }: Frame, row: number): string {
  const names = new Set([category, panel, series, ...outer]);
  return JSON.stringify(
    table.columns.filter(({ name }) => names.has(name)).map(column => [cellAt(column, row) === null, textAt(column, row)]),
  );
}
