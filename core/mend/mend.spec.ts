import type { Mend } from 'core/document';
import { readSentence } from 'core/sentence';
import { cellAt, makeTable, named, tableOf, valuesFrom, type Cell, type Table } from 'core/table';
import { chooseMend, editsOfKept, findMends, firstMends, mendSentence, mendTable, placeIn } from '.';
import { isLetterApart } from './spellings';

const cells = ({ columns, rowCount }: Table): Record<string, Cell[]> =>
  Object.fromEntries(columns.map(column => [column.name, Array.from({ length: rowCount }, (_, row) => cellAt(column, row))]));
const said = (table: Table): string[] =>
  findMends(table).map(found => `${found.said} [${found.rows.join(' ')}] ${readSentence(mendSentence(found.mend, table.columns))}`);

/** A table of columns; texts that are all dates become such. */
const tableWith = (columns: Record<string, Cell[]>): Table => {
  const table = tableOf(columns);
  const dated = table.columns.map(column => {
    const list = columns[column.name] ?? [];
    return list.length && list.every(cell => /^\d{4}-\d\d-\d\d$/.test(String(cell)))
      ? named(column.name, valuesFrom('date', list))
      : column;
  });
  return makeTable(table.name, dated);
};

const many = (text: string, count: number): string[] => Array.from({ length: count }, () => text);
const TEN = [10, 12, 14, 16, 18, 20, 22, 24, 26, 28];

