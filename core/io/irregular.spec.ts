import { messageFor } from 'core/result/words';
import { cellAt, tableOf, type Cell, type ColumnType } from 'core/table';
import { parseCell, readCsv, writeCsv, type ImportedTable } from './index';

const bytes = (text: string): Uint8Array => new TextEncoder().encode(text);
const n = null;

function read(text: string | Uint8Array): ImportedTable {
  const found = readCsv(typeof text === 'string' ? bytes(text) : text, 'test.csv');
  if (!found.ok) throw new Error(found.problems.map(messageFor).join());
  return found.value;
}

const cellsOf = ({ table }: ImportedTable, at = 0): Cell[] =>
  Array.from({ length: table.rowCount }, (_, row) => cellAt(table.columns[at] as never, row));

describe('rows and quotes', () => {
  const cases: readonly [name: string, text: string, rows: Cell[][]][] = [
    [
      'CRLF above LF',
      'a,b\r\n1,x\n2,y\n',
      [
        [1, 'x'],
        [2, 'y'],
      ],
    ],
    [
      'LF above CRLF',
      'a,b\n1,x\r\n2,y\r\n',
      [
        [1, 'x'],
        [2, 'y'],
      ],
    ],
    [
      'CR between LF',
      'a,b\n1,x\r2,y\n3,z',
      [
        [1, 'x'],
        [2, 'y'],
        [3, 'z'],
      ],
    ],
    [
      'CR alone',
      'a,b\r1,x\r2,y',
      [
        [1, 'x'],
        [2, 'y'],
      ],
    ],
    [
      'all three',
      'a,b\r\n1,x\r2,y\n3,z\r\n',
      [
        [1, 'x'],
        [2, 'y'],
        [3, 'z'],
      ],
    ],
    [
      'line ends inside quotes are the cell’s own',
      'a,b\r\n1,"x\ny"\r\n2,"p\r\nq"\n',
      [
        [1, 'x\ny'],
        [2, 'p\r\nq'],
      ],
    ],
    [
      'what stands behind a closing quote',
      'a,b\n"x"y,1\nz,2',
      [
        ['xy', 1],
        ['z', 2],
      ],
    ],
    [
      'a quote within a word',
      'a,b\nx"y,1\nz,2',
      [
        ['x"y', 1],
        ['z', 2],
      ],
    ],
    [
      'an inch sign at the end of a bare cell',
      'a,b\n5" pipe,1\n7" pipe,2',
      [
        ['5" pipe', 1],
        ['7" pipe', 2],
      ],
    ],
    [
      'an empty quoted cell',
      'a,b\n"",1\nx,2',
      [
        [n, 1],
        ['x', 2],
      ],
    ],
    ['doubled quotes', 'a,b\n"say ""hi""",1', [['say "hi"', 1]]],
    ['a quoted mark between cells', 'a,b\n"x,y",1', [['x,y', 1]]],
    ['a last row without a line end', 'a,b\nx,1', [['x', 1]]],
    ['blank lines', 'a,b\n\n\nx,1\n\n', [['x', 1]]],
    [
      'a form feed and a vertical tab are characters',
      'a,b\nx\fy,1\nz\vw,2',
      [
        ['x\fy', 1],
        ['z\vw', 2],
      ],
    ],
    ['a line separator of another kind is a character', 'a,b\nx\u2028y,1', [['x\u2028y', 1]]],
  ];
  for (const [name, text, rows] of cases)
    it(name, () => {
      const found = read(text);
      expect(rows.map((_, row) => found.table.columns.map(column => cellAt(column, row)))).toEqual(rows);
      expect(found.table.rowCount).toBe(rows.length);
    });
  it('a header that ends in CRLF above two thousand LF rows gives all of them', () => {
    const found = read(`a,b\r\n${Array.from({ length: 2_500 }, (_, i) => `${i},x`).join('\n')}`);
    expect([found.table.rowCount, found.table.columns.map(({ name }) => name)]).toEqual([2_500, ['a', 'b']]);
  });
  it('a quote that ends too early is noted with its line', () =>
    expect(read('a,b\nq,0\n"x"y,1').notes.map(messageFor)).toEqual([jasmine.stringMatching(/^Line 3: a quote closes before/)]));
});

