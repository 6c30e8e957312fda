import Papa from 'papaparse';

// Large enough to keep the tokenizer busy, small enough to report progress several times a second.
const CHUNK_CHARACTERS = 1 << 20;

/** What became of the quotes of a text; rows count from 0, blank lines included. */
export interface TokenizeFaults {
  /** Row of a quote that opens and never closes. */
  readonly unclosed: number | undefined;
  /** Rows in which a quote ends before its cell does. */
  readonly misplaced: readonly number[];
}

export interface TokenizeOptions {
  readonly delimiter: string;
  readonly onProgress?: ((share: number) => void) | undefined;
}

/** Cuts a text into rows of cells and hands each over once; nothing is kept. */
export function tokenize(
  text: string,
  onRow: (row: string[], number: number) => void,
  { delimiter, onProgress }: TokenizeOptions,
): TokenizeFaults {
  let taken = 0;
  let unclosed: number | undefined;
  const misplaced: number[] = [];
  const config = {
    delimiter,
    chunkSize: CHUNK_CHARACTERS,
    chunk: ({ data, errors, meta }: Papa.ParseResult<string[]>) => {
      for (const { code, row = 0 } of errors) {
        if (code === 'MissingQuotes') unclosed ??= taken + row;
        else if (code === 'InvalidQuotes') misplaced.push(taken + row);
      }
      for (const row of data) onRow(row, taken++);
      onProgress?.(Math.min(1, meta.cursor / text.length));
    },
  };
  // The tokenizer cuts texts into chunks as it does files; its types only know that of files.
  Papa.parse<string[]>(text, config as Papa.ParseConfig<string[]>);
  return { unclosed, misplaced };
}