describe('what looks wrong', () => {
  const cases: readonly [name: string, columns: Record<string, Cell[]>, said: readonly (string | RegExp)[]][] = [
    ['nothing in plain rows', { hut: ['Alm', 'Berg', 'Cloud'], milk: [3, 5, 4] }, []],
    [
      'a row that repeats another in every column',
      { hut: ['Alm', 'Berg', 'Alm'], milk: [3, 5, 3] },
      ['1 row has the same values as an earlier one. [2] Of rows with the same values in every column keep the first.'],
    ],
    [
      'missing values are equal for that',
      { hut: ['Alm', null, null], milk: [3, null, null] },
      [/^1 row has no value at all|^2 rows have no value/, /same values/],
    ],
    [
      'a key that repeats with other numbers',
      {
        hut: [...Array.from({ length: 30 }, (_, i) => `H${i}`), 'H4'],
        milk: [...Array.from({ length: 30 }, (_, i) => 50 + ((i * 7) % 11)), 51],
      },
      ['1 row has the same hut as an earlier one, and other numbers. [30] Of rows with the same hut keep the first.'],
    ],
    ['a column that repeats much is no key', { valley: ['A', 'A', 'B', 'B'], milk: [1, 7, 3, 9] }, []],
    [
      'a total by its word',
      { hut: ['Alm', 'Berg', 'Gesamt'], milk: [3, 5, 9] },
      ['1 row of hut is a total: “Gesamt”. [2] Leave out rows where hut is Gesamt.'],
    ],
    [
      'totals by words of other languages',
      { hut: ['A', 'B', 'C', 'D', 'SUMME', 'Итого:'], milk: [1, 2, 9, 4, 8, 7] },
      [/^2 rows of hut are totals: “SUMME”, “Итого:”\. \[4 5\]/],
    ],
    ['a name that only begins like a total', { hut: ['Summerhill', 'Totally', 'Alm'], milk: [1, 3, 2] }, []],
    [
      'a total by its sum alone',
      { hut: ['Alm', 'Berg', 'Cloud', 'Tolm valley'], milk: [3, 5, 4, 12], cows: [1, 2, 3, 6] },
      ['The numbers of “Tolm valley” are the sums of the rows above it. [3] Leave out rows where hut is Tolm valley.'],
    ],
    ['one column that adds up by chance is none', { hut: ['Alm', 'Berg', 'Cloud'], milk: [3, 5, 8] }, []],
    [
      'loose spaces of several kinds',
      { hut: ['Alm ', '\u00a0Berg', 'Kettle  moor', 'Dale'], milk: [1, 2, 3, 4.5] },
      ['3 texts have spaces around or doubled ones within: 3 of hut. [0 1 2] Take spaces off before, behind and doubled within all texts.'],
    ],
    [
      'capitals and accents',
      { hut: ['Álm', 'Alm', 'Alm', 'alm'], milk: [1, 2, 4, 8.5] },
      ['“Alm” of hut is also written “Álm”, “alm”, in 2 rows. [0 3] In hut write Alm for Álm; alm.'],
    ],
    [
      'a letter, where it is rare',
      { hut: [...many('Kettlemoor', 6), 'Ketlemoor'], milk: [1, 2, 4, 8.5, 17, 33, 60] },
      ['“Kettlemoor” of hut is also written “Ketlemoor”, in 1 row. [6] In hut write Kettlemoor for Ketlemoor.'],
    ],
    ['a letter, where both are as frequent', { hut: ['Mossgate', 'Mossgato'], milk: [1, 2] }, []],
    ['a digit is no slip', { hut: [...many('Stable 1', 9), 'Stable 2'], milk: [1, 2, 4, 8.5, 17, 33, 60, 70, 81, 99] }, []],
    [
      'numbers kept as texts',
      { milk: ['1,5', '2,25', '3', '4', 'sick'], hut: ['A', 'B', 'C', 'D', 'E'] },
      ['4 of 5 texts of milk are numbers, but not “sick”. [4] Read the texts of milk as numbers, decimals behind a comma.'],
    ],
    ['identifiers are none', { code: ['007', '008', '009', '010'], milk: [4, 1, 9, 3] }, []],
    [
      'a number among names',
      { hut: ['A', 'B', 'C', 'D', 'E', 'F', 'G', 'H', 'I', '42'] },
      ['“42” is a number among the texts of hut. [9] Take 42 in hut as missing.'],
    ],
    [
      'a lone value far above',
      { milk: [...TEN, 47] },
      ['47 of milk lies far outside the others, 10 to 28. [10] Take values of milk below no limit and above 46 as missing.'],
    ],
    ['one as far as the others lie apart is not', { milk: [...TEN, 46] }, []],
    [
      'two far below',
      { milk: [-900, ...TEN, -901] },
      ['-900, -901 of milk lie far outside the others, 10 to 28. [0 11] Take values of milk below -8 and above no limit as missing.'],
    ],
    [
      'a date of another century',
      { day: Array.from({ length: 9 }, (_, i) => `2031-06-0${i + 1}`).concat('2301-06-01') },
      [
        '2301-06-01 of day lies far outside the others, 2031-06-01 to 2031-06-09. [9] Take values of day below no limit and above 2031-06-17 as missing.',
      ],
    ],
    ['too few others', { milk: [1, 2, 3, 900] }, []],
    [
      'a zero among values that are far from it',
      { cows: [...TEN, 11, 0].map(value => value && value + 30) },
      ['1 zero of cows stands apart from the others, 40 to 58. [11] Take zeros of cows as missing, always.'],
    ],
    ['a zero among values around it', { change: [-3, 0, 4, 2, -1, 3, 1, 2.5, -2, 5, 1.5] }, []],
    [
      'rows below an empty one',
      { hut: ['A', 'B', 'C', 'D', 'E', 'F', 'G', 'H', null, 'as of June'], milk: [1, 2, 4, 8, 16, 32, 64, 128, null, null] },
      [/^1 row stands below an empty row\. \[9\] Leave out what stands below the first empty row\.$/, /^1 row has no value at all\. \[8\]/],
    ],
    ['an empty table', { hut: [], milk: [] }, []],
    ['one row', { hut: ['Alm'], milk: [0] }, []],
  ];
  for (const [name, columns, expected] of cases)
    it(name, () => {
      const got = said(tableWith(columns));
      expect(got.length).withContext(got.join('\n')).toBe(expected.length);
      expected.forEach((words, i) => (typeof words === 'string' ? expect(got[i]).toBe(words) : expect(got[i]).toMatch(words)));
    });

  it('every finding’s mend takes what it was about: the same is not found again', () => {
    for (const [name, columns] of cases) {
      const table = tableWith(columns);
      for (const found of findMends(table)) {
        const { table: mended, outcomes } = mendTable(table, [found.mend]);
        expect(outcomes[0])
          .withContext(name)
          .toEqual(jasmine.objectContaining({ count: found.count, problems: [] }));
        expect(findMends(mended).map(other => other.said))
          .withContext(name)
          .not.toContain(found.said);
      }
    }
  });
});

