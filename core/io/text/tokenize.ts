import Papa from 'papaparse';
import { LenientRows } from './lenient-rows';
import type { LineEnds } from './line-ends';

/** Faults of quotes in a text; rows count from 0, blank lines included. */
export interface TokenizeFaults {
  /** The row of a quote that never closes. */
  readonly unclosed: number | undefined;
  /** Rows where a quote ends before its cell does. */
  readonly misplaced: readonly number[];
}

/** Options for cutting a text into cells. */
export interface TokenizeOptions {
  readonly delimiter: string;
  /** The line end of the whole text; `mixed` needs the lenient way. */
  readonly lineEnds: LineEnds;
  /** Called after each piece with the number of characters read so far. */
  readonly onTaken?: ((characters: number) => void) | undefined;
}

type Take = (row: string[], number: number) => void;

/** Thrown where a text is irregular: it must be read again in the lenient way. */
export class Irregular extends Error {}

/** Thrown where a cell is too long, most often because a quote never closes. */
export class CellTooLong extends Error {
  constructor(readonly row: number) {
    super(`row ${row}`);
  }
}

// Longer than any cell a person wrote; a quote that never closes would swallow the rest of the file.
const LONGEST_CELL = 16 * 1024 * 1024;

/** Splits a short text into rows of cells, with any line ends. */
export function tokenize(text: string, onRow: Take, delimiter: string): TokenizeFaults {
  return tokenizeLenient([text], onRow, { delimiter, lineEnds: 'mixed' });
}

/**
 * Splits a text that arrives in pieces into rows and hands over each once. An unfinished row is put before the next piece, so at most a piece and a
 * row are in memory.
 */
export function tokenizePieces(pieces: Iterable<string>, onRow: Take, options: TokenizeOptions): TokenizeFaults {
  return options.lineEnds === 'mixed' ? tokenizeLenient(pieces, onRow, options) : tokenizeRegular(pieces, onRow, options);
}

function tokenizeRegular(pieces: Iterable<string>, onRow: Take, { delimiter, lineEnds, onTaken }: TokenizeOptions): TokenizeFaults {
  let [taken, characters, rest, wanted] = [0, 0, '', 0];
  let unclosed: number | undefined;
  const parse = (text: string, isLast: boolean): void => {
    const parser = new Papa.Parser({ delimiter, newline: lineEnds as '\n' });
    const { data, errors, meta } = parser.parse(text, 0, !isLast) as Papa.ParseResult<string[]>;
    for (const { code, row = 0 } of errors) {
      if (code === 'MissingQuotes') unclosed ??= taken + row;
      else if (code === 'InvalidQuotes') throw new Irregular();
    }
    for (const row of data) onRow(row, taken++);
    rest = isLast ? '' : text.slice(meta.cursor);
    if (rest.length > LONGEST_CELL) throw new CellTooLong(taken);
    // A long cell is looked at again only when there is twice as much of it.
    wanted = rest.length > 1 << 20 ? rest.length * 2 : 0;
  };
  for (const piece of pieces) {
    characters += piece.length;
    rest += piece;
    if (rest.length >= wanted) parse(rest, false);
    onTaken?.(characters);
  }
  if (rest !== '') parse(rest, true);
  return { unclosed, misplaced: [] };
}

function tokenizeLenient(pieces: Iterable<string>, onRow: Take, { delimiter, onTaken }: TokenizeOptions): TokenizeFaults {
  const misplaced: number[] = [];
  let [taken, characters] = [0, 0];
  const rows = new LenientRows(delimiter, row => {
    if (row.misplaced) misplaced.push(taken);
    onRow(row.cells, taken++);
  });
  for (const piece of pieces) {
    characters += piece.length;
    rows.take(piece);
    if (rows.pending > LONGEST_CELL) throw new CellTooLong(taken);
    onTaken?.(characters);
  }
  return { unclosed: rows.finish() === undefined ? undefined : taken, misplaced };
}
