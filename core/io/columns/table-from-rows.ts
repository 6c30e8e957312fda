import type { FileProblem } from 'core/result';
import { cellAt, makeTable, named, PLAIN_INTAKE, valuesFrom, type Cell, type ColumnIntake, type Intake, type Values } from 'core/table';
import { ColumnReader } from './column-reader';
import { HeaderNames } from '../text/header';
import { stylesOf, type ImportedTable, type ReadColumn } from '../imported';
import { columnNotes } from '../text/reading-notes';
import { wishedPlan } from './wished-plan';

// Between cells that come one by one there is no sign that a number could hold.
const NO_DELIMITER = '\t';
// Rows looked at before a type is chosen; the rest may put it right.
const SAMPLE_ROWS = 2_000;
const PLAIN = { decimal: 'point', dates: 'iso' } as const;

/** One column of a source, cell by cell, or in the memory that it came in. */
export interface SourceColumn {
  readonly name: string;
  readonly cells: readonly (Cell | undefined)[] | Values;
}

/**
 * A table from rows that a format's reader has cut already, of values as well as texts: a column of numbers or of yes and no alone is taken as it is,
 * any other is read from its texts as a file of text would be. Short rows are missing at their end. Cost: one pass, a second one over a column whose
 * first rows misled.
 */
export function tableFromRows(
  name: string,
  names: readonly string[],
  rows: readonly (readonly Cell[])[],
  intake: Intake = PLAIN_INTAKE,
): ImportedTable {
  const width = rows.reduce((widest, row) => Math.max(widest, row.length), names.length);
  const columns = Array.from({ length: width }, (_, at) => ({ name: names[at] ?? '', cells: rows.map(row => row[at]) }));
  return tableFromColumns(name, columns, intake);
}

/** A table from whole columns; typed memory is used as it is where nothing was decided about the column. */
export function tableFromColumns(
  name: string,
  sources: readonly SourceColumn[],
  intake: Intake = PLAIN_INTAKE,
  before: readonly FileProblem[] = [],
): ImportedTable {
  const header = new HeaderNames();
  const shown = new HeaderNames();
  const read = sources.map(({ name: given, cells }) => {
    const source = header.add(given);
    const wish = intake.columns.find(item => item.name === source);
    const as = wish?.out ? null : shown.add(wish?.as ?? source);
    return { ...readColumn(as ?? source, cells, wish, intake.missing), source, as };
  });
  const columns = read.map(({ source, as, values, reader }): ReadColumn => ({
    source,
    name: as,
    type: values.type,
    unit: reader?.plan.unit ?? null,
    reading: reader?.plan.reading ?? PLAIN,
    misfits: (reader?.misfits ?? []).map(({ row, text }) => ({ row, line: row + 1, text })),
    misfitCount: reader?.misfitCount ?? 0,
  }));
  const readers = read.flatMap(({ reader }) => (reader ? [reader] : []));
  return {
    table: makeTable(
      name,
      read.flatMap(({ as, values }) => (as === null ? [] : [named(as, values)])),
    ),
    notes: [...before, ...header.notes, ...columnNotes(readers, row => row + 1, 'row')],
    ...stylesOf(columns),
    columns,
    parts: [],
    part: null,
    origin: { kind: 'records' },
  };
}

interface Read {
  readonly values: Values;
  /** The reader of its texts; typed values need none. */
  readonly reader?: ColumnReader;
}

function readColumn(name: string, cells: SourceColumn['cells'], wish: ColumnIntake | undefined, missing: readonly string[]): Read {
  const isPlain = missing.length === 0 && (!wish || isUntouched(wish));
  if ('type' in cells) return isPlain ? { values: cells } : readTexts(name, textsOf(cells), wish, missing);
  const values = isPlain ? plainValues(cells) : undefined;
  return values ? { values } : readTexts(name, cells.map(textOf), wish, missing);
}

/** Whether nothing was decided about the values. */
const isUntouched = ({ type, decimal, dates, missing, fractions, unit }: ColumnIntake): boolean =>
  type === null && decimal === null && dates === null && missing.length === 0 && !fractions && unit === null;

/** Typed values, where all values are of one type and none is a text. */
function plainValues(cells: readonly (Cell | undefined)[]): Values | undefined {
  const kinds = new Set<string>();
  for (const cell of cells) if (cell !== null && cell !== undefined) kinds.add(typeof cell);
  const [kind] = kinds;
  if (kinds.size !== 1 || (kind !== 'number' && kind !== 'boolean')) return undefined;
  return valuesFrom(kind, cells.map(finite));
}

function readTexts(name: string, texts: readonly string[], wish: ColumnIntake | undefined, missing: readonly string[]): Read {
  const reader = readAs(name, texts, wishedPlan(texts.slice(0, SAMPLE_ROWS), NO_DELIMITER, wish, missing));
  const better = reader.betterPlan();
  const last = better ? readAs(name, texts, better) : reader;
  return { values: last.column(), reader: last };
}

function readAs(name: string, texts: readonly string[], plan: ColumnReader['plan']): ColumnReader {
  const reader = new ColumnReader(name, plan, texts.length, false);
  for (const text of texts) reader.push(text);
  return reader;
}

const textOf = (cell: Cell | undefined): string => (cell === null || cell === undefined ? '' : String(cell));

/** Typed values as texts that can be read back. */
function textsOf(values: Values): string[] {
  const column = named('', values);
  return Array.from(values.data, (_, row) => textOf(cellAt(column, row)));
}

/** Infinite numbers become missing. */
const finite = (cell: Cell | undefined): Cell => (typeof cell === 'number' && !Number.isFinite(cell) ? null : (cell ?? null));
