import { withinYears, type Cell, type NumericValues } from 'core/table';

/** The schema's type of a column, where values alone do not tell. */
export type TypedKind = 'date' | 'timestamp' | 'other';

/** Values of a typed column as cells; days and milliseconds as dates and timestamps. An integer that no float can store makes the column text. */
export function typedCells(values: readonly unknown[], kind: TypedKind): (Cell | undefined)[] | NumericValues {
  if (kind !== 'other')
    return { type: kind, data: Float64Array.from(values, raw => (typeof raw === 'number' ? withinYears(raw, kind) : NaN)) };
  return values.map(cellOf);
}

function cellOf(value: unknown): Cell {
  switch (typeof value) {
    case 'number':
    case 'string':
    case 'boolean':
      return value;
    case 'bigint':
      return Number.isSafeInteger(Number(value)) ? Number(value) : String(value);
    default:
      return value === null || value === undefined ? null : nestedText(value);
  }
}

const nestedText = (value: unknown): string => {
  if (value instanceof Date) return value.toISOString();
  if (value instanceof Uint8Array) return Array.from(value, byte => byte.toString(16).padStart(2, '0')).join('');
  return JSON.stringify(value, (_, inner: unknown) => (typeof inner === 'bigint' ? String(inner) : inner));
};
