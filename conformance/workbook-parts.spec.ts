import { utils, write } from '@e965/xlsx';
import exceljs from 'exceljs';
import { strFromU8, strToU8, unzipSync, Zip, ZipDeflate, zipSync } from 'fflate';
import { readFile } from 'core/io/formats';
import { cellAt, PLAIN_INTAKE, type Cell } from 'core/table';
import { seededRandom } from 'demo/random';
import { seenSource, sourceRows } from './source-cases';
import { writtenRows, writtenWorkbook } from './written-workbook';

const n = null;
const PLAIN = writtenWorkbook([{ name: 'June', rows: '' }]);
const SHEET = 'xl/worksheets/sheet1.xml';
const SHARED = 'http://schemas.openxmlformats.org/officeDocument/2006/relationships/sharedStrings';
const MAIN = 'http://schemas.openxmlformats.org/spreadsheetml/2006/main';

/** A workbook of one sheet, with parts of it replaced or added. */
const withParts = (parts: Readonly<Record<string, string | Uint8Array>>, level: 0 | 6 = 6): Uint8Array => {
  const bytes = Object.entries(parts).map(([name, part]) => [name, typeof part === 'string' ? strToU8(part) : part] as const);
  return zipSync({ ...unzipSync(PLAIN), ...Object.fromEntries(bytes) }, { level });
};
const sheet = (rows: string): string => `<worksheet xmlns="${MAIN}"><sheetData>${rows}</sheetData></worksheet>`;
const withRows = (rows: string): Uint8Array => withParts({ [SHEET]: sheet(rows) });
const relations = (bytes: Uint8Array): string => strFromU8(unzipSync(bytes)['xl/_rels/workbook.xml.rels']!);
const withShared = (shared: string, rows: string): Uint8Array =>
  withParts({
    [SHEET]: sheet(rows),
    'xl/sharedStrings.xml': `<sst xmlns="${MAIN}">${shared}</sst>`,
    'xl/_rels/workbook.xml.rels': relations(PLAIN).replace(
      '</Rel',
      `<Relationship Id="x" Type="${SHARED}" Target="sharedStrings.xml"/></Rel`,
    ),
  });
const withFormats = (formats: string, styles: readonly number[], rows: string): Uint8Array =>
  withParts({
    [SHEET]: sheet(rows),
    'xl/styles.xml': `<styleSheet xmlns="${MAIN}"><numFmts>${formats}</numFmts><cellStyleXfs><xf numFmtId="14"/></cellStyleXfs><cellXfs>${styles.map(id => `<xf numFmtId="${id}"/>`).join('')}</cellXfs></styleSheet>`,
  });
/** Zipped as a writer does that knows the sizes only behind each file. */
const streamed = (bytes: Uint8Array): Uint8Array => {
  const pieces: Uint8Array[] = [];
  const zip = new Zip((_, piece) => void pieces.push(piece));
  for (const [name, part] of Object.entries(unzipSync(bytes))) {
    const file = new ZipDeflate(name);
    zip.add(file);
    file.push(part, true);
  }
  zip.end();
  return Uint8Array.from(pieces.flatMap(piece => [...piece]));
};
const utf16 = (text: string): Uint8Array => {
  const codes = Uint16Array.from(`\uFEFF${text}`, letter => letter.charCodeAt(0));
  return new Uint8Array(codes.buffer);
};

const TWO = writtenRows([
  ['hut', 'milk'],
  ['Alm', 3],
]);
const ALM = { hut: ['Alm'], milk: [3] };

