import { utils, read, write } from '@e965/xlsx';
import { readFile } from 'core/io';
import { seededRandom } from 'demo/random';
import { compare, type BenchRow } from '../measure';

const [ROWS, COLUMNS] = [100_000, 10];

/** A workbook of many cells → typed columns. The library alone makes cells of it, nothing more. */
export const b3: BenchRow = {
  name: 'B3',
  work: 'workbook of 100,000 × 10 cells → typed columns',
  reach: 'Cowbell ≤ 1.3 × the reader library alone',
  run: async () => {
    const bytes = workbook();
    const timings = await compare([
      {
        name: 'the library alone',
        run: () => read(bytes, { type: 'array', dense: true, cellNF: true, cellText: false, cellHTML: false, cellFormula: false }),
      },
      { name: 'Cowbell', run: () => readFile(bytes, 'bench.xlsx') },
    ]);
    return [{ at: '', timings }];
  },
};

function workbook(): Uint8Array {
  const random = seededRandom(3);
  const number = (): number | null => (random() < 0.02 ? null : Math.round(random() * 1e6) / 100);
  const rows = Array.from({ length: ROWS }, (_, row) => [
    `hut ${row % 20}`,
    `valley ${Math.floor(random() * 1_000)}`,
    new Date(Date.UTC(2031, 0, 1 + (row % 365))),
    ...Array.from({ length: COLUMNS - 3 }, number),
  ]);
  const sheet = utils.aoa_to_sheet([['hut', 'valley', 'day', 'a', 'b', 'c', 'd', 'e', 'f', 'g'], ...rows], { dense: true, UTC: true });
  const book = utils.book_new();
  utils.book_append_sheet(book, sheet, 'June');
  return new Uint8Array(write(book, { type: 'array', bookType: 'xlsx', compression: true }) as ArrayBuffer);
}