describe('a mend', () => {
  const table = tableOf({ hut: ['Alm', 'Berg', 'Total', 'alm ', null], milk: [3, 0, 8, 5, null], cows: [1, 2, 3, 0, 0] });
  const cases: readonly [mend: Mend, changed: Record<string, Cell[]>, count: number][] = [
    [
      { kind: 'totals', column: 'hut', texts: ['Total'], off: false },
      { hut: ['Alm', 'Berg', 'alm ', null], milk: [3, 0, 5, null], cows: [1, 2, 0, 0] },
      1,
    ],
    [{ kind: 'totals', column: 'hut', texts: ['Total'], off: true }, {}, 0],
    [{ kind: 'spaces', columns: ['hut'], off: false }, { hut: ['Alm', 'Berg', 'Total', 'alm', null] }, 1],
    [{ kind: 'spellings', column: 'hut', from: ['alm'], to: 'Alm', off: false }, { hut: ['Alm', 'Berg', 'Total', 'Alm', null] }, 1],
    [{ kind: 'spellings', column: 'hut', from: ['Berg'], to: '', off: false }, { hut: ['Alm', null, 'Total', 'alm ', null] }, 1],
    [{ kind: 'stray-texts', column: 'hut', texts: ['Berg', 'alm'], off: false }, { hut: ['Alm', null, 'Total', null, null] }, 2],
    [{ kind: 'stray-values', column: 'milk', low: 1, high: 5, off: false }, { milk: [3, null, null, 5, null] }, 2],
    [{ kind: 'zeros', column: 'milk', where: null, off: false }, { milk: [3, null, 8, 5, null] }, 1],
    [{ kind: 'zeros', column: 'cows', where: 'milk is null', off: false }, { cows: [1, 2, 3, 0, null] }, 1],
    [{ kind: 'fill', column: 'milk', where: 'cows = 0', off: false }, { milk: [3, 0, 8, 5, 0] }, 1],
    [{ kind: 'fill', column: 'milk', where: 'cows > 0', off: false }, {}, 0],
    [
      { kind: 'duplicates', columns: ['cows'], keep: 'last', off: false },
      { hut: ['Alm', 'Berg', 'Total', null], milk: [3, 0, 8, null], cows: [1, 2, 3, 0] },
      1,
    ],
    [
      { kind: 'duplicates', columns: ['cows'], keep: 'first', off: false },
      { hut: ['Alm', 'Berg', 'Total', 'alm '], milk: [3, 0, 8, 5], cows: [1, 2, 3, 0] },
      1,
    ],
  ];
  for (const [mend, changed, count] of cases)
    it(readSentence(mendSentence(mend, table.columns)) + (mend.off ? ' (off)' : ''), () => {
      const made = mendTable(table, [mend]);
      expect(cells(made.table)).toEqual({ ...cells(table), ...changed });
      expect(made.outcomes[0]?.count).toBe(count);
      expect(cells(table)['milk']).withContext('the source').toEqual([3, 0, 8, 5, null]);
    });

  it('texts become numbers, and what is none is counted', () => {
    const made = mendTable(tableOf({ milk: ['1.234,5', '7', null, 'sick', 'ill'] }), [
      { kind: 'numbers', column: 'milk', decimal: 'comma', off: false },
    ]);
    expect([cells(made.table)['milk'], made.outcomes]).toEqual([
      [1234.5, 7, null, null, null],
      [{ count: 2, problems: [], also: '2 texts that are none became missing' }],
    ] as never);
  });

  it('one after another, each over what is left; rows are known by their place in the source', () => {
    const made = mendTable(table, [
      { kind: 'totals', column: 'hut', texts: ['Alm'], off: false },
      { kind: 'stray-texts', column: 'hut', texts: ['Berg'], off: false },
      { kind: 'totals', column: 'hut', texts: ['Total'], off: false },
    ]);
    expect(Array.from(made.origin ?? [])).toEqual([1, 3, 4]);
    expect(cells(made.table)['hut']).toEqual([null, 'alm ', null]);
    expect([0, 1, 2, 3, 4, 9].map(row => placeIn(made.origin as Int32Array, row))).toEqual([-1, 0, -1, 1, 2, -1]);
    const edits = [2, 3].map(row => ({ row, column: 'milk', value: 7 }));
    expect(editsOfKept(edits, made.origin)).toEqual([{ row: 1, column: 'milk', value: 7 }]);
    expect(placeIn(new Int32Array(), 0)).toBe(-1);
  });

  const faults: readonly [mend: Mend, code: string][] = [
    [{ kind: 'rename', column: 'milk', as: 'hut', off: false }, 'made-name-taken'],
    [{ kind: 'rename', column: 'gone', as: 'x', off: false }, 'mend-no-column'],
    [{ kind: 'totals', column: 'gone', texts: [], off: false }, 'mend-no-column'],
    [{ kind: 'totals', column: 'milk', texts: [], off: false }, 'mend-other-type'],
    [{ kind: 'zeros', column: 'hut', where: null, off: false }, 'mend-other-type'],
    [{ kind: 'duplicates', columns: ['gone'], keep: 'first', off: false }, 'mend-no-column'],
    [{ kind: 'fill', column: 'milk', where: 'cows', off: false }, 'mend-no-rule'],
    [{ kind: 'fill', column: 'milk', where: 'cows >', off: false }, 'syntax'],
    [{ kind: 'fill', column: 'milk', where: 'sheep > 1', off: false }, 'unknown-name'],
  ];
  for (const [mend, code] of faults)
    it(`${mend.kind} of ${'column' in mend ? mend.column : mend.kind} that cannot be done says ${code}, and the next is done`, () => {
      const made = mendTable(table, [mend, { kind: 'spaces', columns: [], off: false }]);
      expect(made.outcomes.map(({ problems }) => problems[0]?.code)).toEqual([code, undefined] as never);
      expect(made.outcomes[1]?.count).toBe(1);
    });
});

