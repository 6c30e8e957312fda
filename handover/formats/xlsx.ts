import type { HandoverFormat } from '../format';
import { figureWorkbook } from '../workbook/figure-workbook';
import { toXlsx } from '../workbook/to-xlsx';

/** The figure as a workbook whose numbers are formulas. */
export const xlsx: HandoverFormat = {
  name: 'xlsx',
  ending: 'xlsx',
  mime: 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
  about: 'a workbook: the rows, the ledger in living formulas, the figure, its words',
  isDrawn: true,
  make: async (handed, { png, size }) => toXlsx(figureWorkbook(handed), { png: await png(2), ...size }),
};
