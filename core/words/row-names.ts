import type { Figure } from 'core/document';
import type { Frame } from 'core/frame';
import { formatNumber, shortened } from 'core/format';
import { timeNames } from 'core/scale';
import { columnOf, isMissing, textAt, type Column, type NumericValues } from 'core/table';

const MISSING_NAME = '(missing)';

/** What names of categories depend on. */
export type Named = Pick<Figure, 'data' | 'scales'>;

/** The names on the category axis for each row of the frame: texts as they are, an endless one cut; periods and bins in words. */
export function rowNames({ table, category }: Frame, figure: Named): string[] {
  const column = columnOf(table, category) as Column;
  const names = new Array<string>(table.rowCount);
  if (column.type === 'text')
    for (let row = 0; row < names.length; row++) names[row] = shortened(column.dictionary[column.data[row] as number] ?? MISSING_NAME);
  else for (let row = 0; row < names.length; row++) names[row] = isMissing(column, row) ? MISSING_NAME : stepName(column, row, figure);
  return names;
}

/** The name of one row, as the axis has it. */
export function rowName({ table, category }: Frame, figure: Named, row: number): string {
  const column = columnOf(table, category) as Column;
  if (isMissing(column, row)) return MISSING_NAME;
  return column.type === 'text' ? shortened(column.dictionary[column.data[row] as number] ?? MISSING_NAME) : stepName(column, row, figure);
}

/** The name of a row's value in a column that splits the figure: of its panels, series, or what its rows are nested in. */
export function partName({ table }: Frame, { data, scales }: Named, name: string, row: number): string {
  const column = columnOf(table, name);
  if (!column || isMissing(column, row)) return 'missing';
  const step = data.outer.find(level => level.column === name)?.step ?? (name === data.series ? data.seriesStep : null);
  return column.type === 'text' ? shortened(textAt(column, row)) : stepName(column, row, { data: { ...data, step }, scales });
}

/** The names as the axis shows them: within one year a day needs no year; the whole date stands in hover and ledger. */
export function axisNames(frame: Frame, figure: Named): string[] {
  const names = rowNames(frame, figure);
  const column = columnOf(frame.table, frame.category);
  if (column?.type !== 'date' || figure.data.step?.kind === 'grain') return names;
  const years = new Set(names.filter(name => name !== MISSING_NAME).map(name => name.slice(0, 4)));
  return years.size === 1 ? names.map(name => dayName(name, figure)) : names;
}

function dayName(date: string, { scales }: Named): string {
  const [, month, day] = date.split('-');
  return month === undefined || day === undefined ? date : `${Number(day)} ${timeNames(scales.along.language).month(Number(month) - 1)}`;
}

function stepName(column: Exclude<Column, { type: 'text' }>, row: number, { data: { step }, scales }: Named): string {
  if (step?.kind === 'bin' && column.type === 'number') return `from ${formatNumber((column as NumericValues).data[row] as number)}`;
  const text = textAt(column, row);
  if (step?.kind !== 'grain' || column.type !== 'date') return text;
  const [year = '', month = ''] = text.split('-');
  const names = timeNames(scales.along.language);
  switch (step.grain) {
    case 'year':
      return year;
    case 'quarter':
      return `${names.quarter(Math.ceil(Number(month) / 3))} ${year}`;
    case 'month':
      return names.monthOf(Number(year), Number(month) - 1);
    default:
      return text;
  }
}
