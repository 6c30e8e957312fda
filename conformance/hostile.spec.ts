import { read as readBook, utils } from '@e965/xlsx';
import { DuckDBInstance } from '@duckdb/node-api';
import { parquetReadObjects } from 'hyparquet';
import Papa from 'papaparse';
import { SaxesParser } from 'saxes';
import { firstFigure } from 'core/brief';
import { plainTable, PROJECT_VERSION, type Project } from 'core/document';
import { literalText, nameText } from 'core/formula';
import { LIGHT_LIVERY } from 'core/plan';
import { messageFor } from 'core/result/words';
import { tableOf } from 'core/table';
import { Session } from 'engine';
import { formatNamed, handedOf, type Handed } from 'handover';
import { sizeOfFigure } from 'handover/offers';
import { drawingsOf } from 'headless';

/** Names that want to be something else where they arrive. */
const NAMES = [
  '<script>alert(1)</script>',
  '"><img src=x onerror=alert(1)>',
  ']]><svg onload="x()"/>',
  '&lt;b&gt; & \'quoted\' "twice"',
  "'; drop table deliveries; --",
  '=1+1',
  '+cmd|calc',
  '@sum(a1)',
  '-2+3',
  '\u202eright to left\u202c',
  'مرحبا بالعالم',
  '高原の牧場',
  'x'.repeat(10_000),
  'a\u0001\u0008b\ud800c',
  'two\nlines\tand, a comma',
  '{sum(milk)} %s ${x}',
] as const;
/** As each must arrive where the format can hold it. */
const COLUMN = 'hut <b>"&\'=1';

function hostile(): Handed {
  const table = tableOf({ [COLUMN]: [...NAMES], milk: NAMES.map((_, i) => 10 + i) }, 'deliveries');
  const figure = firstFigure('f', { id: 't', name: 'deliveries', rowCount: NAMES.length, units: {}, columns: table.columns }, COLUMN);
  const project: Project = {
    version: PROJECT_VERSION,
    id: 'p',
    name: '<i>season</i>',
    tables: [plainTable('t', 'deliveries')],
    figures: [{ ...figure, name: '../<b>f</b>', words: { title: NAMES[0], subtitle: NAMES[1], note: NAMES[2] } }],
    formats: [],
    pictures: [],
    liveries: [],
    looks: [],
  };
  const made = handedOf(new Session(project, new Map([['t', table]])), project.figures[0] as Project['figures'][number], LIGHT_LIVERY);
  if (!made.ok) throw new Error(made.problems.map(messageFor).join());
  return made.value;
}

/** A text as UTF-8 can hold it: half of a pair stands for nothing there. */
const wellFormed = (text: string): string =>
  text.replace(/[\ud800-\udbff](?![\udc00-\udfff])|(?<![\ud800-\udbff])[\udc00-\udfff]/g, '\ufffd');

describe('hostile names in every format', () => {
  const handed = hostile();
  let made: (name: string) => Promise<string | Uint8Array>;
  beforeAll(async () => {
    const drawings = await drawingsOf(handed, sizeOfFigure(handed.figure), { transparent: false, embedFonts: false });
    made = name => formatNamed(name)?.make(handed, drawings, {}) ?? Promise.reject(new Error(name));
  });
  const text = async (name: string): Promise<string> => (await made(name)) as string;

  it('SVG is XML for a strict reader, holds the names as text, and has no element that runs', async () => {
    const [elements, texts]: [Set<string>, string[]] = [new Set(), []];
    const parser = new SaxesParser({ xmlns: true });
    parser.on('opentag', ({ local }) => elements.add(local));
    parser.on('text', item => texts.push(item));
    parser.on('error', error => fail(error.message));
    parser.write(await text('svg')).close();
    expect([...elements].sort().filter(name => ['script', 'foreignObject', 'img', 'a', 'use', 'iframe'].includes(name))).toEqual([]);
    expect(texts.join('\n')).toContain('alert(1)');
  });

  it('a document has no element of theirs', async () => {
    const html = await text('html');
    expect(html).not.toMatch(/<script|<img|<svg onload|<b>|<i>/i);
    expect(html).toContain('&lt;script&gt;alert(1)&lt;/script&gt;');
    expect(html).toContain('x'.repeat(10_000));
  });

  it('CSV arrives whole at another reader', async () => {
    const { data } = Papa.parse<string[]>((await text('csv')).trimEnd());
    expect(data[0]?.[0]).toBe(COLUMN);
    expect(
      data
        .slice(1)
        .map(row => row[0]?.replace(/\r\n/g, '\n'))
        .sort(),
    ).toEqual([...NAMES].sort());
  });

  it('JSON arrives whole', async () => {
    const rows = JSON.parse(await text('json')) as Record<string, unknown>[];
    expect(rows.map(row => row[COLUMN]).sort()).toEqual([...NAMES].sort());
  });

  it('Parquet arrives whole at another reader, as far as UTF-8 can hold it', async () => {
    const file = (await made('parquet')) as Uint8Array;
    const rows = (await parquetReadObjects({
      file: file.buffer.slice(file.byteOffset, file.byteOffset + file.byteLength) as ArrayBuffer,
    })) as Record<string, unknown>[];
    expect(rows.map(row => row[COLUMN]).sort()).toEqual(NAMES.map(wellFormed).sort());
  });

  it('a workbook keeps them as texts at another reader', async () => {
    const book = readBook(await made('xlsx'), { cellFormula: true });
    const sheet = book.Sheets['Ledger'] ?? {};
    const cells = Array.from(
      { length: NAMES.length },
      (_, row) => sheet[utils.encode_cell({ r: row + 1, c: 0 })] as { t: string; v: string; f?: string },
    );
    expect(cells.every(({ t, f }) => t === 's' && f === undefined)).toBeTrue();
    const plain = (name: string): string => wellFormed(name.replace(/[\u0001\u0008]/g, '\ufffd'));
    expect(cells.map(({ v }) => wellFormed(v.replace(/\r\n/g, '\n'))).sort()).toEqual(NAMES.map(plain).sort());
  });

  it('SQL runs as one statement and drops nothing', async () => {
    const connection = await (await DuckDBInstance.create(':memory:')).connect();
    await connection.run(`create table deliveries (${nameText(COLUMN)} varchar, milk double)`);
    const rows = NAMES.filter(name => wellFormed(name) === name && !name.includes('\u0001')).map(
      (name, i) => `(${literalText('text', name)}, ${i})`,
    );
    await connection.run(`insert into deliveries values ${rows.join(', ')}`);
    const given = await connection.runAndReadAll(await text('sql'));
    expect(given.getRows().length).toBe(rows.length);
    expect((await connection.runAndReadAll('select count(*) from deliveries')).getRows()[0]?.[0]).toBe(BigInt(rows.length));
  });

  it('words stay words', async () => {
    expect(await text('text')).toContain('<script>alert(1)</script>');
    expect((JSON.parse(await text('words')) as { title: string }).title).toBe(NAMES[0]);
  });

  it('twice the same bytes, in every format', async () => {
    for (const name of ['svg', 'png', 'html', 'csv', 'json', 'parquet', 'sql', 'xlsx', 'text', 'words']) {
      const [a, b] = [await made(name), await made(name)];
      expect(Buffer.from(a as never).equals(Buffer.from(b as never)))
        .withContext(name)
        .toBeTrue();
    }
  }, 30_000);
});
