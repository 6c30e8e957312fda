import { DataType, tableFromIPC, type Table as ArrowTable, type Vector } from 'apache-arrow';
import { failure, success, type Result } from 'core/result';
import { PLAIN_INTAKE } from 'core/table';
import type { ImportedTable } from '../imported';
import { nameOfFile, type ReadOptions } from '../text/read-csv';
import { MAX_CELLS, MAX_COLUMNS } from '../text/row-run';
import { tableFromColumns, type SourceColumn } from '../columns/table-from-rows';
import { typedCells } from '../columns/typed-cells';

const MS_PER_DAY = 86_400_000;

/**
 * An Arrow file or stream as a table: its own types, integers beyond 2⁵³ as text, nested values as JSON text. Problems: broken, unknown compression,
 * too wide, too large. Cost: one pass.
 */
export function readArrow(bytes: Uint8Array, file: string, { intake = PLAIN_INTAKE, onProgress }: ReadOptions = {}): Result<ImportedTable> {
  const table: ArrowTable = tableFromIPC(bytes);
  const { numRows, numCols } = table;
  if (numRows === 0 || numCols === 0) return failure({ code: 'file-no-rows', file });
  if (numCols > MAX_COLUMNS) return failure({ code: 'too-many-columns', line: 1, limit: MAX_COLUMNS, counts: 'row' });
  if (numRows * numCols > MAX_CELLS) return failure({ code: 'too-many-cells', line: 1, limit: MAX_CELLS, counts: 'row' });
  const sources = table.schema.fields.map(({ name }, at): SourceColumn => {
    onProgress?.(at / numCols);
    return { name, cells: cellsOf(table.getChildAt(at) as Vector) };
  });
  onProgress?.(1);
  return success({ ...tableFromColumns(nameOfFile(file), sources, intake), origin: { kind: 'typed' } });
}

function cellsOf(vector: Vector): SourceColumn['cells'] {
  const type = vector.type as DataType;
  const values = Array.from(vector as Iterable<unknown>);
  if (DataType.isDate(type))
    return typedCells(
      values.map(raw => daysOf(raw)),
      'date',
    );
  if (DataType.isTimestamp(type))
    return typedCells(
      values.map(raw => msOf(raw)),
      'timestamp',
    );
  if (DataType.isDecimal(type)) return values.map(raw => (raw === null ? null : decimalOf(raw, type.scale)));
  return typedCells(values, 'other');
}

/** Milliseconds, as the library gives every moment whatever its unit. */
const msOf = (raw: unknown): unknown =>
  raw instanceof Date ? raw.getTime() : typeof raw === 'bigint' ? Number(raw) : typeof raw === 'number' ? Math.floor(raw) : raw;
const daysOf = (raw: unknown): unknown => {
  const ms = msOf(raw);
  return typeof ms === 'number' ? Math.floor(ms / MS_PER_DAY) : ms;
};

/** A decimal of 128 or 256 bits, in little-endian words of 32 bits, as a number. */
function decimalOf(raw: unknown, scale: number): number {
  const words = raw as Uint32Array;
  let whole = 0n;
  for (let i = words.length - 1; i >= 0; i--) whole = (whole << 32n) | BigInt(words[i] as number);
  return Number(`${BigInt.asIntN(words.length * 32, whole)}e-${scale}`);
}
