/** A format as it is offered: what it is called, and what its files are. */
export interface FormatOffer {
  /** By which it is asked for, such as `xlsx`. */
  readonly name: string;
  /** Of its files. */
  readonly ending: string;
  readonly mime: string;
  /** What it is, for lists and help. */
  readonly about: string;
  /** What it needs drawn of the figure. */
  readonly draws: 'svg' | 'png' | null;
  /** How the search for actions finds it; null where the page makes it itself and has words of its own for it. */
  readonly action: { readonly words: string; readonly search: string } | null;
}

/** Every format that a figure leaves in, in the order of help. */
export const formatOffers = {
  svg: { ending: 'svg', mime: 'image/svg+xml', draws: 'svg', about: 'the figure as SVG, with real text', action: null },
  png: { ending: 'png', mime: 'image/png', draws: 'png', about: 'the figure as a picture', action: null },
  html: {
    ending: 'html',
    mime: 'text/html;charset=utf-8',
    draws: 'svg',
    about: 'one file that opens anywhere: figure, words, ledger, rows',
    action: { words: 'Hand over a document', search: 'export html page report' },
  },
  csv: {
    ending: 'csv',
    mime: 'text/csv;charset=utf-8',
    draws: null,
    about: 'the ledger with its helper columns, as CSV',
    action: { words: 'Hand over CSV of the ledger', search: 'export numbers save' },
  },
  json: {
    ending: 'json',
    mime: 'application/json',
    draws: null,
    about: 'the ledger with its helper columns, as JSON',
    action: { words: 'Hand over JSON of the ledger', search: 'export numbers rows records save' },
  },
  parquet: {
    ending: 'parquet',
    mime: 'application/vnd.apache.parquet',
    draws: null,
    about: 'the ledger with its helper columns, as Parquet',
    action: { words: 'Hand over Parquet of the ledger', search: 'export columns' },
  },
  sql: {
    ending: 'sql',
    mime: 'application/sql;charset=utf-8',
    draws: null,
    about: 'one statement of SQL from the tables to the rows of the ledger',
    action: { words: 'Hand over SQL of the figure', search: 'export statement query' },
  },
  xlsx: {
    ending: 'xlsx',
    mime: 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
    draws: 'png',
    about: 'a workbook: the rows, the ledger in living formulas, the figure, its words',
    action: { words: 'Hand over a workbook', search: 'export spreadsheet xlsx formulas' },
  },
  text: {
    ending: 'txt',
    mime: 'text/plain;charset=utf-8',
    draws: null,
    about: 'the figure in words: its description, its cues and what they found',
    action: { words: 'Hand over the words', search: 'export description findings text' },
  },
  words: {
    ending: 'words.json',
    mime: 'application/json',
    draws: null,
    about: 'the same words, as JSON',
    action: { words: 'Hand over the words as JSON', search: 'export description findings' },
  },
} satisfies Record<string, Omit<FormatOffer, 'name'>>;

/** A format by its name. */
export type FormatName = keyof typeof formatOffers;

/** A format as it is offered, by its name; undefined for none. */
export const offerNamed = (name: string): FormatOffer | undefined =>
  Object.hasOwn(formatOffers, name) ? { name, ...formatOffers[name as FormatName] } : undefined;
