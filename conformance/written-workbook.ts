import { strToU8, zipSync } from 'fflate';

/** A sheet of a workbook that a test writes: its rows as XML of the standard, and what stands behind them. */
export interface WrittenSheet {
  readonly name: string;
  readonly rows: string;
  readonly behind?: string;
}

const HEAD = '<?xml version="1.0" encoding="UTF-8" standalone="yes"?>';
const MAIN = 'xmlns="http://schemas.openxmlformats.org/spreadsheetml/2006/main"';
const RELATED = 'http://schemas.openxmlformats.org/officeDocument/2006/relationships';
const PACKAGE = 'http://schemas.openxmlformats.org/package/2006';
const FORMAT = 'application/vnd.openxmlformats-officedocument.spreadsheetml';

/**
 * The bytes of a workbook after ISO/IEC 29500, written by hand, so that no reader's own writer stands on both sides of a test. Styles: 1 a date, 2 a date
 * with a time, 3 a percent, 4 a time alone.
 */
export function writtenWorkbook(sheets: readonly WrittenSheet[], properties = ''): Uint8Array {
  const files: Record<string, string> = {
    '[Content_Types].xml': `${HEAD}<Types xmlns="${PACKAGE}/content-types"><Default Extension="rels" ContentType="application/vnd.openxmlformats-package.relationships+xml"/><Default Extension="xml" ContentType="application/xml"/><Override PartName="/xl/workbook.xml" ContentType="${FORMAT}.sheet.main+xml"/><Override PartName="/xl/styles.xml" ContentType="${FORMAT}.styles+xml"/>${sheets.map((_, i) => `<Override PartName="/xl/worksheets/sheet${i + 1}.xml" ContentType="${FORMAT}.worksheet+xml"/>`).join('')}</Types>`,
    '_rels/.rels': `${HEAD}<Relationships xmlns="${PACKAGE}/relationships"><Relationship Id="r1" Type="${RELATED}/officeDocument" Target="xl/workbook.xml"/></Relationships>`,
    'xl/workbook.xml': `${HEAD}<workbook ${MAIN} xmlns:r="${RELATED}"><workbookPr ${properties}/><sheets>${sheets.map(({ name }, i) => `<sheet name="${name}" sheetId="${i + 1}" r:id="s${i + 1}"/>`).join('')}</sheets></workbook>`,
    'xl/_rels/workbook.xml.rels': `${HEAD}<Relationships xmlns="${PACKAGE}/relationships">${sheets.map((_, i) => `<Relationship Id="s${i + 1}" Type="${RELATED}/worksheet" Target="worksheets/sheet${i + 1}.xml"/>`).join('')}<Relationship Id="st" Type="${RELATED}/styles" Target="styles.xml"/></Relationships>`,
    'xl/styles.xml': `${HEAD}<styleSheet ${MAIN}><cellXfs count="5"><xf numFmtId="0"/><xf numFmtId="14"/><xf numFmtId="22"/><xf numFmtId="10"/><xf numFmtId="20"/></cellXfs></styleSheet>`,
  };
  for (const [i, { rows, behind = '' }] of sheets.entries())
    files[`xl/worksheets/sheet${i + 1}.xml`] = `${HEAD}<worksheet ${MAIN}><sheetData>${rows}</sheetData>${behind}</worksheet>`;
  return zipSync(Object.fromEntries(Object.entries(files).map(([name, text]) => [name, strToU8(text)])));
}

/** A cell of the XML: a text in place, a number with a style, an answer, an error; null leaves its place empty. */
export type WrittenCell =
  | string
  | number
  | boolean
  | null
  | { readonly v: number; readonly s: number }
  | { readonly e: string }
  | { readonly f: string; readonly v: number };

/** Rows of cells as XML, from a row on (counted from 1). */
export const writtenRows = (rows: readonly (readonly WrittenCell[])[], from = 1, attributes: readonly string[] = []): string =>
  rows
    .map(
      (cells, i) =>
        `<row r="${from + i}" ${attributes[i] ?? ''}>${cells.map((cell, at) => writtenCell(cell, `${columnLetters(at)}${from + i}`)).join('')}</row>`,
    )
    .join('');

const columnLetters = (at: number): string => (at < 26 ? '' : columnLetters(Math.floor(at / 26) - 1)) + String.fromCharCode(65 + (at % 26));

function writtenCell(cell: WrittenCell, at: string): string {
  if (cell === null) return '';
  if (typeof cell === 'string') return `<c r="${at}" t="inlineStr"><is><t xml:space="preserve">${cell}</t></is></c>`;
  if (typeof cell === 'number') return `<c r="${at}"><v>${cell}</v></c>`;
  if (typeof cell === 'boolean') return `<c r="${at}" t="b"><v>${cell ? 1 : 0}</v></c>`;
  if ('e' in cell) return `<c r="${at}" t="e"><v>${cell.e}</v></c>`;
  return 'f' in cell ? `<c r="${at}"><f>${cell.f}</f><v>${cell.v}</v></c>` : `<c r="${at}" s="${cell.s}"><v>${cell.v}</v></c>`;
}
