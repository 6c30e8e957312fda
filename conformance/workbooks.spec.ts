import { CFB, utils, write } from '@e965/xlsx';
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import { seenSource, sourceRows } from './source-cases';
import { writtenRows, writtenWorkbook, type WrittenCell } from './written-workbook';

const n = null;

/** The container of workbooks with a password, as the library makes one. */
interface Compound {
  readonly utils: { cfb_new(): object; cfb_add(file: object, name: string, content: Uint8Array): void };
  write(file: object, options: { type: 'buffer' }): Iterable<number>;
}

const book = (cells: readonly (readonly WrittenCell[])[], behind = '', properties = ''): Uint8Array =>
  writtenWorkbook([{ name: 'June', rows: writtenRows(cells), behind }], properties);

describe('workbooks as tables', () => {
  // 48001 is 2 June 2031 where the counting starts in 1900; 46539 where it starts in 1904.
  const cells: readonly (readonly WrittenCell[])[] = [
    ['hut', 'day', 'at', 'share', 'milk', 'ok'],
    ['Alm', { v: 48_001, s: 1 }, { v: 48_001.25, s: 2 }, { v: 0.125, s: 3 }, 12.5, true],
    ['Berg', { v: 48_002, s: 1 }, { v: 48_002, s: 2 }, { v: 0.5, s: 3 }, { f: 'E2*2', v: 25 }, false],
  ];
  const read = {
    hut: ['Alm', 'Berg'],
    day: ['2031-06-02', '2031-06-03'],
    at: ['2031-06-02 06:00:00', '2031-06-03 00:00:00'],
    share: [0.125, 0.5],
    milk: [12.5, 25],
    ok: [true, false],
  };
  sourceRows([
    [
      'types as they are, formulas by their stored values',
      book(cells),
      'a.xlsx',
      { columns: read, types: 'text date timestamp number number boolean', notes: [] },
    ],
    [
      'days counted from 1904',
      book([['day'], [{ v: 46_539, s: 1 }]], '', 'date1904="1"'),
      'a.xlsx',
      { columns: { day: ['2031-06-02'] }, types: 'date' },
    ],
    [
      'the days before the leap day that never was',
      book([['day'], [{ v: 1, s: 1 }], [{ v: 59, s: 1 }], [{ v: 61, s: 1 }]]),
      'a.xlsx',
      { columns: { day: ['1900-01-01', '1900-02-28', '1900-03-01'] } },
    ],
    ['a time alone is text', book([['at'], [{ v: 0.25, s: 4 }]]), 'a.xlsx', { columns: { at: ['6:00'] } }],
    [
      'a title, an empty row, empty columns, names further down',
      writtenWorkbook([
        {
          name: 'June',
          rows:
            writtenRows([['Deliveries of June']]) +
            writtenRows(
              [
                [n, 'hut', n, 'milk'],
                [n, 'Alm', n, 3],
                [n, 'Berg', n, 4],
              ],
              4,
            ),
        },
      ]),
      'a.xlsx',
      { columns: { hut: ['Alm', 'Berg'], milk: [3, 4] } },
    ],
    [
      'names over several columns, names over two rows, a text merged over rows',
      book(
        [
          ['hut', 'milk', n, 'valley'],
          [n, 'litres', 'kg', n],
          ['Alm', 40, 41.2, 'Tolm'],
          ['Berg', 30, 31, n],
        ],
        '<mergeCells><mergeCell ref="B1:C1"/><mergeCell ref="A1:A2"/><mergeCell ref="D1:D2"/><mergeCell ref="D3:D4"/></mergeCells>',
      ),
      'a.xlsx',
      {
        columns: { hut: ['Alm', 'Berg'], 'milk litres': [40, 30], 'milk kg': [41.2, 31], valley: ['Tolm', 'Tolm'] },
        notes: ['2 rows of names were joined', 'One merged text'],
      },
    ],
    [
      'a number merged over rows stands once',
      book(
        [
          ['hut', 'milk'],
          ['Alm', 40],
          ['Berg', n],
        ],
        '<mergeCells><mergeCell ref="B2:B3"/></mergeCells>',
      ),
      'a.xlsx',
      { columns: { hut: ['Alm', 'Berg'], milk: [40, n] }, notes: [] },
    ],
    [
      'errors are missing',
      book([
        ['hut', 'milk'],
        ['Alm', { e: '#DIV/0!' }],
        ['Berg', 4],
      ]),
      'a.xlsx',
      { columns: { hut: ['Alm', 'Berg'], milk: [n, 4] }, notes: ['One cell holds an error, such as #DIV/0!'] },
    ],
    [
      'numbers kept as text, and none',
      book([
        ['milk', 'code'],
        ['12', '007'],
        [13, '008'],
        ['n/a', '009'],
      ]),
      'a.xlsx',
      { columns: { milk: [12, 13, n], code: ['007', '008', '009'] }, notes: ['code stays text', 'One number of milk was kept as text'] },
    ],
    [
      'hidden rows are read and said',
      writtenWorkbook([{ name: 'June', rows: writtenRows([['milk'], [1], [2], [3]], 1, ['', '', 'hidden="1"', '']) }]),
      'a.xlsx',
      { columns: { milk: [1, 2, 3] }, notes: ['One hidden row was read as well'] },
    ],
    [
      'hidden rows left out',
      writtenWorkbook([{ name: 'June', rows: writtenRows([['milk'], [1], [2], [3]], 1, ['', '', 'hidden="1"', '']) }]),
      'a.xlsx',
      { columns: { milk: [1, 3] }, notes: ['One hidden row was left out'] },
      { hidden: 'out' },
    ],
    [
      'a range',
      book([
        ['x', 'y', 'z'],
        ['hut', 'milk', 1],
        ['Alm', 3, 2],
        ['Berg', 4, 3],
        ['all', 7, 5],
      ]),
      'a.xlsx',
      { columns: { hut: ['Alm', 'Berg'], milk: [3, 4] } },
      { range: { top: 2, left: 1, bottom: 4, right: 2 } },
    ],
    [
      'the sheet that was chosen',
      writtenWorkbook([
        { name: 'May', rows: writtenRows([['m'], [1]]) },
        { name: 'June', rows: writtenRows([['j'], [2]]) },
      ]),
      'a.xlsx',
      { columns: { j: [2] } },
      { part: 'June' },
    ],
    [
      'the first sheet with cells',
      writtenWorkbook([
        { name: 'Empty', rows: '' },
        { name: 'June', rows: writtenRows([['j'], [2]]) },
      ]),
      'a.xlsx',
      { columns: { j: [2] } },
    ],
    [
      'a sheet that is not there',
      book([['a'], [1]]),
      'a.xlsx',
      { fault: 'No sheet is called July. Choose one of: June' },
      { part: 'July' },
    ],
    ['no cells', book([]), 'a.xlsx', { fault: 'no sheet with cells' }],
    ['cut off', book(cells).subarray(0, 400), 'a.xlsx', { fault: 'is no workbook that can be read' }],
    ['no workbook at all', new Uint8Array([0x50, 0x4b, 3, 4, 9, 9]), 'a.xlsx', { fault: 'is no workbook that can be read' }],
    [
      'names for text that a formula would be',
      book([
        ['=1+1', '<b>x</b>'.replaceAll('<', '&lt;')],
        ['@x', 1],
      ]),
      'a.xlsx',
      { columns: { '=1+1': ['@x'], '<b>x</b>': [1] } },
    ],
  ]);
  it('a password is told', async () => {
    const { utils: files, write: packed } = CFB as unknown as Compound;
    const locked = files.cfb_new();
    files.cfb_add(locked, '/EncryptionInfo', new Uint8Array([4, 0, 4, 0, 64, 0, 0, 0]));
    files.cfb_add(locked, '/EncryptedPackage', new Uint8Array(512));
    const found = await seenSource(Uint8Array.from(packed(locked, { type: 'buffer' })), 'a.xlsx');
    expect(found.fault).toContain('a.xlsx is protected by a password. Take the protection off');
  });
  it('an open document reads as its workbook does', async () => {
    const sheet = utils.aoa_to_sheet(
      [
        ['hut', 'day', 'milk'],
        ['Alm', new Date(Date.UTC(2031, 5, 2)), 12.5],
        ['Berg', new Date(Date.UTC(2031, 5, 3)), 25],
      ],
      { UTC: true },
    );
    const whole = utils.book_new();
    utils.book_append_sheet(whole, sheet, 'June');
    const data = new Uint8Array(write(whole, { type: 'array', bookType: 'ods' }) as ArrayBuffer);
    expect((await seenSource(data, 'a.ods')).columns as unknown).toEqual({
      hut: ['Alm', 'Berg'],
      day: ['2031-06-02', '2031-06-03'],
      milk: [12.5, 25],
    });
    // The second row of cells hidden, as a filter hides it.
    const parts = unzipSync(data);
    const text = strFromU8(parts['content.xml']!);
    const row = text.indexOf('<table:table-row', text.indexOf('<table:table-row') + 1);
    const hidden = `${text.slice(0, row)}${text.slice(row).replace('<table:table-row', '<table:table-row table:visibility="filter"')}`;
    const filtered = zipSync({ ...parts, 'content.xml': strToU8(hidden) });
    const seen = await seenSource(filtered, 'a.ods');
    expect([seen.columns['hut'], seen.notes]).toEqual([['Alm', 'Berg'], [jasmine.stringContaining('One hidden row was read as well')]]);
    expect((await seenSource(filtered, 'a.ods', { hidden: 'out' })).columns['hut']).toEqual(['Berg']);
  });
});
