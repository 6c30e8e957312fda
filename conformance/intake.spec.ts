import { DateDay, Decimal, Table as ArrowTable, tableToIPC, TimestampMillisecond, vectorFromArray } from 'apache-arrow';
import { plainColumnIntake, type ColumnIntake } from 'core/table';
import { gzipSync } from 'fflate';
import { brotliCompressSync } from 'node:zlib';
import { parquetWriteBuffer } from 'hyparquet-writer';
import { seenSource, sourceRows } from './source-cases';
import { writtenWorkbook } from './written-workbook';

const bytes = (text: string): Uint8Array => new TextEncoder().encode(text);
const n = null;

describe('typed files as tables', () => {
  const columns = { hut: ['Alm', n, 'Berg'], milk: [1.5, n, 3], n: ['1', '2', '9007199254740993'], ok: [true, false, n] };
  const arrow = new ArrowTable({
    hut: vectorFromArray(columns.hut),
    milk: vectorFromArray(columns.milk),
    n: vectorFromArray([1n, 2n, 9007199254740993n]),
    ok: vectorFromArray(columns.ok),
    day: vectorFromArray([new Date('2031-06-02'), n, new Date('1969-12-31')], new DateDay()),
    at: vectorFromArray([new Date('2031-06-02T06:30:00Z'), n, new Date(0)], new TimestampMillisecond()),
    dec: vectorFromArray(
      [new Uint32Array([12_345, 0, 0, 0]), n, new Uint32Array([0xffffffff, 0xffffffff, 0xffffffff, 0xffffffff])],
      new Decimal(2, 10, 128),
    ),
  });
  const days = { day: ['2031-06-02', n, '1969-12-31'], at: ['2031-06-02 06:30:00', n, '1970-01-01 00:00:00'], dec: [123.45, n, -0.01] };
  const parquet = new Uint8Array(
    parquetWriteBuffer({
      columnData: [
        { name: 'hut', data: columns.hut, type: 'STRING' },
        { name: 'milk.litres', data: columns.milk, type: 'DOUBLE' },
        { name: 'n', data: [1n, 2n, 9007199254740993n], type: 'INT64' },
        { name: 'ok', data: columns.ok, type: 'BOOLEAN' },
        { name: 'at', data: [new Date('2031-06-02T06:30:00Z'), n, new Date(0)], type: 'TIMESTAMP' },
      ],
    }),
  );
  sourceRows([
    [
      'an Arrow file',
      tableToIPC(arrow, 'file'),
      'a.arrow',
      { columns: { ...columns, ...days }, types: 'text number text boolean date timestamp number' },
    ],
    ['an Arrow stream', tableToIPC(arrow, 'stream'), 'a', { columns: { ...columns, ...days } }],
    [
      'Parquet',
      parquet,
      'a.parquet',
      {
        columns: { hut: columns.hut, 'milk.litres': columns.milk, n: columns.n, ok: columns.ok, at: days.at },
        types: 'text number text boolean timestamp',
      },
    ],
    ['Parquet, cut off', parquet.subarray(0, 60), 'a.parquet', { fault: 'is no Parquet that can be read' }],
    ['Arrow, cut off', tableToIPC(arrow, 'file').subarray(0, 300), 'a.arrow', { fault: 'a.arrow' }],
    [
      'a number as text by wish',
      parquet,
      'a.parquet',
      { types: 'text text text boolean timestamp' },
      { columns: [{ ...plainColumnIntake('milk.litres'), type: 'text' }] },
    ],
  ]);
});

const concat = (...parts: readonly Uint8Array[]): Uint8Array => new Uint8Array(Buffer.concat(parts));

