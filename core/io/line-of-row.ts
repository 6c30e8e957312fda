/**
 * The line, from 1, on which a row of a CSV text starts; rows count from 0, blank lines included. Quoted cells may
 * hold line breaks, so the text is scanned anew: this runs only for the few rows that a message names.
 */
export function lineOfRow(text: string, row: number, delimiter: string): number {
  const lineBreak = text.includes('\n') ? '\n' : '\r';
  let [line, rows, quoted, atCellStart] = [1, 0, false, true];
  for (let i = 0; i < text.length && rows < row; i++) {
    const char = text[i] as string;
    if (char === lineBreak) line++;
    if (quoted) {
      if (char === '"') quoted = false;
    } else if (char === '"' && (atCellStart || text[i - 1] === '"')) {
      quoted = true;
    } else if (char === lineBreak) {
      rows++;
    }
    atCellStart = !quoted && (char === delimiter || char === lineBreak);
  }
  return line;
}
