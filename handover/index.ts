// A figure with all that is computed of it, and the formats that it leaves in.
export { foundIn, handedOf, risksIn, type Handed } from './handed';
export type { Drawings, HandoverFormat, HandoverWishes } from './format';
export { formatNamed, handoverFormats } from './formats';
export { figureText, figureTextLines } from './figure-text';
export { type DialectName } from './sql/dialects';
export { figureStatement } from './sql/figure-statement';
export { figureWorkbook } from './workbook/figure-workbook';
export { toXlsx } from './workbook/to-xlsx';
export { writtenPage, type WrittenPage } from './pages/written-page';