describe('Parquet files by what they are packed by', () => {
  const packers = { GZIP: gzipSync, BROTLI: brotliCompressSync } as const;
  for (const codec of ['UNCOMPRESSED', 'SNAPPY', 'GZIP', 'BROTLI'] as const)
    it(codec, async () => {
      const hut = Array.from({ length: 500 }, (_, i) => `hut ${i % 7}`);
      const written = parquetWriteBuffer({
        codec,
        compressors: Object.fromEntries(
          Object.entries(packers).map(([name, pack]) => [name, (data: Uint8Array) => new Uint8Array(pack(data))]),
        ),
        columnData: [
          { name: 'hut', data: hut, type: 'STRING' },
          { name: 'milk', data: hut.map((_, i) => i / 4), type: 'DOUBLE' },
        ],
      });
      const found = await seenSource(new Uint8Array(written), 'a.parquet');
      expect([found.fault, found.columns['hut'], found.columns['milk']?.[499]]).toEqual(['', hut, 124.75] as never);
    });
});

describe('packed files', () => {
  const packed = gzipSync(bytes('hut,milk\nAlm,3\nBerg,4\n'));
  sourceRows([
    ['gzip', packed, 'a.csv.gz', { columns: { hut: ['Alm', 'Berg'], milk: [3, 4] }, notes: [] }],
    [
      'gzip of several members',
      concat(packed, gzipSync(bytes('Cloud,5\n'))),
      'a.csv.gz',
      { columns: { hut: ['Alm', 'Berg', 'Cloud'], milk: [3, 4, 5] } },
    ],
    ['gzip with something else behind it', concat(packed, bytes('and more')), 'a.csv.gz', { fault: 'a.csv' }],
    ['gzip of records', gzipSync(bytes('[{"a":1},{"a":2}]')), 'a.json.gz', { columns: { a: [1, 2] } }],
    ['gzip, broken', Uint8Array.from(packed, (byte, i) => (i === 14 ? byte ^ 0xff : byte)), 'a.csv.gz', { fault: 'a.csv' }],
  ]);
  it('what unpacks to more than a file may have is refused, and little of it is unpacked', async () => {
    const { gunzip } = await import('../core/io/unpack');
    const bomb = gzipSync(new Uint8Array(8_000_000));
    expect((await gunzip(bomb, 'a.gz', 1_000_000)).ok).toBeFalse();
    expect((await gunzip(bomb, 'a.gz', 8_000_000)).ok).toBeTrue();
    const { isBomb } = await import('../core/io/zip-size');
    const zip = writtenWorkbook([{ name: 'June', rows: ' '.repeat(3_000_000) }]);
    expect(zip.length).toBeLessThan(30_000);
    expect([isBomb(zip, 1_000_000), isBomb(zip, 4_000_000)]).toEqual([true, false]);
    // Headers that name nothing, or less than comes: counted, or cut off where they say.
    const lying = (size: number): Uint8Array => {
      const copy = zip.slice();
      const view = new DataView(copy.buffer);
      for (let at = 0; at + 46 < copy.length; at++) {
        const place = { [0x04034b50]: 22, [0x02014b50]: 24 }[view.getUint32(at, true)];
        if (place !== undefined && view.getUint32(at + place, true) > 1_000_000) view.setUint32(at + place, size, true);
      }
      return copy;
    };
    expect(isBomb(lying(0), 1_000_000)).toBeTrue();
    expect(isBomb(lying(0), 4_000_000)).toBeFalse();
    expect(isBomb(lying(200), 1_000_000)).toBeFalse();
    expect((await seenSource(lying(200), 'a.xlsx')).fault).toContain('a.xlsx');
    expect(isBomb(zip.subarray(0, zip.length - 30), 1_000_000))
      .withContext('without its end')
      .toBeTrue();
  });
});

