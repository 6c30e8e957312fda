import { messageFor } from 'core/result/words';
import { cellAt } from 'core/table';
import { tableFromRows } from '../index';
import { formatFor, readFile } from './index';

const bytes = (text: string): Uint8Array => new TextEncoder().encode(text);

describe('the format of a file', () => {
  const cases: readonly [name: string, file: string, head: string, format: string][] = [
    ['rows', 'a.csv', 'hut,milk\nAlm,1', 'CSV'],
    ['rows of another ending', 'a.dat', 'hut;milk', 'CSV'],
    ['no ending', 'pasted rows', 'hut\tmilk', 'CSV'],
    ['a project', 'a.json', '{"format":"cowbell-project"', 'Cowbell project'],
    ['a project behind a mark', 'a.json', '\uFEFF { "format" : "cowbell-project"', 'Cowbell project'],
    ['a project under no name', 'pasted', '{"format":"cowbell-project"', 'Cowbell project'],
    ['an ending in capitals', 'A.JSON', '[{"hut":', 'JSON'],
    ['records', 'a.json', '[{"format":', 'JSON'],
    ['records line by line', 'feed', '{"hut":"Alm"}\n{', 'JSON'],
    ['a workbook', 'a.dat', 'PK\u0003\u0004', 'workbook'],
    ['Parquet', 'a.parquet', 'PAR1', 'Parquet'],
    ['Arrow', 'a.bin', 'ARROW1', 'Arrow'],
    ['rows called json', 'a.json', 'hut,milk\n', 'CSV'],
    ['braces in rows', 'a.csv', '{a},b\n', 'CSV'],
    ['nothing', 'a.csv', '', 'CSV'],
  ];
  for (const [name, file, head, format] of cases) it(name, () => expect(formatFor(bytes(head), file).name).toBe(format));
  it('reads by it', async () => {
    const read = await readFile(bytes('hut,milk\nAlm,1\n'), 'a.csv');
    expect(read.ok && read.value.kind === 'tables' && read.value.tables.map(({ table }) => table.rowCount)).toEqual([1]);
    const broken = await readFile(bytes('{"format":"cowbell-project"\n,}'), 'a.json');
    expect(!broken.ok && broken.problems.map(messageFor).join()).toMatch(/line 2 is not JSON/);
  });
});

describe('a table from rows of values and texts', () => {
  const n = null;
  const cases: readonly [name: string, cells: (string | number | boolean | null)[], type: string, values: unknown[]][] = [
    ['numbers', [1, 2.5, n], 'number', [1, 2.5, n]],
    ['texts of numbers', ['1', '2.5', ''], 'number', [1, 2.5, n]],
    ['numbers and texts of numbers', [1, '2.5', n], 'number', [1, 2.5, n]],
    ['numbers among words', [1, 'Alm', n], 'text', ['1', 'Alm', n]],
    ['yes and no', [true, false, n], 'boolean', [true, false, n]],
    ['dates', ['2031-06-02', '2031-06-09', n], 'date', ['2031-06-02', '2031-06-09', n]],
    ['codes', ['007', '012', n], 'text', ['007', '012', n]],
    ['a number that no float holds', [Infinity, NaN, 1], 'number', [n, n, 1]],
    ['nothing', [n, n], 'number', [n, n]],
  ];
  for (const [name, cells, type, values] of cases)
    it(name, () => {
      const { table } = tableFromRows(
        't',
        ['c'],
        cells.map(cell => [cell]),
      );
      expect(table.columns[0]?.type).toBe(type as never);
      expect(cells.map((_, row) => cellAt(table.columns[0]!, row))).toEqual(values as never);
    });
  it('short rows are missing at their end, names are made different', () => {
    const { table } = tableFromRows('t', ['a', 'a', ''], [[1, 2, 3], [4]]);
    expect(table.columns.map(({ name }) => name)).toEqual(['a', 'a 2', 'column 3']);
    expect(table.columns.map(column => cellAt(column, 1))).toEqual([4, null, null]);
  });
});
