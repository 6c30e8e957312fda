import Papa from 'papaparse';

/** What became of the quotes of a text; rows count from 0, blank lines included. */
export interface TokenizeFaults {
  /** Row of a quote that opens and never closes. */
  readonly unclosed: number | undefined;
  /** Rows in which a quote ends before its cell does. */
  readonly misplaced: readonly number[];
}

export interface TokenizeOptions {
  readonly delimiter: string;
  /** Told after each piece how many characters were taken so far. */
  readonly onTaken?: ((characters: number) => void) | undefined;
}

type Take = (row: string[], number: number) => void;

/** Cuts a text into rows of cells and hands each over once; nothing is kept. */
export const tokenize = (text: string, onRow: Take, options: TokenizeOptions): TokenizeFaults => tokenizePieces([text], onRow, options);

/**
 * The same for a text that comes in pieces, cut anywhere: a row that a piece leaves unfinished is put before the next one, so no
 * more than a piece and a row are held at a time.
 */
export function tokenizePieces(pieces: Iterable<string>, onRow: Take, { delimiter, onTaken }: TokenizeOptions): TokenizeFaults {
  const faults = { unclosed: undefined as number | undefined, misplaced: [] as number[] };
  let [taken, characters, rest] = [0, 0, ''];
  let newline: string | undefined;
  const parse = (text: string, isLast: boolean): void => {
    newline ??= lineBreakOf(text);
    const parser = new Papa.Parser({ delimiter, newline: newline as '\n' });
    const { data, errors, meta } = parser.parse(text, 0, !isLast) as Papa.ParseResult<string[]>;
    for (const { code, row = 0 } of errors) {
      if (code === 'MissingQuotes') faults.unclosed ??= taken + row;
      else if (code === 'InvalidQuotes') faults.misplaced.push(taken + row);
    }
    for (const row of data) onRow(row, taken++);
    rest = isLast ? '' : text.slice(meta.cursor);
  };
  for (const piece of pieces) {
    characters += piece.length;
    parse(rest + piece, false);
    onTaken?.(characters);
  }
  if (rest !== '') parse(rest, true);
  return faults;
}

/** The line break of a text: whichever comes first outside quotes, the pair where it is the rule. */
function lineBreakOf(text: string): string {
  const unquoted = text.slice(0, 1 << 20).replaceAll(/"(?:""|[^"])*"/g, '');
  const [returns, feeds] = [unquoted.split('\r'), unquoted.split('\n')];
  if (returns.length === 1 || (feeds.length > 1 && (feeds[0] as string).length < (returns[0] as string).length)) return '\n';
  const pairs = returns.filter(part => part.startsWith('\n')).length;
  return pairs >= returns.length / 2 ? '\r\n' : '\r';
}
