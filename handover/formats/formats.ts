import { writeCsv } from 'core/io';
import { ledgerTable } from 'core/plan';
import { messageFor } from 'core/result/words';
import type { MakeFormat } from '../format';
import { figureText, figureTextLines } from '../figure-text';
import { figureHtml } from '../html/figure-html';
import type { FormatName } from '../offers';
import { isDialect } from '../sql/dialects';
import { figureStatement } from '../sql/figure-statement';
import { tableJson } from '../table-json';
import { tableParquet } from '../table-parquet';
import { figureWorkbook } from '../workbook/figure-workbook';
import { toXlsx } from '../workbook/to-xlsx';

/** The maker of each format: the other half of its entry in `offers`, which the page knows without it. */
export const makers: { readonly [N in FormatName]: MakeFormat } = {
  svg: (_, { svg }) => svg({ hover: false, embedFonts: null }),
  png: (_, { png }, { scale = 1 }) => png(scale),
  html: async (handed, { svg }) => figureHtml(handed, await svg({ hover: true, embedFonts: true })),
  csv: ({ picture }, _, { csv }) => Promise.resolve(writeCsv(ledgerTable(picture), csv)),
  json: ({ picture }) => Promise.resolve(tableJson(ledgerTable(picture))),
  parquet: ({ picture }) => tableParquet(ledgerTable(picture)),
  sql: (handed, _, { dialect = 'standard', column }) => {
    const text = figureStatement(handed, isDialect(dialect) ? dialect : 'standard', column);
    return text.ok ? Promise.resolve(text.value) : Promise.reject(new Error(text.problems.map(messageFor).join(' ')));
  },
  xlsx: async (handed, { png, size }) => toXlsx(figureWorkbook(handed), { png: await png(2), ...size }),
  text: handed => Promise.resolve(figureTextLines(figureText(handed))),
  words: handed => Promise.resolve(`${JSON.stringify(figureText(handed), null, 2)}\n`),
};