describe('parts of a workbook as the standard has them', () => {
  sourceRows([
    [
      'elements with a prefix, texts in runs without how they are spoken',
      withParts({
        [SHEET]: `<x:worksheet xmlns:x="${MAIN}"><x:sheetData><x:row r="1"><x:c r="A1" t="inlineStr"><x:is><x:t>hut</x:t></x:is></x:c></x:row><x:row r="2"><x:c r="A2" t="inlineStr"><x:is><x:r><x:rPr><x:b/></x:rPr><x:t>Al</x:t></x:r><x:r><x:t>m</x:t></x:r><x:rPh sb="0" eb="1"><x:t>spoken</x:t></x:rPh></x:is></x:c></x:row></x:sheetData></x:worksheet>`,
      }),
      'a.xlsx',
      { columns: { hut: ['Alm'] } },
    ],
    [
      'texts that cells share, one empty, one in runs',
      withShared(
        '<si><t>hut</t></si><si><t/></si><si><r><t xml:space="preserve">Alm </t></r><r><t>Süd</t></r><rPh sb="0" eb="1"><t>no</t></rPh></si>',
        '<row r="1"><c r="A1" t="s"><v>0</v></c><c r="B1" t="inlineStr"><is><t>milk</t></is></c></row><row r="2"><c r="A2" t="s"><v>2</v></c><c r="B2"><v>4</v></c></row><row r="3"><c r="A3" t="s"><v>1</v></c><c r="B3"><v>5</v></c></row>',
      ),
      'a.xlsx',
      { columns: { hut: ['Alm Süd', n], milk: [4, 5] } },
    ],
    [
      'rows and cells without their places',
      withRows(
        '<row><c t="inlineStr"><is><t>hut</t></is></c><c t="inlineStr"><is><t>milk</t></is></c></row><row><c t="inlineStr"><is><t>Alm</t></is></c><c><v>3</v></c></row>',
      ),
      'a.xlsx',
      { columns: ALM },
    ],
    [
      'characters that XML cannot hold, entities once, sections of characters',
      withRows(
        '<row r="1"><c r="A1" t="inlineStr"><is><t>a_x0041_b</t></is></c><c r="B1" t="str"><v>x &amp;lt; y</v></c></row><row r="2"><c r="A2" t="inlineStr"><is><t><![CDATA[<Alm>]]></t></is></c><c r="B2" t="str"><v>_x005F_x</v></c></row>',
      ),
      'a.xlsx',
      { columns: { aAb: ['<Alm>'], 'x &lt; y': ['_x'] } },
    ],
    [
      'days as the standard writes them out',
      withRows(
        '<row r="1"><c r="A1" t="str"><v>day</v></c><c r="B1" t="str"><v>at</v></c></row><row r="2"><c r="A2" t="d"><v>2031-06-02</v></c><c r="B2" t="d"><v>2031-06-02T06:30:00</v></c></row>',
      ),
      'a.xlsx',
      { columns: { day: ['2031-06-02'], at: ['2031-06-02 06:30:00'] }, types: 'date timestamp' },
    ],
    [
      'formats of its own, formats that each language has of days, styles that are not there',
      withFormats(
        '<numFmt numFmtId="164" formatCode="yyyy\\-mm\\-dd;@"/><numFmt numFmtId="165" formatCode="[Red]0.0&quot;d&quot;"/><numFmt numFmtId="400" formatCode="[h]:mm"/>',
        [0, 164, 165, 400, 31, 57],
        `<row r="1">${['own', 'red', 'span', 'a', 'b', 'none'].map(name => `<c t="str"><v>${name}</v></c>`).join('')}</row><row r="2">${[1, 2, 3, 4, 5, 99].map(s => `<c s="${s}"><v>48001</v></c>`).join('')}</row>`,
      ),
      'a.xlsx',
      {
        columns: {
          own: ['2031-06-02'],
          red: [48_001],
          span: ['1152024:00'],
          a: ['2031-06-02'],
          b: ['2031-06-02'],
          none: [48_001],
        },
      },
    ],
    [
      'targets from the root, names of parts in other case',
      withParts({
        [SHEET]: sheet(TWO),
        'xl/_rels/workbook.xml.rels': relations(PLAIN).replace('worksheets/sheet1.xml', '/XL/Worksheets/Sheet1.xml'),
      }),
      'a.xlsx',
      { columns: ALM },
    ],
    ['a part in UTF-16', withParts({ [SHEET]: utf16(sheet(TWO)) }), 'a.xlsx', { columns: ALM }],
    ['parts that are not packed', withParts({ [SHEET]: sheet(TWO) }, 0), 'a.xlsx', { columns: ALM }],
    ['sizes named behind each part', streamed(withRows(TWO)), 'a.xlsx', { columns: ALM }],
    [
      'rows that do not rise are left to the reader that takes them',
      withRows(
        '<row r="3"><c r="A3"><v>2</v></c></row><row r="1"><c r="A1" t="str"><v>milk</v></c></row><row r="2"><c r="A2"><v>1</v></c></row>',
      ),
      'a.xlsx',
      { columns: { milk: [1, 2] } },
    ],
    [
      'as is a cell that stands in another row',
      withRows('<row r="1"><c r="A1" t="str"><v>milk</v></c></row><row r="2"><c r="A3"><v>2</v></c><c r="A2"><v>1</v></c></row>'),
      'a.xlsx',
      { columns: { milk: [1, 2] } },
    ],
    [
      'merges behind a sheet, and lookalikes outside its data',
      withParts({
        [SHEET]: sheet(
          writtenRows([
            ['hut', 'milk'],
            ['Alm', 3],
            [n, 4],
          ]),
        ).replace(
          '</worksheet>',
          '<mergeCells><mergeCell ref="A2:A3"/></mergeCells><extLst><ext><row r="1"/><c><v>9</v></c></ext></extLst></worksheet>',
        ),
      }),
      'a.xlsx',
      { columns: { hut: ['Alm', 'Alm'], milk: [3, 4] }, notes: ['One merged text'] },
    ],
    [
      'entities that unfold into each other are read by nobody',
      withParts({
        [SHEET]: `<!DOCTYPE w [<!ENTITY a "aaaaaaaaaa"><!ENTITY b "&a;&a;&a;&a;&a;&a;&a;&a;">]>${sheet('<row r="1"><c r="A1" t="str"><v>milk</v></c></row><row r="2"><c r="A2" t="str"><v>&b;</v></c></row>')}`,
      }),
      'a.xlsx',
      { columns: { milk: ['&b;'] } },
    ],
    [
      'elements nested without an end',
      withParts({ [SHEET]: sheet('<row r="1">'.repeat(3_000_000)) }),
      'a.xlsx',
      { fault: 'is no workbook that can be read' },
    ],
    [
      'an element of a million attributes',
      withRows(`<row r="1" ${Array.from({ length: 1_000_000 }, (_, i) => `a${i}=""`).join(' ')}><c t="constructor"><v>1</v></c></row>`),
      'a.xlsx',
      { fault: 'is no workbook that can be read' },
    ],
    [
      'a text that is not shared',
      withRows('<row r="1"><c r="A1" t="s"><v>7</v></c></row>'),
      'a.xlsx',
      { fault: 'is no workbook that can be read' },
    ],
    ['a part that is cut off', withParts({ [SHEET]: sheet(TWO).slice(0, 240) }), 'a.xlsx', { fault: 'is no workbook that can be read' }],
    [
      'a part that is not there',
      withParts({ 'xl/_rels/workbook.xml.rels': '<Relationships/>' }),
      'a.xlsx',
      { fault: 'is no workbook that can be read' },
    ],
    [
      'more columns than a table may have',
      withRows(`<row r="1">${'<c><v>1</v></c>'.repeat(20_001)}</row>`),
      'a.xlsx',
      { fault: 'Row 1 has more than 20,000 cells. Drop columns first.' },
    ],
  ]);

  it('each part of a large one is told as it is read', async () => {
    const rows = Array.from({ length: 30_000 }, (_, row) => [`hut ${row % 7}`, row, row / 8, 'x'.repeat(row % 30)]);
    const shares: number[] = [];
    const book = writtenWorkbook([{ name: 'June', rows: writtenRows(rows) }]);
    await readFile(book, 'a.xlsx', { onProgress: share => shares.push(share) });
    expect(shares.length).toBeGreaterThan(15);
    expect(shares.every((share, i) => share >= (shares[i - 1] ?? 0))).toBeTrue();
    expect(shares.at(-1)).toBe(1);
  });
});

