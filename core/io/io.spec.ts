import { plainTable, PROJECT_VERSION } from 'core/document';
import { messageFor } from 'core/result/words';
import { cellAt, tableOf, valuesFrom, type Cell, type ColumnType, type Thousands } from 'core/table';
import { parseGrouped } from './columns/numbers';
import { parseCell, parseNumber, pasteGrid, readCsv, readProjectFile, writeCsv, writeProjectFile } from './index';
import { jsonFaultAt } from './json/json-fault';
import { lineOfRow } from './text/line-of-row';

const bytes = (text: string): Uint8Array => new TextEncoder().encode(text);

function columnsOf(text: string | Uint8Array): Record<string, readonly [ColumnType, ...Cell[]]> {
  const read = readCsv(typeof text === 'string' ? bytes(text) : text, 'test.csv');
  if (!read.ok) throw new Error(read.problems.map(messageFor).join());
  const { table } = read.value;
  return Object.fromEntries(
    table.columns.map(column => [column.name, [column.type, ...Array.from(column.data, (_, row) => cellAt(column, row))]]),
  );
}

describe('reading CSV', () => {
  const cases: readonly [name: string, text: string | Uint8Array, expected: Record<string, readonly [ColumnType, ...Cell[]]>][] = [
    ['commas', 'a,b\n1,x\n2,y', { a: ['number', 1, 2], b: ['text', 'x', 'y'] }],
    ['semicolons and decimal commas', 'a;b\n1,5;x\n2,25;y', { a: ['number', 1.5, 2.25], b: ['text', 'x', 'y'] }],
    ['tabs', 'a\tb\n1\t2', { a: ['number', 1], b: ['number', 2] }],
    ['quotes, with marks, breaks and doubled quotes inside', 'a,b\n"x,\n""y""",2', { a: ['text', 'x,\n"y"'], b: ['number', 2] }],
    ['a UTF-8 mark', '\uFEFFa,b\n1,2', { a: ['number', 1], b: ['number', 2] }],
    [
      'UTF-16 with its mark',
      new Uint8Array([0xff, 0xfe, 0x61, 0, 0x2c, 0, 0x62, 0, 10, 0, 0x31, 0, 0x2c, 0, 0x32, 0]),
      { a: ['number', 1], b: ['number', 2] },
    ],
    ['Windows line ends and blank lines', 'a,b\r\n\r\n1,2\r\n\r\n3,4\r\n', { a: ['number', 1, 3], b: ['number', 2, 4] }],
    ['grouped thousands and a true minus', 'a;b\n1,234.5;−3\n12,000.25;4', { a: ['number', 1234.5, 12000.25], b: ['number', -3, 4] }],
    ['points that group, commas that cut', 'a;b\n1.234,5;1\n2.000,25;2', { a: ['number', 1234.5, 2000.25], b: ['number', 1, 2] }],
    ['missing marks are missing, zero is zero', 'a,b\n0,NA\n,1\n-,n/a', { a: ['number', 0, null, null], b: ['number', null, 1, null] }],
    [
      'dates, ISO and day first',
      'd,e\n2031-06-02,02.06.2031\n2031-12-24,24.12.2031',
      { d: ['date', '2031-06-02', '2031-12-24'], e: ['date', '2031-06-02', '2031-12-24'] },
    ],
    [
      'month first where nothing else fits',
      'd,n\n12/24/2031,1\n06/02/2031,2',
      { d: ['date', '2031-12-24', '2031-06-02'], n: ['number', 1, 2] },
    ],
    ['timestamps', 't,n\n2031-06-02T05:30,1', { t: ['timestamp', '2031-06-02 05:30:00'], n: ['number', 1] }],
    ['yes and no', 'o,n\nyes,1\nno,2', { o: ['boolean', true, false], n: ['number', 1, 2] }],
    ['other scripts', 'सं,名\n1,山\n2,川', { सं: ['number', 1, 2], 名: ['text', '山', '川'] }],
    ['identifiers that are not numbers stay text', 'a,b\n1.2.3,4\n2.0.1,5', { a: ['text', '1.2.3', '2.0.1'], b: ['number', 4, 5] }],
  ];
  for (const [name, text, expected] of cases) it(name, () => expect(columnsOf(text)).toEqual(expected as never));

  it('reads ten thousand rows, and text that starts after the sample', () => {
    const rows = Array.from({ length: 10_000 }, (_, i) => (i < 3000 ? `${i},1` : `late ${i},1`));
    const columns = columnsOf(`a,b\n${rows.join('\n')}`);
    expect([columns['a']?.[0], columns['a']?.[1], columns['a']?.[10_000], columns['b']?.length]).toEqual([
      'text',
      '0',
      'late 9999',
      10_001,
    ]);
  });

  const notes: readonly [name: string, text: string, says: RegExp[]][] = [
    ['short and long rows', 'a,b\n1\n1,2,3\n1,2', [/Column 3 has no name/, /Line 2 has 1 of 2 cells/, /Line 3 has 3 cells for 2/]],
    ['line numbers count breaks inside quotes', 'a,b\n"x\ny",1\nz\nw,2', [/Line 4 has 1 of 2/]],
    ['a text among numbers', `a,b\n${'1,2\n'.repeat(20)}oops,3`, [/Line 22: “oops” in a is not a number/]],
    ['a text among numbers, after a blank line', `a,b\n\n${'1,2\n'.repeat(20)}oops,3`, [/Line 23: “oops”/]],
    ['repeated and unnamed columns', 'a,a,\n1,2,3', [/second became “a 2”/, /Column 3 has no name/]],
    ['days and months that could be swapped', 'd,n\n02/06/2031,1', [/read as day, month, year/]],
    ['a comma that could be either', 'a\tb\n1,234\t2', [/1,234, were read as 1234/]],
    ['a quote that ends too early', 'a,b\n"x"y",2\nz,3', [/Line 2: a quote closes before/]],
  ];
  for (const [name, text, says] of notes)
    it(`notes ${name}`, () => {
      const read = readCsv(bytes(text), 'test.csv');
      const words = read.ok ? read.value.notes.map(messageFor) : [];
      expect(words.length).toBe(says.length);
      says.forEach((pattern, i) => expect(words[i]).toMatch(pattern));
    });

  const refused: readonly [name: string, data: Uint8Array, says: RegExp][] = [
    ['an empty file', bytes(''), /test.csv is empty/],
    ['a file of spaces', bytes(' \n \n'), /is empty/],
    ['a header alone', bytes('a,b\n'), /no rows/],
    ['a quote that never closes', bytes('a,b\n1,2\n"x,3\n4,5'), /Line 3: a quote opens and never closes/],
    ['binary', new Uint8Array([80, 75, 10, 3, 0, 0]), /Line 2 of test.csv is not text/],
  ];
  for (const [name, data, says] of refused)
    it(`refuses ${name}`, () => {
      const read = readCsv(data, 'test.csv');
      expect(read.ok ? '' : read.problems.map(messageFor).join()).toMatch(says);
    });

  it('reads Western European bytes with a note', () => {
    const read = readCsv(new Uint8Array([...bytes('a,b\nAlm'), 0xe9, ...bytes(',1')]), 'test.csv');
    expect(read.ok && [cellAt(read.value.table.columns[0]!, 0), read.value.notes[0]?.code]).toEqual(['Almé', 'encoding-assumed']);
  });
  it('reports progress up to the end', () => {
    const seen: number[] = [];
    readCsv(bytes(`a,b\n${'1,2\n'.repeat(700_000)}`), 'test.csv', { onProgress: share => seen.push(share) });
    expect(seen.length).toBeGreaterThan(1);
    expect(seen.at(-1)).toBe(1);
  });
  it('finds lines of rows with carriage returns alone', () => expect(lineOfRow('a\rb\rc', 2, ',')).toBe(3));
});