describe('the words of a mend', () => {
  const { columns } = tableWith({ hut: ['Alm'], milk: [3], day: ['2031-06-01'] });
  const stray: Mend = { kind: 'stray-values', column: 'milk', low: null, high: 46, off: false };
  const cases: readonly [mend: Mend, key: string, value: string, sentence: string | null][] = [
    [stray, 'low', '1,200', 'Take values of milk below 1,200 and above 46 as missing.'],
    [stray, 'high', '', 'Take values of milk below no limit and above no limit as missing.'],
    [stray, 'high', 'much', null],
    [stray, 'column', 'day', 'Take values of day below no limit and above no limit as missing.'],
    [{ ...stray, column: 'day', high: null }, 'high', '2031-07-01', 'Take values of day below no limit and above 2031-07-01 as missing.'],
    [stray, 'where', 'x', null],
    [
      { kind: 'totals', column: 'hut', texts: [], off: false },
      'texts',
      ' Total ;Summe; Total',
      'Leave out rows where hut is Total; Summe.',
    ],
    [
      { kind: 'duplicates', columns: ['hut'], keep: 'first', off: false },
      'columns',
      'day',
      'Of rows with the same hut, day keep the first.',
    ],
    [
      { kind: 'duplicates', columns: ['hut'], keep: 'first', off: false },
      'columns',
      'hut',
      'Of rows with the same values in every column keep the first.',
    ],
    [
      { kind: 'fill', column: 'milk', where: null, off: false },
      'where',
      'day is not null',
      'Take missing values of milk as zero, where day is not null.',
    ],
  ];
  for (const [mend, key, value, sentence] of cases)
    it(`${key} “${value}”: ${sentence ?? 'refused'}`, () => {
      const changed = chooseMend(mend, key, value, columns);
      expect(changed.ok ? readSentence(mendSentence(changed.value, columns)) : null).toBe(sentence);
    });
  it('each kind begins with something that can be done', () => {
    const first = firstMends(columns);
    expect(first.length).toBe(11);
    expect(
      mendTable(
        tableOf({ hut: ['Alm'], milk: [3] }),
        first.map(({ mend }) => mend),
      ).outcomes.flatMap(({ problems }) => problems),
    ).toEqual([]);
    expect(firstMends([]).map(({ mend }) => mend.kind)).toEqual(['beyond', 'empty-rows', 'spaces', 'duplicates']);
  });
});

describe('a letter apart', () => {
  const cases: readonly [a: string, b: string, apart: boolean][] = [
    ['moss', 'mosz', true],
    ['moss', 'mos', true],
    ['moss', 'mosss', true],
    ['moss', 'msos', true],
    ['moss', 'moss', false],
    ['moss', 'ssom', false],
    ['moss', 'maas', false],
    ['hut 1', 'hut 2', false],
    ['hut 1', 'hut', false],
    ['тёлка', 'телка', true],
  ];
  for (const [a, b, apart] of cases)
    it(`${a}, ${b}: ${apart}`, () => expect([isLetterApart(a, b), isLetterApart(b, a)]).toEqual([apart, apart]));
});
