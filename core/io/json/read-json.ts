import { failure, success, type FileProblem, type Result } from 'core/result';
import { PLAIN_INTAKE, type Cell, type Intake } from 'core/table';
import { parse as parseLossless } from 'lossless-json';
import { encodingAs, encodingOf, NotUtf8, secondGuess, textPieces, type Encoding } from '../text/decode';
import type { ImportedTable } from '../imported';
import { jsonFaultAt } from './json-fault';
import { listsIn, type JsonList } from './json-lists';
import { nameOfFile, type ReadOptions } from '../text/read-csv';
import { fewest } from '../text/reading-notes';
import { MAX_CELLS, MAX_COLUMNS, RowRun } from '../text/row-run';
import { tableFromColumns } from '../columns/table-from-rows';

/**
 * A JSON text as a table: an array of objects (nested keys joined by dots), of rows or of values; an object of columns; the longest list within an object;
 * an object on each line. Lists within a record stay JSON text. Whole numbers beyond 2⁵³ stay text. Problems: no JSON (with its line), no list, too wide,
 * too large. Cost: one parse, one pass.
 */
export function readJson(bytes: Uint8Array, file: string, { intake = PLAIN_INTAKE, onProgress }: ReadOptions = {}): Result<ImportedTable> {
  const decoded = textOf(bytes, file, intake);
  if (!decoded.ok) return decoded;
  const { text, notes } = decoded.value;
  const parsed = parsedText(text, file);
  if (!parsed.ok) return parsed;
  onProgress?.(0.5);
  const lists = listsIn(parsed.value.value);
  const list = lists.find(({ path }) => path === intake.part) ?? longest(lists);
  if (!list) return failure({ code: 'json-no-list', file });
  const read = tableOfList(list, nameOfFile(file), intake, [...notes, ...parsed.value.notes]);
  onProgress?.(1);
  return read.ok
    ? success({ ...read.value, ...(lists.length > 1 ? { parts: lists.map(({ path }) => path), part: list.path } : {}) })
    : read;
}

const longest = (lists: readonly JsonList[]): JsonList | undefined =>
  lists.reduce<JsonList | undefined>((best, list) => (!best || list.length > best.length ? list : best), undefined);

function textOf(bytes: Uint8Array, file: string, intake: Intake): Result<{ text: string; notes: readonly FileProblem[] }> {
  const encoding = intake.encoding === null ? encodingOf(bytes, file) : encodingAs(bytes, file, intake.encoding);
  if (!encoding.ok) return encoding;
  try {
    return success({ text: joined(bytes, encoding.value), notes: encoding.value.notes });
  } catch (error) {
    if (!(error instanceof NotUtf8)) throw error;
    const guess = secondGuess(bytes);
    return success({ text: joined(bytes, guess), notes: guess.notes });
  }
}

const joined = (bytes: Uint8Array, encoding: Encoding): string => [...textPieces(bytes, encoding)].join('').replace(/^\uFEFF/, '');

interface Parsed {
  readonly value: unknown;
  readonly notes: readonly FileProblem[];
}

// A run of digits that a float may not hold, outside of decimals.
const LONG_WHOLE = /(^|[[:,\s-])\d{16,}\s*[,\]}\s]/;

function parsedText(text: string, file: string): Result<Parsed> {
  try {
    return success({ value: parsedValue(text), notes: [] });
  } catch {
    return linesOf(text) ?? failure({ code: 'json-broken', file, line: text.slice(0, jsonFaultAt(text)).split('\n').length });
  }
}

/** A JSON text; integers that no float can store stay texts. Throws the parser's error. */
function parsedValue(text: string): unknown {
  if (!LONG_WHOLE.test(text)) return JSON.parse(text);
  return parseLossless(text, undefined, {
    parseNumber: digits => (/^-?\d+$/.test(digits) && !Number.isSafeInteger(Number(digits)) ? digits : Number(digits)),
    onDuplicateKey: ({ newValue }) => newValue,
  });
}