describe('numbers as people write them', () => {
  const cases: readonly [text: string, mark: 'point' | 'comma', value: number][] = [
    ['12.5', 'point', 12.5],
    ['-1e3', 'point', -1000],
    ['1 234 567', 'point', 1234567],
    ["12'000", 'point', 12000],
    ['1,23', 'point', NaN],
    ['1,23', 'comma', 1.23],
    ['1.234', 'comma', 1234],
    ['0x10', 'point', NaN],
    ['Infinity', 'point', NaN],
    ['', 'point', NaN],
  ];
  for (const [text, mark, value] of cases) it(`${text || '(nothing)'} with ${mark}`, () => expect(parseNumber(text, mark)).toEqual(value));
  const grouped: readonly [text: string, mark: 'point' | 'comma', sign: Thousands, value: number][] = [
    ['1.234,5', 'comma', 'point', 1234.5],
    ['1.234', 'comma', 'point', 1234],
    ['12.34', 'comma', 'point', NaN],
    ['1 234,5', 'comma', 'point', NaN],
    ['1,234,567', 'point', 'comma', 1234567],
    ['1,23', 'point', 'comma', NaN],
    ['1 234 567.5', 'point', 'space', 1234567.5],
    ['1\u202f234', 'comma', 'space', 1234],
    ['1,234', 'point', 'space', NaN],
    ["12'345", 'point', 'apostrophe', 12345],
    ['−1’234', 'point', 'apostrophe', -1234],
    ['1,234', 'point', 'none', NaN],
    ['1.234', 'point', 'none', 1.234],
    ['1.234', 'comma', 'none', NaN],
    ['1,234', 'comma', 'none', 1.234],
    ['1 234', 'point', 'none', NaN],
    ['77', 'point', 'comma', 77],
    ['(1,234)', 'point', 'comma', -1234],
    ['abc', 'point', 'comma', NaN],
  ];
  for (const [text, mark, sign, value] of grouped)
    it(`${text} with ${mark}, ${sign} between thousands`, () => expect(parseGrouped(text, mark, sign)).toEqual(value));
});

