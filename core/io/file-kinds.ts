/** Facts about a kind of file, known before a file is opened. */
export interface FileKind {
  /** Its name for people: "CSV". */
  readonly name: string;
  /** File name endings, in lower case without the dot. */
  readonly endings: readonly string[];
}

/**
 * Every kind of file that can be opened; its reader is the entry of the same name in `core/io/formats`. Apart from the readers, since the page needs
 * it at once.
 */
export const FILE_KINDS = {
  project: { name: 'Cowbell project', endings: ['json'] },
  workbook: { name: 'workbook', endings: ['xlsx', 'ods', 'xlsm', 'xls'] },
  parquet: { name: 'Parquet', endings: ['parquet'] },
  arrow: { name: 'Arrow', endings: ['arrow', 'feather', 'arrows'] },
  json: { name: 'JSON', endings: ['json', 'ndjson', 'jsonl', 'geojson'] },
  csv: { name: 'CSV', endings: ['csv', 'tsv', 'txt'] },
} as const satisfies Readonly<Record<string, FileKind>>;

/** A kind of file by its name in the code. */
export type FileKindName = keyof typeof FILE_KINDS;

// Files of any kind may be packed.
const PACKED = 'gz';

/** The `accept` text of the page's file choosers: every ending, and the media types of pasted text. */
export const acceptedFiles = (): string =>
  [...new Set([...Object.values(FILE_KINDS).flatMap(({ endings }) => [...endings]), PACKED])]
    .map(ending => `.${ending}`)
    .concat('text/csv', 'text/plain')
    .join();
