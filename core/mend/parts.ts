import { failure, success, type Result } from 'core/result';
import { choiceToken, plainOptions, type Token } from 'core/sentence';
import { columnOf, isNumeric, makeTable, takeRows, type Column, type NumericValues, type Table, type TextValues } from 'core/table';
import { MOST_ROWS_SHOWN, type Mended, type MendColumn } from './kind';

type TextColumn = TextValues & { readonly name: string };
type NumberColumn = NumericValues & { readonly name: string };

/** A column of texts by its name. Problem: there is none, or it holds something else. */
export function textColumn(table: Table, name: string): Result<TextColumn> {
  const column = columnOf(table, name);
  if (!column) return failure({ code: 'mend-no-column', name });
  return column.type === 'text' ? success(column) : failure({ code: 'mend-other-type', name, needs: 'text' });
}

/** A column of numbers, dates or moments by its name. Problem: there is none, or it holds something else. */
export function numberColumn(table: Table, name: string): Result<NumberColumn> {
  const column = columnOf(table, name);
  if (!column) return failure({ code: 'mend-no-column', name });
  return isNumeric(column) ? success(column) : failure({ code: 'mend-other-type', name, needs: 'numbers' });
}

/** The table without the rows for which a test holds. */
export function leaveOut(table: Table, test: (row: number) => boolean): Mended {
  const kept = rowsWhere(table.rowCount, row => !test(row));
  const count = table.rowCount - kept.length;
  return count ? { table: takeRows(table, kept), kept, count } : { table, kept: null, count };
}

/** The table with a column in the place of the one of its name. */
export const withColumn = (table: Table, column: Column, count: number): Mended => ({
  table: count
    ? makeTable(
        table.name,
        table.columns.map(own => (own.name === column.name ? column : own)),
      )
    : table,
  kept: null,
  count,
});

/** Rows for which a test holds, rising. */
export function rowsWhere(rowCount: number, test: (row: number) => boolean, most = rowCount): Int32Array {
  const rows = new Int32Array(most);
  let size = 0;
  for (let row = 0; row < rowCount && size < most; row++) if (test(row)) rows[size++] = row;
  return rows.subarray(0, size);
}

/** The first rows for which a test holds. */
export const firstRows = (rowCount: number, test: (row: number) => boolean): number[] =>
  Array.from(rowsWhere(rowCount, test, Math.min(rowCount, MOST_ROWS_SHOWN)));

/** How many rows have each text of a column's dictionary. */
export function textCounts({ data, dictionary }: TextValues): Int32Array {
  const counts = new Int32Array(dictionary.length);
  for (const code of data) if (code >= 0) counts[code] = (counts[code] as number) + 1;
  return counts;
}

/** A column of some types, as a word. */
export const columnWord = (name: string, columns: readonly MendColumn[], types: readonly MendColumn['type'][]): Token =>
  choiceToken('column', 'Which column', name, plainOptions(namesOf(columns, types)));

/** Names of the columns that hold one of some types. */
export const namesOf = (columns: readonly MendColumn[], types: readonly MendColumn['type'][]): string[] =>
  columns.filter(({ type }) => types.includes(type)).map(({ name }) => name);

/** Texts as one that can be typed: “a; b”. */
export const typedTexts = (texts: readonly string[]): string => texts.join('; ');

/** What was typed so, none twice. */
export const textsTyped = (text: string): string[] => [
  ...new Set(
    text
      .split(';')
      .map(part => part.trim())
      .filter(part => part !== ''),
  ),
];

const shown = new Intl.NumberFormat('en', { maximumSignificantDigits: 15 });

/** A number in full, thousands grouped. */
export const numberWords = (value: number): string => shown.format(value);

/** A share of a sentence for a text: in quotes, so that its spaces and its end are seen. */
export const quoted = (text: string): string => `“${text}”`;