/** Columns of made-up values, each of one kind, some cells empty. */
function madeUp(seed: number): Readonly<Record<string, readonly (string | number | boolean | Date | null)[]>> {
  const random = seededRandom(seed);
  const height = Math.floor(random() * 60) + 2;
  const letters = ['Alm', 'Süd ', '日本', '<b>&', '"q"', 'a\nb', '_x41', 'Ω'];
  const column = <T>(make: () => T): (T | null)[] => Array.from({ length: height }, () => (random() < 0.15 ? null : make()));
  return {
    // In every row, so that none is empty.
    name: Array.from({ length: height }, () => `${letters[Math.floor(random() * letters.length)]}${Math.floor(random() * 9)} z`),
    amount: column(() => (random() - 0.4) * 10 ** Math.floor(random() * 12 - 4)),
    day: column(() => new Date(Date.UTC(2031, 0, Math.floor(random() * 900)))),
    // One answer alone would be a text.
    ok: [true, ...column(() => random() < 0.5).slice(2), false],
  };
}

const written: readonly (readonly [string, (columns: ReturnType<typeof madeUp>) => Uint8Array | Promise<Uint8Array>])[] = [
  [
    'one library',
    async columns => {
      const book = new exceljs.Workbook();
      const page = book.addWorksheet('June');
      page.addRow(Object.keys(columns));
      for (let row = 0; row < columns['name']!.length; row++) page.addRow(Object.values(columns).map(cells => cells[row]));
      return new Uint8Array(await book.xlsx.writeBuffer());
    },
  ],
  ['another, texts in their cells', columns => otherWritten(columns, false)],
  ['another, texts shared', columns => otherWritten(columns, true)],
];

