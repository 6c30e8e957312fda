import { failure, success, type Result } from 'core/result';
import type { EncodingName, Intake } from 'core/table';
import type { ColumnPlan } from '../columns/column-plan';
import { encodingAs, encodingOf, NotUtf8, secondGuess, textPieces, wholeText, type Encoding } from './decode';
import { delimiterOf } from './delimiter';
import type { ImportedTable } from '../imported';
import { lineEndsOf, type LineEnds } from './line-ends';
import { lineOfRow } from './line-of-row';
import { fewest, type LineOf } from './reading-notes';
import { RowRun, TooLarge } from './row-run';
import { CellTooLong, Irregular, tokenizePieces } from './tokenize';

/** Options for reading a file. */
export interface ReadOptions {
  /** Called after about every megabyte with the share read, 0 to 1. */
  readonly onProgress?: ((share: number) => void) | undefined;
  /** The decisions about how this source is read. */
  readonly intake?: Intake | undefined;
}

/**
 * A CSV file as a table: comma, semicolon, tab or bar between cells (RFC 4180 quoting, told leniently), the first line names the columns unless it
 * holds numbers; titles and comments above it are left out. Types come from the first rows and are put right by the rest; texts that do not fit are
 * left missing and named by line; an intake decides otherwise. Problems: empty, binary, no rows, an unclosed quote, too wide, too large. Cost: one pass,
 * a second one where the first rows misled; no row is kept.
 */
export function readCsv(bytes: Uint8Array, file: string, options: ReadOptions = {}): Result<ImportedTable> {
  const wished: EncodingName | null = options.intake?.encoding ?? null;
  const encoding = wished === null ? encodingOf(bytes, file) : encodingAs(bytes, file, wished);
  if (!encoding.ok) return encoding;
  // Line ends of wide characters are not told by single bytes.
  const lineEnds = encoding.value.label === 'utf-8' ? lineEndsOf(bytes) : 'mixed';
  return readIrregular({ bytes, file, options, encoding: encoding.value, lineEnds, decided: new Map() });
}

interface Source {
  readonly bytes: Uint8Array;
  readonly file: string;
  readonly options: ReadOptions;
  readonly encoding: Encoding;
  readonly lineEnds: LineEnds;
  /** Plans of columns that an earlier reading found. */
  readonly decided: ReadonlyMap<number, ColumnPlan>;
}

/** Reads again in the lenient way where the text is irregular. */
function readIrregular(source: Source): Result<ImportedTable> {
  try {
    return readOnce(source);
  } catch (error) {
    if (error instanceof NotUtf8) return readIrregular({ ...source, encoding: secondGuess(source.bytes) });
    if (error instanceof Irregular) return readIrregular({ ...source, lineEnds: 'mixed' });
    throw error;
  }
}

function readOnce(source: Source): Result<ImportedTable> {
  const { bytes, file, options, encoding, lineEnds, decided } = source;
  const delimiter = options.intake?.delimiter ?? delimiterOf(wholeText(bytes.subarray(0, DELIMITER_BYTES), encoding));
  const run = new RowRun({ delimiter, decided, size: bytes.length, intake: options.intake });
  let text: string | undefined;
  const lineOf: LineOf = row => lineOfRow((text ??= wholeText(bytes, encoding)), row, delimiter);
  let faults: ReturnType<typeof tokenizePieces>;
  try {
    faults = tokenizePieces(textPieces(bytes, encoding), (row, number) => run.take(row, number), {
      delimiter,
      lineEnds,
      // Characters are never more than bytes, so the share never runs ahead.
      onTaken: characters => options.onProgress?.(Math.min(1, characters / bytes.length)),
    });
    run.finish();
  } catch (error) {
    if (error instanceof CellTooLong) return failure({ code: 'cell-too-long', line: lineOf(error.row) });
    if (error instanceof TooLarge) return failure({ ...error.problem, line: lineOf(error.row) });
    throw error;
  }
  options.onProgress?.(1);
  if (faults.unclosed !== undefined) return failure({ code: 'quote-unclosed', line: lineOf(faults.unclosed) });
  if (run.rowCount === 0) return failure(run.hasHeader ? { code: 'file-no-rows', file } : { code: 'file-empty', file });
  const better = run.betterPlans();
  // The sample misled: those columns are of another kind, and only a second reading still has their texts.
  if (better.size) return readIrregular({ ...source, decided: new Map([...decided, ...better]) });
  const misplaced = fewest(faults.misplaced, row => ({ code: 'quote-misplaced' as const, line: lineOf(row) }));
  const table = run.table(nameOfFile(file), lineOf, [...encoding.notes, ...misplaced]);
  return success({ ...table, origin: { kind: 'text', encoding: encoding.label, delimiter } });
}

/** A table's name from its file name. */
export const nameOfFile = (file: string): string => file.replace(/\.[^./]*$/, '') || file;

// Enough of the file to see how its cells are cut.
const DELIMITER_BYTES = 40_000;
