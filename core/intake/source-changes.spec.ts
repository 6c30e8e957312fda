import type { Mend } from 'core/document';
import type { SourceLook } from 'core/io';
import { mendTable } from 'core/mend';
import { PLAIN_INTAKE, tableOf, type Cell, type Intake, type Table } from 'core/table';
import { outlineOf, sourceChanges, type SourceChange, type TableOutline } from '.';

type Columns = Record<string, Cell[]>;

const BEFORE: Columns = { hut: ['Almhof', 'Bergli', 'Cloudrest', 'Dalehut'], milk: [3, 5, 4, 6], note: ['a', 'b', 'c', 'd'] };

/** A source that reads as these columns; each is named in the source as it is in the table. */
function changes(before: Columns, after: Columns, intake: Intake = PLAIN_INTAKE, mends: readonly Mend[] = []): SourceChange[] {
  const table = tableOf(after);
  const columns = table.columns.map(({ name, type }) => ({
    source: name,
    name,
    type,
    unit: null,
    reading: { decimal: 'point', dates: 'iso' } as const,
    misfits: [],
    misfitCount: 0,
    missing: 0,
  }));
  const look = { columns } as unknown as SourceLook;
  const outline = (own: Table): TableOutline => {
    const { table: mended, outcomes } = mendTable(own, mends);
    return outlineOf(
      mended,
      outcomes.map(({ count }) => count),
    );
  };
  return sourceChanges(outline(tableOf(before)), { look, outline: outline(table), intake, mends });
}
const words = (list: readonly SourceChange[]): string[] =>
  list.map(change => `${change.isLoud ? '!' : ''}${change.words}${change.mends.map(({ label }) => ` [${label}]`).join('')}`);

describe('what a next source changes', () => {
  const cases: readonly [name: string, after: Columns, words: readonly string[]][] = [
    ['nothing but numbers', { ...BEFORE, milk: [9, 9, 9, 9] }, []],
    [
      'a row more',
      { hut: [...(BEFORE['hut'] ?? []), 'Almhof'], milk: [1, 2, 3, 4, 5], note: ['a', 'b', 'c', 'd', 'a'] },
      ['5 rows, 1 more than before.'],
    ],
    [
      'rows fewer',
      { hut: ['Almhof'], milk: [1], note: ['a'] },
      ['1 row, 3 fewer than before.', '!Of hut: 3 gone (Bergli, Cloudrest and Dalehut).', '!Of note: 3 gone (b, c and d).'],
    ],
    [
      'a number column under another name',
      { hut: BEFORE['hut'] ?? [], litres: [3, 5, 4, 6], note: BEFORE['note'] ?? [] },
      ['!milk is not there any more. [litres is milk]', 'New: litres.'],
    ],
    [
      'a text column under another name, told by its texts from another new one',
      { stable: BEFORE['hut'] ?? [], milk: [3, 5, 4, 6], note: BEFORE['note'] ?? [], weather: ['dry', 'wet', 'dry', 'wet'] },
      ['!hut is not there any more. [stable is hut]', 'New: stable and weather.'],
    ],
    ['a column gone for good', { hut: BEFORE['hut'] ?? [], milk: [3, 5, 4, 6] }, ['!note is not there any more.']],
    ['another type', { ...BEFORE, milk: ['3 L', '5 L', 'x', '6 L'] }, ['!milk was numbers and is text now. [Read it as numbers]']],
    [
      'values new, gone, and spelled in another way',
      { ...BEFORE, hut: ['Almhof', 'Bergly', 'cloudrest', 'Edelmoor'] },
      [
        '!Of hut: 3 new (Bergly, cloudrest and Edelmoor), 3 gone (Bergli, Cloudrest and Dalehut). [Write Bergli for Bergly] [Write Cloudrest for cloudrest]',
      ],
    ],
    [
      'everything gone',
      {},
      ['0 rows, 4 fewer than before.', '!hut is not there any more.', '!milk is not there any more.', '!note is not there any more.'],
    ],
  ];
  for (const [name, after, expected] of cases) it(name, () => expect(words(changes(BEFORE, after))).toEqual([...expected]));

  it('a mend that takes more than it did is said aloud, one that takes as much is not', () => {
    const mends: Mend[] = [
      { kind: 'stray-values', column: 'milk', low: null, high: 5, off: false },
      { kind: 'zeros', column: 'milk', where: null, off: false },
    ];
    expect(words(changes(BEFORE, { ...BEFORE, milk: [3, 7, 8, 6] }, PLAIN_INTAKE, mends))).toEqual([
      '!Take values of milk below no limit and above 5 as missing. 3 cells now, 1 before.',
    ]);
  });

  it('a column that is another under a new name takes the old one; what was decided of it stays', () => {
    const decided = {
      ...PLAIN_INTAKE,
      columns: [
        {
          name: 'litres',
          as: null,
          type: 'number',
          decimal: 'comma',
          thousands: null,
          dates: null,
          missing: ['-'],
          fractions: false,
          unit: 'L',
          out: false,
        },
      ],
    } as const;
    const [gone] = changes(BEFORE, { hut: BEFORE['hut'] ?? [], litres: [3, 5, 4, 6], note: BEFORE['note'] ?? [] }, decided);
    expect(gone?.mends[0]?.intake).toEqual({ columns: [{ ...decided.columns[0], as: 'milk' }] });
  });
});
