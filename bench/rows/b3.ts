import { utils, read, write } from '@e965/xlsx';
import { readFile } from 'core/io/formats';
import { seededRandom } from 'demo/random';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { unzipSync } from 'fflate';
import { compare, type BenchRow } from '../measure';
import { peakOf } from '../peaks';

const [ROWS, COLUMNS] = [100_000, 10];

/** A workbook of many cells → typed columns. The library alone makes cells of it, nothing more. */
export const b3: BenchRow = {
  name: 'B3',
  work: 'workbook of 100,000 × 10 cells → typed columns',
  reach: 'Cowbell ≤ 1.3 × the reader library alone; peak memory ≤ 3 × the unpacked file',
  run: async () => {
    const bytes = workbook();
    const timings = await compare([
      {
        name: 'the library alone',
        run: () => read(bytes, { type: 'array', dense: true, cellNF: true, cellText: false, cellHTML: false, cellFormula: false }),
      },
      { name: 'Cowbell', run: () => readFile(bytes, 'bench.xlsx') },
    ]);
    return [{ at: '', timings, notes: [memoryWords(bytes)] }];
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

/** Peak memory of reading, the file included, in sizes of the unpacked file; beside it what the library alone takes. */
function memoryWords(bytes: Uint8Array): string {
  const file = join(mkdtempSync(join(tmpdir(), 'cowbell-bench-')), 'bench.xlsx');
  writeFileSync(file, bytes);
  const unpacked = Object.values(unzipSync(bytes)).reduce((sum, part) => sum + part.length, 0);
  const idle = peakOf('none');
  const times = (work: string): string => ((peakOf(work, file) - idle) / unpacked).toFixed(1);
  return `peak memory ${times('workbook')} × the unpacked file (${(unpacked / 1e6).toFixed(0)} MB, ${(bytes.length / 1e6).toFixed(0)} MB packed), the library alone ${times('library')} ×`;
}