/** A record on each line; invalid lines are left out and named. Undefined where the first line is invalid. */
function linesOf(text: string): Result<Parsed> | undefined {
  const values: unknown[] = [];
  const broken: number[] = [];
  for (const [at, line] of text.split(/\r?\n/).entries()) {
    if (line.trim() === '') continue;
    try {
      values.push(parsedValue(line));
    } catch {
      if (values.length === 0) return undefined;
      broken.push(at + 1);
    }
  }
  // One record alone was read as a whole already.
  if (values.length < 2) return undefined;
  return success({ value: values, notes: fewest(broken, line => ({ code: 'json-line-broken' as const, line })) });
}

function tableOfList(list: JsonList, name: string, intake: Intake, notes: readonly FileProblem[]): Result<ImportedTable> {
  if (list.kind === 'rows') return tableOfRows(list.rows, name, intake, notes);
  const columns = list.kind === 'columns' ? list.columns : columnsOf(list.records);
  const length = Math.max(0, ...[...columns.values()].map(cells => cells.length));
  if (columns.size === 0 || length === 0) return failure({ code: 'file-no-rows', file: name });
  if (columns.size > MAX_COLUMNS) return failure({ code: 'too-many-columns', line: 1, limit: MAX_COLUMNS, counts: 'row' });
  if (columns.size * length > MAX_CELLS) return failure({ code: 'too-many-cells', line: 1, limit: MAX_CELLS, counts: 'row' });
  const lists = [...columns].flatMap(([column, cells]) => (cells.some(isListText) ? [column] : []));
  const sources = [...columns].map(([column, cells]) => {
    cells.length = length;
    return { name: column, cells };
  });
  return success(
    tableFromColumns(name, sources, intake, [...notes, ...fewest(lists, column => ({ code: 'json-lists-kept' as const, column }))]),
  );
}

const isListText = (cell: Cell | undefined): boolean => typeof cell === 'string' && cell.startsWith('[');

/** Rows of values; the first row may hold the names. */
function tableOfRows(
  rows: readonly (readonly unknown[])[],
  name: string,
  intake: Intake,
  notes: readonly FileProblem[],
): Result<ImportedTable> {
  const take = (decided: ReturnType<RowRun['betterPlans']>): RowRun => {
    const run = new RowRun({ delimiter: '\t', intake, decided, size: rows.length * 16, mayBeGuarded: false });
    for (const [at, row] of rows.entries()) run.take(row.map(plainText), at);
    run.finish();
    return run;
  };
  const first = take(new Map());
  const better = first.betterPlans();
  const run = better.size ? take(better) : first;
  if (run.rowCount === 0) return failure({ code: 'file-no-rows', file: name });
  return success(run.table(name, row => row + 1, notes));
}

const plainText = (value: unknown): string => {
  const cell = cellOf(value);
  return cell === null ? '' : String(cell);
};

/** A scalar as it is, any other value as JSON text. */
const cellOf = (value: unknown): Cell =>
  value === null || value === undefined
    ? null
    : typeof value === 'number' || typeof value === 'string' || typeof value === 'boolean'
      ? value
      : JSON.stringify(value);

// Deeper than any record that a person keeps; below it things stay JSON text.
const MOST_DEPTH = 20;

/** Records as columns, in the order in which their keys appear; absent keys are missing. */
function columnsOf(records: readonly unknown[]): Map<string, (Cell | undefined)[]> {
  const columns = new Map<string, (Cell | undefined)[]>();
  const put = (name: string, row: number, cell: Cell): void => {
    let cells = columns.get(name);
    if (!cells) columns.set(name, (cells = new Array<Cell | undefined>(records.length)));
    cells[row] = cell;
  };
  const flatten = (value: unknown, path: string, row: number, depth: number): void => {
    if (typeof value !== 'object' || value === null || Array.isArray(value) || depth > MOST_DEPTH) {
      if (columns.size <= MAX_COLUMNS) put(path || 'value', row, cellOf(value));
      return;
    }
    for (const [key, inner] of Object.entries(value)) flatten(inner, path ? `${path}.${key}` : key, row, depth + 1);
  };
  for (const [row, record] of records.entries()) flatten(record, '', row, 0);
  return columns;
}
