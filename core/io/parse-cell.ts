import { failure, success, type Result } from 'core/result';
import { MISSING_BOOLEAN, isoDate, isoTimestamp, type Cell, type ColumnType } from 'core/table';
import { isMissingWord, readBoolean } from './column-reader';
import { parseDate, parseTimestamp } from './moments';
import { parseNumber } from './numbers';

/** What was typed or pasted into a cell as a value of its column; nothing typed is a missing value. */
export function parseCell(text: string, column: { readonly name: string; readonly type: ColumnType }): Result<Cell> {
  const { name, type } = column;
  if (type === 'text') return success(text === '' ? null : text);
  if (isMissingWord(text)) return success(null);
  const value = readAs(text.trim(), type);
  return value === undefined ? failure({ code: 'value-misfit', column: name, text, type }) : success(value);
}

function readAs(text: string, type: Exclude<ColumnType, 'text'>): Cell | undefined {
  switch (type) {
    case 'number':
      return there(firstNumber(text), value => value);
    case 'boolean': {
      const raw = readBoolean(text);
      return raw === MISSING_BOOLEAN ? undefined : raw === 1;
    }
    case 'date':
      return there(firstOf([parseDate(text, 'iso'), parseDate(text, 'day-first')]), isoDate);
    case 'timestamp':
      return there(parseTimestamp(text), isoTimestamp);
  }
}

const firstOf = (values: readonly number[]): number => values.find(value => !Number.isNaN(value)) ?? NaN;
const firstNumber = (text: string): number => firstOf([parseNumber(text, 'point'), parseNumber(text, 'comma')]);
const there = (raw: number, write: (raw: number) => Cell): Cell | undefined => (Number.isNaN(raw) ? undefined : write(raw));
