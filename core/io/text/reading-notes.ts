import type { FileProblem } from 'core/result';
import type { ColumnReader } from '../columns/column-reader';
import { parseDate } from '../columns/moments';

/** The line of a data row in the file. Cost: a scan of the text, so it is asked for few rows only. */
export type LineOf = (row: number) => number;

// Enough to show where a file is faulty; the rest is counted.
const KEPT = 5;
const MOST_NOTES = 40;

/** A note for each of the first few items, and the number of the others. */
export function fewest<T>(items: readonly T[], note: (item: T) => FileProblem): FileProblem[] {
  const more = items.length - KEPT;
  return [...items.slice(0, KEPT).map(note), ...(more > 0 ? [{ code: 'notes-more' as const, count: more }] : [])];
}

/** What was assumed or could not be read in the columns: a few notes, the rest counted. `counts`: positions are rows, not lines. */
export function columnNotes(readers: readonly ColumnReader[], lineOf: LineOf, counts?: 'row'): FileProblem[] {
  const makers = readers.flatMap(reader => [...assumed(reader), ...unread(reader, lineOf, counts)]);
  const shown = makers.slice(0, MOST_NOTES).map(make => make());
  const more = makers.length - shown.length;
  const unguarded = readers.reduce((sum, reader) => sum + reader.unguarded, 0);
  return [
    ...shown,
    ...(more > 0 ? [{ code: 'notes-more' as const, count: more }] : []),
    ...(unguarded > 0 ? [{ code: 'guards-removed' as const, count: unguarded }] : []),
  ];
}

type Maker = () => FileProblem;

function assumed({ name, plan, doubtful }: ColumnReader): Maker[] {
  const { identifier, unit, shortYear, finer } = plan;
  return [
    ...(doubtful === undefined ? [] : [() => doubtNote(name, plan, doubtful)]),
    ...(identifier === undefined ? [] : [(): FileProblem => ({ code: 'identifiers-kept', column: name, ...identifier })]),
    ...(unit === undefined ? [] : [(): FileProblem => ({ code: 'unit-kept', column: name, unit })]),
    ...(shortYear === undefined
      ? []
      : [(): FileProblem => ({ code: 'year-assumed', column: name, example: shortYear, year: yearOf(plan, shortYear) })]),
    ...(finer === undefined ? [] : [(): FileProblem => ({ code: 'moments-cut', column: name, example: finer })]),
  ];
}

const yearOf = ({ reading }: ColumnReader['plan'], text: string): number =>
  new Date(parseDate(text, reading.dates) * 86_400_000).getUTCFullYear();

function unread({ name, plan, misfits, misfitCount }: ColumnReader, lineOf: LineOf, counts?: 'row'): Maker[] {
  const told = misfits.slice(0, KEPT);
  const more = misfitCount - told.length;
  return [
    ...told.map(({ row, text }): Maker => () => ({
      code: 'cell-misfit',
      line: lineOf(row),
      column: name,
      text: cut(text),
      type: plan.type,
      ...(counts ? { counts } : {}),
    })),
    ...(more > 0 ? [(): FileProblem => ({ code: 'cells-misfit-more', column: name, count: more, type: plan.type })] : []),
  ];
}

const cut = (text: string): string => (text.length > 80 ? `${text.slice(0, 79)}…` : text);

const doubtNote = (column: string, plan: ColumnReader['plan'], example: string): FileProblem =>
  plan.type === 'number'
    ? { code: 'decimal-assumed', column, example, value: plan.read(example) }
    : { code: 'date-order-assumed', column, example };