describe('text files by their intake', () => {
  const wish = (name: string, own: Partial<ColumnIntake>): ColumnIntake => ({ ...plainColumnIntake(name), ...own });
  const text = 'Report\nhut;milk;share;day;ok\nAlm;1.234;12,5 %;03.04.2031;y\nBerg;999;4,1 %;05.04.2031;n\nall;2.233;;;\n';
  const western = Uint8Array.from('name;milk\nK\u00e4se;1\n', c => c.charCodeAt(0));
  sourceRows([
    ['as found', bytes(text), 'a.csv', { types: 'text number number date text' }],
    [
      'rows left out at both ends',
      bytes(text),
      'a.csv',
      { columns: { hut: ['Alm', 'Berg'], milk: [1234, 999], share: [12.5, 4.1], day: ['2031-04-03', '2031-04-05'], ok: ['y', 'n'] } },
      { above: 1, below: 1 },
    ],
    [
      'a sign between thousands by wish: others are not read',
      bytes('hut;milk\nAlm;1.234\nBerg;1,5\nCloud;2 345\n'),
      'a.csv',
      { columns: { hut: ['Alm', 'Berg', 'Cloud'], milk: [1234, 1.5, n] } },
      { columns: [wish('milk', { type: 'number', thousands: 'point' })] },
    ],
    [
      'signs, types, missing, percents and names by wish',
      bytes(text),
      'a.csv',
      {
        columns: { hut: ['Alm', 'Berg'], litres: [1.234, n], share: [0.125, 0.041], day: ['2031-03-04', '2031-05-04'], ok: [true, false] },
        units: { litres: 'L' },
      },
      {
        above: 1,
        below: 1,
        columns: [
          wish('milk', { as: 'litres', decimal: 'point', missing: ['999'], unit: 'L' }),
          wish('share', { fractions: true }),
          wish('day', { dates: 'month-first' }),
          wish('ok', { type: 'boolean' }),
        ],
      },
    ],
    [
      'a column left out, its name free for another',
      bytes('a,b\n1,2\n'),
      'a.csv',
      { columns: { a: [2] } },
      { columns: [wish('a', { out: true }), wish('b', { as: 'a' })] },
    ],
    ['no row of names', bytes('a,b\nc,d\n'), 'a.csv', { columns: { 'column 1': ['a', 'c'], 'column 2': ['b', 'd'] } }, { names: 'none' }],
    ['numbers as names', bytes('2030,2031\n1,2\n'), 'a.csv', { columns: { 2030: [1], 2031: [2] } }, { names: 'row' }],
    [
      'what does not fit a chosen type is missing and told',
      bytes('a\n1\nx\ny\nz\n'),
      'a.csv',
      { columns: { a: [1, n, n, n] }, notes: ['Line 3: “x”', 'Line 4: “y”', 'Line 5: “z”'] },
      { columns: [wish('a', { type: 'number' })] },
    ],
    [
      'identifiers as numbers by wish',
      bytes('a\n007\n008\n'),
      'a.csv',
      { columns: { a: [7, 8] } },
      { columns: [wish('a', { type: 'number' })] },
    ],
    [
      'a day from a moment, a moment from a day',
      bytes('a,b\n2031-06-02 06:30,2031-06-02\n'),
      'a.csv',
      { columns: { a: ['2031-06-02'], b: ['2031-06-02 00:00:00'] } },
      { columns: [wish('a', { type: 'date' }), wish('b', { type: 'timestamp' })] },
    ],
    ['the sign between cells', bytes('a,b;c\n1,2;3\n'), 'a.csv', { columns: { 'a,b': [1.2], c: [3] } }, { delimiter: ';' }],
    ['Western European, found', western, 'a.csv', { columns: { name: ['Käse'], milk: [1] }, notes: ['read as Western European'] }],
    [
      'Central European by wish',
      Uint8Array.from([...bytes('name\n'), 0xb9, 0x0a]),
      'a.csv',
      { columns: { name: ['ą'] } },
      { encoding: 'windows-1250' },
    ],
    [
      'UTF-16 without its mark',
      new Uint8Array(Uint16Array.from([...'hut;milk\nÄlm;3,5\n'], c => c.charCodeAt(0)).buffer),
      'a.csv',
      { columns: { hut: ['Älm'], milk: [3.5] } },
    ],
  ]);
});
