import { parquetMetadataAsync, parquetRead, type ColumnData, type FileMetaData, type SchemaElement } from 'hyparquet';
import { failure, success, type Result } from 'core/result';
import { PLAIN_INTAKE } from 'core/table';
import type { ImportedTable } from '../imported';
import { nameOfFile, type ReadOptions } from '../text/read-csv';
import { MAX_CELLS, MAX_COLUMNS } from '../text/row-run';
import { tableFromColumns } from '../columns/table-from-rows';
import { typedCells, type TypedKind } from '../columns/typed-cells';

/**
 * A Parquet file as a table: its own types, integers beyond 2⁵³ as text, nested values as JSON text. Problems: broken, too wide, too large. Cost: the
 * reader library's, and one pass.
 */
export async function readParquet(
  bytes: Uint8Array,
  file: string,
  { intake = PLAIN_INTAKE, onProgress }: ReadOptions = {},
): Promise<Result<ImportedTable>> {
  const buffer = bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.byteLength) as ArrayBuffer;
  const metadata = await parquetMetadataAsync(buffer);
  const rows = Number(metadata.num_rows);
  const tops = topColumns(metadata);
  if (rows === 0 || tops.length === 0) return failure({ code: 'file-no-rows', file });
  if (tops.length > MAX_COLUMNS) return failure({ code: 'too-many-columns', line: 1, limit: MAX_COLUMNS, counts: 'row' });
  if (rows * tops.length > MAX_CELLS) return failure({ code: 'too-many-cells', line: 1, limit: MAX_CELLS, counts: 'row' });
  const columns = new Map(tops.map(element => [element.name, new Array<unknown>(rows)]));
  const { PARQUET_CODECS } = await import('./parquet-codecs');
  let taken = 0;
  const take = ({ columnName, columnData, rowStart }: ColumnData): void => {
    const cells = columns.get(columnName);
    for (let i = 0; cells && i < columnData.length; i++) cells[rowStart + i] = columnData[i];
    taken += columnData.length;
    onProgress?.(Math.min(0.9, taken / (rows * tops.length)));
  };
  await parquetRead({ file: buffer, metadata, compressors: PARQUET_CODECS, parsers: PARSERS, onChunk: take });
  onProgress?.(1);
  const sources = tops.map(element => ({ name: element.name, cells: typedCells(columns.get(element.name) ?? [], kindOf(element)) }));
  return success({ ...tableFromColumns(nameOfFile(file), sources, intake), origin: { kind: 'typed' } });
}

// Days and milliseconds as plain numbers: what they are is told by the schema.
const PARSERS = {
  dateFromDays: (days: number): number => days,
  timestampFromMilliseconds: (ms: bigint): number => Number(ms),
  timestampFromMicroseconds: (us: bigint): number => Number(us / 1_000n),
  timestampFromNanoseconds: (ns: bigint): number => Number(ns / 1_000_000n),
};

/** The top-level columns of the schema, without the nested ones. */
function topColumns({ schema }: FileMetaData): SchemaElement[] {
  const tops: SchemaElement[] = [];
  for (let at = 1; at < schema.length; at += sizeAt(schema, at)) tops.push(schema[at] as SchemaElement);
  return tops;
}

function sizeAt(schema: readonly SchemaElement[], at: number): number {
  let size = 1;
  for (let child = 0; child < (schema[at]?.num_children ?? 0); child++) size += sizeAt(schema, at + size);
  return size;
}

function kindOf({ type, converted_type, logical_type, num_children }: SchemaElement): TypedKind {
  if (num_children) return 'other';
  if (converted_type === 'DATE' || logical_type?.type === 'DATE') return 'date';
  const isMoment = converted_type?.startsWith('TIMESTAMP') || logical_type?.type === 'TIMESTAMP' || type === 'INT96';
  return isMoment ? 'timestamp' : 'other';
}
