import { tokenize } from './tokenize';

/** A pasted block as rows of texts: cells separated by tabs, else one cell per line. */
export function pasteGrid(text: string): string[][] {
  const rows: string[][] = [];
  tokenize(text.replace(/(\r\n|\n|\r)$/, ''), row => rows.push(row), '\t');
  return rows;
}
