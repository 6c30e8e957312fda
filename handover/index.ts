// A figure with all that is computed of it, and the formats that it leaves in.
export { foundIn, handedOf, risksIn, titlesIn, type Handed } from './handed';
export type { Drawings, HandoverFormat, HandoverWishes, SvgHow } from './format';
export { formatNamed, handoverFormats } from './formats';
export { figureText, figureTextLines, type CueText, type FigureText } from './figure-text';
export { tableJson } from './table-json';
export { dialects, isDialect, type DialectName } from './sql/dialects';
export { figureStatement } from './sql/figure-statement';
export { figureWorkbook, type FigureWorkbook } from './workbook/figure-workbook';
export { toXlsx } from './workbook/to-xlsx';
export { figureHtml } from './html/figure-html';
export { writtenPage, type WrittenBlock, type WrittenPage } from './pages/written-page';