function otherWritten(columns: ReturnType<typeof madeUp>, isShared: boolean): Uint8Array {
  const rows = columns['name']!.map((_, row) => Object.values(columns).map(cells => cells[row]));
  const book = utils.book_new();
  utils.book_append_sheet(book, utils.aoa_to_sheet([Object.keys(columns), ...rows], { UTC: true }), 'June');
  return new Uint8Array(write(book, { type: 'array', bookType: 'xlsx', bookSST: isShared, compression: true }) as ArrayBuffer);
}

describe('workbooks of other writers', () => {
  for (const [name, bytesOf] of written)
    it(`${name}: forty of made-up values read as they were`, async () => {
      for (let seed = 1; seed <= 40; seed++) {
        const columns = madeUp(seed);
        const read = await readFile(await bytesOf(columns), 'a.xlsx', { intake: PLAIN_INTAKE });
        if (!read.ok || read.value.kind !== 'tables') throw new Error(`${seed} could not be read`);
        const { table } = read.value.tables[0]!;
        const cells = table.columns.map(column => Array.from({ length: table.rowCount }, (_, row) => cellAt(column, row)));
        expect(cells)
          .withContext(`seed ${seed}`)
          .toEqual(Object.values(columns).map(values => values.map(asCell)));
      }
    });
  it('a workbook of the standard and the same as an open document read alike', async () => {
    const columns = madeUp(7);
    const rows = columns['name']!.map((_, row) => Object.values(columns).map(cells => cells[row]));
    const book = utils.book_new();
    utils.book_append_sheet(book, utils.aoa_to_sheet([Object.keys(columns), ...rows], { UTC: true }), 'June');
    const bytes = (bookType: 'xlsx' | 'ods' | 'xlsb'): Uint8Array =>
      new Uint8Array(write(book, { type: 'array', bookType }) as ArrayBuffer);
    const xlsx = await seenSource(bytes('xlsx'), 'a.xlsx');
    expect(xlsx.types).toBe('text number date boolean');
    expect(await seenSource(bytes('xlsb'), 'a.xlsx')).toEqual(xlsx);
    expect((await seenSource(bytes('ods'), 'a.ods')).types).toBe(xlsx.types);
  });
});

const asCell = (value: string | number | boolean | Date | null): Cell => (value instanceof Date ? value.toISOString().slice(0, 10) : value);