describe('the top of a file', () => {
  const cases: readonly [name: string, text: string, names: string[], rows: number, says: RegExp | null][] = [
    ['names', 'hut,milk\nAlm,1', ['hut', 'milk'], 1, null],
    ['numbers are data', '1,2\n3,4', ['column 1', 'column 2'], 2, /read as data/],
    ['dates and numbers are data', '2026-01-05,2\n2026-01-06,4', ['column 1', 'column 2'], 2, /read as data/],
    ['years beside a word are names', 'hut,2025,2026\nAlm,1,2', ['hut', '2025', '2026'], 1, null],
    ['a title', 'Milk of the season\nhut,milk\nAlm,1\nBerg,2', ['hut', 'milk'], 2, /One line stands above .* “Milk of the season”/],
    ['a padded title', 'Milk,,\nhut,milk,cows\nAlm,1,2\nBerg,2,3', ['hut', 'milk', 'cows'], 2, /“Milk”/],
    ['a title and a subtitle', 'Milk\nSummer 2031\n\nhut,milk\nAlm,1\nBerg,2', ['hut', 'milk'], 2, /2 lines stand/],
    ['a comment', '# made on Monday\nhut,milk\nAlm,1', ['hut', 'milk'], 1, /made on Monday/],
    ['a comment with commas', '# a, b, c\nhut,milk\nAlm,1\nBerg,2', ['hut', 'milk'], 2, /One line/],
    ['a named mark', 'sep=;\nhut;milk\nAlm;1', ['hut', 'milk'], 1, /“sep=;”/],
    ['a named mark of another kind', 'sep=^\nhut^milk\nAlm^1', ['hut', 'milk'], 1, /sep=/],
    ['a column named by a number sign', '#,milk\n1,2', ['#', 'milk'], 1, null],
    ['one column', 'milk\n1\n2', ['milk'], 2, null],
    ['one column of numbers alone', '5\n1\n2', ['column 1'], 3, /read as data/],
    ['an unnamed first column', ',milk\nAlm,1', ['column 1', 'milk'], 1, /Column 1 has no name/],
    ['spaces around names', ' hut , milk \nAlm,1', ['hut', 'milk'], 1, null],
    ['a mark before the names', '\uFEFFhut,milk\nAlm,1', ['hut', 'milk'], 1, null],
    ['equal names', 'a,a,a\n1,2,3', ['a', 'a 2', 'a 3'], 1, /second became “a 2”/],
    ['equal names where the free one is taken', 'a,a 2,a\n1,2,3', ['a', 'a 2', 'a 3'], 1, /“a 3”/],
  ];
  for (const [name, text, names, rows, says] of cases)
    it(name, () => {
      const found = read(text);
      expect([found.table.columns.map(column => column.name), found.table.rowCount]).toEqual([names, rows] as never);
      if (says) expect(found.notes.map(messageFor).join(' ')).toMatch(says);
      else expect(found.notes).toEqual([]);
    });
});

describe('bytes', () => {
  const utf32 = (text: string, little: boolean): Uint8Array => {
    const codes = [0xfeff, ...Array.from(text, letter => letter.codePointAt(0) as number)];
    const view = new DataView(new ArrayBuffer(codes.length * 4));
    codes.forEach((code, i) => view.setUint32(i * 4, code, little));
    return new Uint8Array(view.buffer);
  };
  const joined = (...parts: (string | number[])[]): Uint8Array =>
    new Uint8Array(parts.flatMap(part => (typeof part === 'string' ? [...bytes(part)] : part)));
  const cases: readonly [name: string, data: Uint8Array, first: Cell, code: string | null][] = [
    ['UTF-32, little end first', utf32('a,b\nÄlm🔔,1', true), 'Älm🔔', null],
    ['UTF-32, big end first', utf32('a,b\nÄlm🔔,1', false), 'Älm🔔', null],
    ['one bad byte among UTF-8 letters', joined('a,b\nÄlm', [0xff], ',1\nÜx,2\nÖy,3'), 'Älm\uFFFD', 'bytes-unreadable'],
    ['one accented letter in one byte', joined('a,b\nAlm', [0xe9], ',1'), 'Almé', 'encoding-assumed'],
    ['many in one byte', joined('a,b\n', [0xc4], 'lm', [0xfc, 0xf6], ',1'), 'Älmüö', 'encoding-assumed'],
    ['a letter cut at the end of the file', joined('a,b\nÄÖ,1\nÜ', [0xc3]), 'ÄÖ', 'bytes-unreadable'],
  ];
  for (const [name, data, first, code] of cases)
    it(name, () => {
      const found = read(data);
      expect([cellsOf(found)[0], found.notes.find(note => note.code === code)?.code ?? null]).toEqual([first, code] as never);
    });
});

