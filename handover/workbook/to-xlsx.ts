import { unzipSync, zipSync, type Zippable } from 'fflate';
import type * as Writer from 'exceljs';
import { contrastOf } from 'core/colour';
import type { Cell, ColumnType } from 'core/table';
import type { ColouredCells, FigureWorkbook } from './figure-workbook';
import { formulaAt, letterOf, type CellColumn, type Sheet } from './sheet';

/** A picture of the figure for its sheet. */
export interface WorkbookPicture {
  readonly png: Uint8Array;
  readonly width: number;
  readonly height: number;
}

type WriterModule = typeof Writer;
type Book = InstanceType<WriterModule['Workbook']>;
type Worksheet = ReturnType<Book['addWorksheet']>;

// A file says when it was made: always the same, so that the same figure gives the same bytes.
const ALWAYS = new Date(Date.UTC(2000, 0, 1));
const HEAD = { type: 'pattern', pattern: 'solid', fgColor: { argb: 'FFEDF2EF' } } as const;
const SOFT = 'FF7D918A';
// Widths of columns in letters.
const [NARROWEST, WIDEST] = [9, 42];

/** A workbook as an office file, by ISO/IEC 29500. The same workbook gives the same bytes. Cost: O(cells). */
export async function toXlsx(workbook: FigureWorkbook, picture: WorkbookPicture | null): Promise<Uint8Array> {
  const { Workbook } = await writer();
  const book = new Workbook();
  book.title = workbook.title;
  [book.created, book.modified] = [ALWAYS, ALWAYS];
  if (picture) writePicture(book, workbook, picture);
  const ledger = writeSheet(book, workbook.ledger);
  colour(ledger, workbook.coloured, workbook.ledger);
  for (const { sheet, coloured } of workbook.totals) colour(writeSheet(book, sheet), coloured, sheet);
  if (workbook.rows) writeSheet(book, workbook.rows);
  writeWords(book, workbook);
  return sameBytes(new Uint8Array(await book.xlsx.writeBuffer()));
}

/** The package, however the bundler gives it. */
async function writer(): Promise<WriterModule> {
  const loaded = (await import('exceljs')) as WriterModule & { readonly default?: WriterModule };
  return loaded.default ?? loaded;
}

function writePicture(book: Book, { names, title }: FigureWorkbook, { png, width, height }: WorkbookPicture): void {
  const sheet = book.addWorksheet(names.figure, { views: [{ showGridLines: false }] });
  sheet.getCell('A1').value = title;
  sheet.getCell('A1').font = { bold: true, size: 14 };
  const image = book.addImage({ buffer: png as never, extension: 'png' });
  sheet.addImage(image, { tl: { col: 0, row: 2 }, ext: { width, height } });
}

function writeSheet(book: Book, from: Sheet): Worksheet {
  const { name, rowCount } = from;
  const sheet = book.addWorksheet(name, { views: [{ state: 'frozen', ySplit: 1 }] });
  from.all().forEach((column, place) => writeColumn(sheet, column, place, rowCount));
  return sheet;
}

function writeColumn(sheet: Worksheet, column: CellColumn, place: number, rows: number): void {
  const { title, type, cells, formula, style, says, isScratch = false, fixed } = column;
  const letter = letterOf(place);
  const head = sheet.getCell(`${letter}1`);
  head.value = title.slice(0, MOST_TEXT);
  head.font = { bold: !isScratch, color: isScratch ? { argb: SOFT } : undefined } as never;
  head.fill = HEAD;
  if (says && says !== title) head.note = says.slice(0, MOST_NOTE);
  sheet.getColumn(place + 1).width = Math.min(WIDEST, Math.max(NARROWEST, title.length + 3, type === 'text' ? 18 : 12));
  for (let row = 0; row < rows; row++) {
    const own = cells[row] ?? null;
    const cell = sheet.getCell(`${letter}${row + 2}`);
    if (formula && !fixed?.(row)) {
      const text = formulaAt(formula, row);
      const result = (own === null ? '' : cellValue(own, type)) as never;
      cell.value = formula.isArray
        ? ({ formula: text, result, shareType: 'array', ref: `${letter}${row + 2}` } as never)
        : { formula: text, result };
    } else if (own !== null) cell.value = cellValue(own, type);
    if (style && (own !== null || formula)) cell.numFmt = style;
    if (isScratch) cell.font = { color: { argb: SOFT } };
  }
}

// Letters that a cell and a note take.
const [MOST_TEXT, MOST_NOTE] = [32_000, 2_000];
// Spreadsheets count no days before it.
const FIRST_DAY = '1900-03-01';

/** A value as a cell holds it; texts stay texts, however they begin. */
function cellValue(cell: NonNullable<Cell>, type: ColumnType): string | number | boolean | Date {
  if (type === 'date' || type === 'timestamp') {
    const text = String(cell);
    return text < FIRST_DAY || text.length > 26 ? text : new Date(`${text.replace(' ', 'T')}${text.length > 10 ? 'Z' : 'T00:00:00Z'}`);
  }
  return typeof cell === 'string' ? plainText(cell) : cell;
}

/** What no XML may hold is left out. */
const plainText = (text: string): string =>
  text.replace(/[\u0000-\u0008\u000b\u000c\u000e-\u001f\ufffe\uffff]/g, '\ufffd').slice(0, MOST_TEXT);

/** Cells take the colour of the first cue that marks them, as long as its helper column has a value there. */
function colour(sheet: Worksheet, coloured: readonly ColouredCells[], { rowCount }: Sheet): void {
  if (rowCount === 0) return;
  coloured.forEach(({ column, where, colour: hex }, i) => {
    const ground = `FF${hex.slice(1).toUpperCase()}`;
    const ink = contrastOf('#ffffff', hex) >= contrastOf('#15302a', hex) ? 'FFFFFFFF' : 'FF15302A';
    const rule = {
      type: 'expression',
      priority: i + 1,
      formulae: [`$${letterOf(where)}2<>""`],
      style: { fill: { type: 'pattern', pattern: 'solid', bgColor: { argb: ground } }, font: { color: { argb: ink } } },
    };
    const letter = letterOf(column);
    sheet.addConditionalFormatting({ ref: `${letter}2:${letter}${rowCount + 1}`, rules: [rule as never] });
  });
}

function writeWords(book: Book, { names, words }: FigureWorkbook): void {
  const sheet = book.addWorksheet(names.words, { views: [{ showGridLines: false }] });
  [60, 60, 60].forEach((width, i) => (sheet.getColumn(i + 1).width = width));
  words.forEach((cells, row) =>
    cells.forEach((text, place) => {
      const cell = sheet.getCell(`${letterOf(place)}${row + 1}`);
      cell.value = plainText(text);
      cell.alignment = { wrapText: true, vertical: 'top' };
      if (row === 0) cell.font = { bold: true, size: 14 };
    }),
  );
}

/** The same file with one time in all its entries, which the writer sets to that of its making. */
function sameBytes(file: Uint8Array): Uint8Array {
  const entries = unzipSync(file);
  const plain: Zippable = Object.fromEntries(
    Object.keys(entries)
      .filter(name => !name.endsWith('/'))
      .sort()
      .map(name => [name, [entries[name] as Uint8Array, { mtime: ALWAYS }]]),
  );
  // The list of content comes first: some readers want it there.
  const first = '[Content_Types].xml';
  return zipSync({ ...(plain[first] ? { [first]: plain[first] } : {}), ...plain });
}
