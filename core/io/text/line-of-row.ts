import { LenientRows } from './lenient-rows';

/**
 * The line, from 1, on which a row of a CSV text starts; rows count from 0, blank lines included. Quoted cells may hold line breaks, so the text is
 * scanned again: only for the few rows that messages name.
 */
export function lineOfRow(text: string, row: number, delimiter: string): number {
  let [at, line] = [0, 1];
  let last = 1;
  const rows = new LenientRows(delimiter, found => {
    if (at++ === row) line = found.line;
    last = found.line;
  });
  for (let from = 0; from < text.length && at <= row; from += PIECE) rows.take(text.slice(from, from + PIECE));
  if (at <= row) return rows.finish() ?? (at <= row ? last : line);
  return line;
}

const PIECE = 1 << 16;
