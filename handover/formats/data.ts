import { writeCsv } from 'core/io';
import { ledgerTable } from 'core/plan';
import type { HandoverFormat } from '../format';
import { figureText, figureTextLines } from '../figure-text';
import { tableJson } from '../table-json';
import { tableParquet } from '../table-parquet';

/** The ledger as CSV. */
export const csv: HandoverFormat = {
  name: 'csv',
  ending: 'csv',
  mime: 'text/csv;charset=utf-8',
  about: 'the ledger with its helper columns, as CSV',
  isDrawn: false,
  make: ({ picture }, _, { csv: options }) => Promise.resolve(writeCsv(ledgerTable(picture), options)),
};

/** The ledger as a JSON list of records. */
export const json: HandoverFormat = {
  name: 'json',
  ending: 'json',
  mime: 'application/json',
  about: 'the ledger with its helper columns, as JSON',
  isDrawn: false,
  make: ({ picture }) => Promise.resolve(tableJson(ledgerTable(picture))),
};

/** The ledger as a Parquet file. */
export const parquet: HandoverFormat = {
  name: 'parquet',
  ending: 'parquet',
  mime: 'application/vnd.apache.parquet',
  about: 'the ledger with its helper columns, as Parquet',
  isDrawn: false,
  make: ({ picture }) => tableParquet(ledgerTable(picture)),
};

/** The figure in words. */
export const text: HandoverFormat = {
  name: 'text',
  ending: 'txt',
  mime: 'text/plain;charset=utf-8',
  about: 'the figure in words: its description, its cues and what they found',
  isDrawn: false,
  make: handed => Promise.resolve(figureTextLines(figureText(handed))),
};

/** The same words as data. */
export const words: HandoverFormat = {
  name: 'words',
  ending: 'words.json',
  mime: 'application/json',
  about: 'the same words, as JSON',
  isDrawn: false,
  make: handed => Promise.resolve(`${JSON.stringify(figureText(handed), null, 2)}\n`),
};
