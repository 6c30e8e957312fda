import { cellAt, type Table } from 'core/table';
import { seededRandom } from 'demo/random';

/** What makes a seeded test pick one thing or another. */
export interface Picker {
  readonly random: () => number;
  readonly below: (n: number) => number;
  readonly pick: <T>(list: readonly T[]) => T;
}

export function pickerOf(seed: number): Picker {
  const random = seededRandom(seed);
  const below = (n: number): number => Math.floor(random() * n);
  return { random, below, pick: list => list[below(list.length)] as never };
}

/** Cells that make readers stumble. */
export const CELLS = [
  '',
  '1',
  '-2.5',
  '1,5',
  '1.234,5',
  '1 234',
  '007',
  '1E5',
  '1e400',
  '1e-400',
  '9'.repeat(40),
  'yes',
  'No',
  'true',
  '2031-06-02',
  '31.12.2031',
  '02/29/2031',
  '5 Jan 2031',
  '2031-06-02T05:30:00+02:00',
  '12 %',
  '€ 5',
  '(5)',
  'Alm',
  'ä🔔',
  '日本',
  '"',
  '""',
  '"x"',
  '"x"y',
  '"a\nb"',
  "'",
  "'=1",
  '=1+1',
  '\t',
  '-',
  'NA',
  '\u0000',
  '\uFEFF',
  '#',
  'sep=;',
  ' ',
  'Infinity',
  'NaN',
  '0x1f',
  '__proto__',
  'constructor',
  '99.99.9999',
  '\u2028',
];

/** What no cell may hold. */
export function cellFaults({ columns, rowCount }: Table): string[] {
  const faults: string[] = [];
  for (const column of columns)
    for (let row = 0; row < rowCount; row++) {
      const cell = cellAt(column, row);
      if (typeof cell === 'number' && !Number.isFinite(cell)) faults.push(`${cell} in ${column.name}`);
    }
  return faults;
}
