import { failure, success, type Result } from 'core/result';
import { DATE_STYLES, MISSING_BOOLEAN, isoDate, isoTimestamp, type Cell, type ColumnType, type Reading } from 'core/table';
import { isMissingWord, readBoolean } from './column-plan';
import { parseDate, parseTimestamp } from './moments';
import { parseNumber } from './numbers';
import { quantityOf } from './quantities';

/** Facts about the column of a typed cell; `reading`: how its file was read, so that the same text gives the same value. */
export interface TypedColumn {
  readonly name: string;
  readonly type: ColumnType;
  readonly reading?: Reading | undefined;
  readonly unit?: string | undefined;
}

/** A typed or pasted text as a value of its column; an empty text is missing. */
export function parseCell(text: string, column: TypedColumn): Result<Cell> {
  const { name, type } = column;
  if (type === 'text') return success(text === '' ? null : text);
  if (isMissingWord(text)) return success(null);
  const value = readAs(text.trim(), type, column);
  return value === undefined ? failure({ code: 'value-misfit', column: name, text, type }) : success(value);
}

function readAs(text: string, type: Exclude<ColumnType, 'text'>, { reading, unit }: TypedColumn): Cell | undefined {
  switch (type) {
    case 'number':
      return there(numberOf(text, reading, unit), value => value);
    case 'boolean': {
      const raw = readBoolean(text);
      return raw === MISSING_BOOLEAN ? undefined : raw === 1;
    }
    case 'date':
      return there(firstOf(stylesOf(reading).map(style => parseDate(text, style))), isoDate);
    case 'timestamp':
      return there(firstOf(stylesOf(reading).map(style => parseTimestamp(text, style))), isoTimestamp);
  }
}

/** All styles of dates, the column's own first. */
const stylesOf = (reading: Reading | undefined): Reading['dates'][] => [...new Set([...(reading ? [reading.dates] : []), ...DATE_STYLES])];

/** A number, with the column's own decimal mark tried first; its unit may be typed too. */
function numberOf(text: string, reading: Reading | undefined, unit: string | undefined): number {
  const quantity = quantityOf(text);
  const number = unit !== undefined && quantity.unit === unit ? quantity.number : text;
  const other = reading?.decimal === 'comma' ? 'point' : 'comma';
  return firstOf([parseNumber(number, reading?.decimal ?? 'point'), parseNumber(number, other)]);
}

const firstOf = (values: readonly number[]): number => values.find(value => !Number.isNaN(value)) ?? NaN;
const there = (raw: number, write: (raw: number) => Cell): Cell | undefined => (Number.isNaN(raw) ? undefined : write(raw));