describe('typing into cells', () => {
  const cases: readonly [text: string, type: ColumnType, value: Cell | RegExp][] = [
    ['1,234.5', 'number', 1234.5],
    ['12,5', 'number', 12.5],
    ['', 'number', null],
    ['abc', 'number', /“abc” is not a number, so milk keeps its value/],
    ['2031-06-02', 'date', '2031-06-02'],
    ['24.12.2031', 'date', '2031-12-24'],
    ['31.02.2031', 'date', /is not a date/],
    ['yes', 'boolean', true],
    ['Alm', 'text', 'Alm'],
  ];
  for (const [text, type, value] of cases)
    it(`${text || '(nothing)'} as ${type}`, () => {
      const read = parseCell(text, { name: 'milk', type });
      if (value instanceof RegExp) expect(read.ok ? '' : messageFor(read.problems[0]!)).toMatch(value);
      else expect(read).toEqual({ ok: true, value });
    });
  it('cuts a pasted block into rows and cells', () =>
    expect(pasteGrid('1\t2\r\n3\t"4\n5"\r\n')).toEqual([
      ['1', '2'],
      ['3', '4\n5'],
    ]));
});

describe('writing', () => {
  it('writes CSV that reads back to the same values', () => {
    const table = tableOf({ name: ['a,b', 'say "x"', null, 'line\nbreak'], value: [0.1, -1e-7, null, 123456789.123] });
    expect(writeCsv(table)).toBe('name,value\r\n"a,b",0.1\r\n"say ""x""",-1e-7\r\n,\r\n"line\nbreak",123456789.123\r\n');
    expect(columnsOf(writeCsv(table))['value']).toEqual(['number', 0.1, -1e-7, null, 123456789.123]);
  });
  it('writes a project file that reads back the same', () => {
    const project = {
      version: PROJECT_VERSION as typeof PROJECT_VERSION,
      id: 'p',
      name: 'P',
      tables: [{ ...plainTable('t', 't'), units: { milk: 'L' }, edits: [{ row: 0, column: 'milk', value: 3 }] }],
      figures: [],
      formats: [],
      pictures: [],
      liveries: [],
      looks: [],
    };
    const table = {
      name: 't',
      rowCount: 2,
      columns: [
        { name: 'd', ...valuesFrom('date', ['2031-06-02', null]) },
        { name: 'milk', ...valuesFrom('number', [0.1, NaN]) },
      ],
    };
    expect(readProjectFile(writeProjectFile({ project, tables: { t: table } }))).toEqual({
      ok: true,
      value: { project, tables: { t: table }, notes: [] },
    });
  });
  const withProject = (more: string): string =>
    `{"format":"cowbell-project","project":{"version":4,"id":"p","name":"P","tables":[],"figures":[],"formats":[],"pictures":[],${more}},"tables":{}}`;
  const withCells = (type: string, cells: string): string =>
    `{"format":"cowbell-project","project":{"version":4,"id":"p","name":"P","tables":[{"id":"t","name":"t","units":{},"edits":[],"derived":[],"readings":{}}],"figures":[],"formats":[],"pictures":[]},"tables":{"t":{"name":"t","columns":[{"name":"c","type":"${type}","cells":[${cells}]}]}}}`;
  const faulty: readonly [name: string, text: string, says: RegExp][] = [
    ['no JSON', '{\n"a": ]', /line 2 is not JSON/],
    ['foreign JSON', '{"a": 1}', /not a Cowbell project/],
    [
      'a newer version',
      `{"format":"cowbell-project","project":{"version":${PROJECT_VERSION + 1}},"tables":{}}`,
      new RegExp(`newer version \\(${PROJECT_VERSION + 1}; known up to ${PROJECT_VERSION}\\)`),
    ],
    ['a faulty field', '{"format":"cowbell-project","project":{"version":1,"id":4},"tables":{}}', /fault at id/],
    [
      'absent values',
      '{"format":"cowbell-project","project":{"version":2,"id":"p","name":"P","figures":[],"formats":[],"tables":[{"id":"t","name":"t","units":{},"edits":[],"derived":[]}]},"tables":{}}',
      /tables.t: the values of this table are absent/,
    ],
    ['a number written as a text', withCells('number', '1, "12"'), /tables\.t\.c: row 2 holds "12", which is no number/],
    ['yes among numbers', withCells('number', 'true'), /row 1 holds true, which is no number/],
    ['a number among texts', withCells('text', 'null, 3'), /row 2 holds 3, which is no text/],
    ['a day that is none', withCells('date', '"2031-02-30"'), /row 1 holds "2031-02-30", which is no date/],
    ['a word among moments', withCells('timestamp', '"noon"'), /row 1 holds "noon", which is no timestamp/],
    ['a word among yes and no', withCells('boolean', '"x"'), /row 1 holds "x", which is no boolean/],
    [
      'seven thousand decimals',
      withProject('"formats":[{"name":"x","decimals":7078,"grouping":true,"percent":false,"prefix":"","suffix":"","scale":1}]'),
      /formats\.0\.decimals/,
    ],
    [
      'nothing where a figure belongs',
      '{"format":"cowbell-project","project":{"version":1,"id":"p","name":"P","figures":[null],"tables":[null]},"tables":{}}',
      /figures\.0\./,
    ],
    ['a million figures', withProject(`"figures":[${'{},'.repeat(999_999)}{}]`), /fault at figures/],
  ];
  for (const [name, text, says] of faulty)
    it(`refuses a project file with ${name}`, () => {
      const read = readProjectFile(text);
      expect(read.ok ? '' : read.problems.map(messageFor).join()).toMatch(says);
    });

  const jsonFaults: readonly [text: string, at: number][] = [
    ['{"a": ]', 6],
    ['{"a" 1}', 5],
    ['[1, 2', 5],
    ['[1 2]', 3],
    ['{"a": 1,}', 8],
    ['"open', 0],
    ['{}\n{}', 3],
    ['[01]', 2],
    ['', 0],
  ];
  for (const [text, at] of jsonFaults) it(`finds the fault of ${text || 'nothing'}`, () => expect(jsonFaultAt(text)).toBe(at));

  const names: readonly [file: string, name: string][] = [
    ['june.csv', 'june'],
    ['June 2.5.csv', 'June 2.5'],
    ['season 2031.5/june', 'season 2031.5/june'],
    ['season/june.tar.csv', 'season/june.tar'],
    ['.csv', '.csv'],
  ];
  for (const [file, name] of names)
    it(`calls the table of ${file} ${name}`, () => {
      const read = readCsv(bytes('a\n1'), file);
      expect(read.ok && read.value.table.name).toBe(name);
    });
});
