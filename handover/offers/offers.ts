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
}

/** Every format that a figure leaves in, in the order of help. */
export const formatOffers = {
  svg: { ending: 'svg', mime: 'image/svg+xml', draws: 'svg', about: 'the figure as SVG, with real text' },
  png: { ending: 'png', mime: 'image/png', draws: 'png', about: 'the figure as a picture' },
  html: {
    ending: 'html',
    mime: 'text/html;charset=utf-8',
    draws: 'svg',
    about: 'one file that opens anywhere: figure, words, ledger, rows',
  },
  csv: { ending: 'csv', mime: 'text/csv;charset=utf-8', draws: null, about: 'the ledger with its helper columns, as CSV' },
  json: { ending: 'json', mime: 'application/json', draws: null, about: 'the ledger with its helper columns, as JSON' },
  parquet: {
    ending: 'parquet',
    mime: 'application/vnd.apache.parquet',
    draws: null,
    about: 'the ledger with its helper columns, as Parquet',
  },
  sql: {
    ending: 'sql',
    mime: 'application/sql;charset=utf-8',
    draws: null,
    about: 'one statement of SQL from the tables to the rows of the ledger',
  },
  xlsx: {
    ending: 'xlsx',
    mime: 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
    draws: 'png',
    about: 'a workbook: the rows, the ledger in living formulas, the figure, its words',
  },
  text: {
    ending: 'txt',
    mime: 'text/plain;charset=utf-8',
    draws: null,
    about: 'the figure in words: its description, its cues and what they found',
  },
  words: { ending: 'words.json', mime: 'application/json', draws: null, about: 'the same words, as JSON' },
} satisfies Record<string, Omit<FormatOffer, 'name'>>;

/** A format by its name. */
export type FormatName = keyof typeof formatOffers;

/** A format as it is offered, by its name; undefined for none. */
export const offerNamed = (name: string): FormatOffer | undefined =>
  Object.hasOwn(formatOffers, name) ? { name, ...formatOffers[name as FormatName] } : undefined;