describe('files beyond measure', () => {
  const refused: readonly [name: string, text: () => string, code: string | null][] = [
    ['a hundred thousand columns', () => `${Array.from({ length: 100_000 }, (_, i) => `c${i}`).join(',')}\n1`, 'too-many-columns'],
    ['twenty thousand equal names', () => `${'a,'.repeat(19_999)}a\n${'1,'.repeat(19_999)}1`, null],
    ['twenty thousand empty names', () => `x${','.repeat(19_999)}\ny${',1'.repeat(19_999)}`, null],
    ['a row of twenty thousand cells among three columns', () => `a,b,c\n${'1,2,3\n'.repeat(3_000)}${'9,'.repeat(19_999)}9\n1,2,3`, null],
    ['a cell of fifty megabytes', () => `a,b\n"${'x'.repeat(50_000_000)}",1`, 'cell-too-long'],
    ['a cell of five megabytes', () => `a,b\n"${'x'.repeat(5_000_000)}",1`, null],
    ['a quote that never closes before fifty megabytes', () => `a,b\n1,2\n"x,${'y,2\n'.repeat(12_500_000)}`, 'cell-too-long'],
  ];
  for (const [name, text, code] of refused)
    it(name, () => {
      const data = bytes(text());
      const found = readCsv(data, 'test.csv');
      expect(found.ok ? null : found.problems[0]?.code).toEqual(code as never);
      if (found.ok) expect(found.value.notes.length).toBeLessThan(60);
    });
});

describe('typing into a cell means what it meant in the file', () => {
  const cases: readonly [text: string, type: ColumnType, reading: object, value: Cell][] = [
    ['1,234', 'number', { decimal: 'comma' }, 1.234],
    ['1,234', 'number', { decimal: 'point' }, 1234],
    ['1.234', 'number', { decimal: 'comma' }, 1234],
    ['12,5', 'number', { decimal: 'point' }, 12.5],
    ['02/06/2031', 'date', { dates: 'month-first' }, '2031-02-06'],
    ['02/06/2031', 'date', { dates: 'day-first' }, '2031-06-02'],
    ['24/12/2031', 'date', { dates: 'month-first' }, '2031-12-24'],
    ['2031-06-02', 'date', { dates: 'month-first' }, '2031-06-02'],
    ['2/6/2031 5:30 PM', 'timestamp', { dates: 'month-first' }, '2031-02-06 17:30:00'],
  ];
  for (const [text, type, reading, value] of cases)
    it(`${text} with ${JSON.stringify(reading)}`, () =>
      expect(parseCell(text, { name: 'c', type, reading: { decimal: 'point', dates: 'iso', ...reading } as never })).toEqual({
        ok: true,
        value,
      }));
  it('its unit may stand beside a number', () =>
    expect(parseCell('12,5 €', { name: 'c', type: 'number', unit: '€', reading: { decimal: 'comma', dates: 'iso' } })).toEqual({
      ok: true,
      value: 12.5,
    }));
});

describe('CSV that no spreadsheet runs', () => {
  const texts = ['=1+1', '+49', '-x', '@a', '\tx', "'=y", "''=z", 'plain', "it's", '-', null];
  const table = tableOf({ '=head': texts, n: texts.map((_, i) => -i) });
  it('puts an apostrophe before texts that begin like a formula, not before numbers', () => {
    const lines = writeCsv(table, { guardsFormulas: true }).split('\r\n');
    expect(lines.slice(0, 5)).toEqual(["'=head,n", "'=1+1,0", "'+49,-1", "'-x,-2", "'@a,-3"]);
  });
  it('takes it off again when read', () => {
    const found = read(writeCsv(table, { guardsFormulas: true }));
    expect(cellsOf(found)).toEqual(texts);
    expect(found.notes.map(({ code }) => code)).toContain('guards-removed');
  });
  it('leaves all as it is unless asked', () => expect(writeCsv(table).split('\r\n')[1]).toBe('=1+1,0'));
  it('begins with a mark when asked', () => {
    expect(writeCsv(table, { mark: true }).charCodeAt(0)).toBe(0xfeff);
    expect(read(writeCsv(table, { mark: true })).table.columns[0]?.name).toBe('=head');
  });
});

describe('a gap in the rows', () => {
  const rows = (from: number, to: number): string => Array.from({ length: to - from + 1 }, (_, i) => `h${from + i},${from + i}\n`).join('');
  const cases: readonly [name: string, text: string, note: RegExp | null][] = [
    [
      'near the end',
      `hut,milk\n${rows(1, 20)}\nas of June,7\n`,
      /^One row stands below an empty one, from line 23 on\. Leave it out at the bottom/,
    ],
    ['of several lines', `hut,milk\n${rows(1, 20)}\n\n\nnote,1\nother,2\n`, /^2 rows stand below an empty one, from line 25 on\./],
    ['between halves is none of these', `hut,milk\n${rows(1, 10)}\n${rows(11, 20)}`, null],
    ['at the very end', `hut,milk\n${rows(1, 20)}\n\n`, null],
    ['above the rows', `hut,milk\n\n${rows(1, 3)}`, null],
  ];
  for (const [name, text, note] of cases)
    it(name, () => {
      const notes = read(text).notes.map(messageFor);
      if (note) expect(notes).toEqual([jasmine.stringMatching(note)]);
      else expect(notes).toEqual([]);
    });
});
