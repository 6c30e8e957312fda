import type { Making } from 'core/document';
import { messageFor } from 'core/result/words';
import { cellAt, makeTable, named, tableOf, valuesFrom, type Cell, type Table } from 'core/table';
import { readSentence } from 'core/sentence';
import { chooseMaking, madeOf, makingSentence, wordsOfMaking } from './index';

const n = null;
const dates = (name: string, days: readonly Cell[], more: Readonly<Record<string, readonly Cell[]>>): Table =>
  makeTable(name, [named('day', valuesFrom('date', days)), ...tableOf(more).columns]);

const tables: Readonly<Record<string, Table>> = {
  a: tableOf({ year: [2030, 2031, 2033, n], index: [5, 6, 7, 8] }),
  b: tableOf({ year: [2031, 2032, 2033], index: [0.5, 0.25, n], word: ['x', 'y', 'z'] }),
  twice: tableOf({ year: [2031, 2031, 2030, n, n], milk: [1, 2, n, 4, 5], word: ['p', 'q', 'r', 's', 't'] }),
  words: tableOf({ year: ['2031'], milk: [1] }),
  one: tableOf({ year: [2031], milk: [1] }),
  none: makeTable('none', [named('year', valuesFrom('number', [])), named('milk', valuesFrom('number', []))]),
  early: dates('early', ['2031-06-01', '2031-06-10'], { x: [1, 2] }),
  late: dates('late', ['2031-06-03', '2031-06-08', '2031-06-20'], { y: [3, 4, 5] }),
  // Halfway between two dates: the earlier one takes it.
  middle: dates('middle', ['2031-06-05', '2031-06-06'], { y: [3, 4] }),
  long: tableOf({ hut: ['Alm', 'Alm', 'Berg', n, n], month: ['june', 'july', 'july', 'june', n], milk: [1, 2, 3, 4, 5] }),
  clash: tableOf({ hut: ['Alm', 'Alm'], month: ['june', 'june'], milk: [1, 2] }),
};
const list = (table: string, key = 'year') => ({ table, keys: [key] });
const alignment = (ids: readonly string[], more: Partial<Extract<Making, { kind: 'align' }>> = {}): Making => ({
  kind: 'align',
  lists: ids.map(id => list(id, ['early', 'late', 'middle'].includes(id) ? 'day' : 'year')),
  how: 'any',
  nearest: null,
  same: 'refuse',
  ...more,
});

describe('tables made of others', () => {
  const cases: readonly [
    name: string,
    making: Making,
    columns: Readonly<Record<string, readonly Cell[]>> | null,
    told: readonly string[],
  ][] = [
    [
      'any key, gaps stay, a missing key equals no other, equal names say whose they are',
      alignment(['a', 'b']),
      { year: [2030, 2031, 2033, 2032, n], 'index of a': [5, 6, 7, n, 8], 'index of b': [n, 0.5, n, 0.25, n], word: [n, 'x', 'z', 'y', n] },
      ['One key of a has no partner: 2030.', 'One row of a has no key.', 'One key of b has no partner: 2032.'],
    ],
    [
      'every key',
      alignment(['a', 'b'], { how: 'every' }),
      { year: [2031, 2033], 'index of a': [6, 7], 'index of b': [0.5, n], word: ['x', 'z'] },
      ['2030', 'no key', '2032'],
    ],
    [
      'keys of the first',
      alignment(['a', 'b'], { how: 'first' }),
      { year: [2030, 2031, 2033, n], 'index of a': [5, 6, 7, 8], 'index of b': [n, 0.5, n, n], word: [n, 'x', 'z', n] },
      ['2030', 'no key', '2032'],
    ],
    [
      'keys that rise everywhere come in order',
      alignment(['b', 'one']),
      { year: [2031, 2032, 2033], index: [0.5, 0.25, n], word: ['x', 'y', 'z'], milk: [1, n, n] },
      ['2 keys of b have no partner: 2032, 2033.'],
    ],
    ['a key twice is refused', alignment(['a', 'twice']), null, ['twice has several rows of one key, such as 2031.']],
    [
      'rows of one key summed, those without a key by themselves',
      alignment(['one', 'twice'], { same: 'sum' }),
      { year: [2031, 2030, n, n], 'milk of one': [1, n, n, n], 'milk of twice': [3, n, 4, 5], word: ['p', 'r', 's', 't'] },
      ['One key of twice has no partner: 2030.', '2 rows of twice have no key.'],
    ],
    [
      'the first of one key',
      alignment(['one', 'twice'], { same: 'first', how: 'every' }),
      { year: [2031], 'milk of one': [1], 'milk of twice': [1], word: ['p'] },
      ['2030', 'no key'],
    ],
    [
      'nothing in one list',
      alignment(['one', 'none']),
      { year: [2031], 'milk of one': [1], 'milk of none': [n] },
      ['One key of one has no partner: 2031.'],
    ],
    ['keys of different types', alignment(['one', 'words']), null, ['year of words is a text, and the first list’s key is a number.']],
    ['a list that is not there', alignment(['one', 'gone']), null, ['The table gone that this one is made of is not there any more.']],
    [
      'dates two days apart at most',
      alignment(['early', 'late'], { nearest: 2 }),
      { day: ['2031-06-01', '2031-06-10', '2031-06-20'], x: [1, 2, n], y: [3, 4, 5] },
      ['One key of late has no partner: 2031-06-20.'],
    ],
    [
      'as near to two dates',
      alignment(['early', 'middle'], { nearest: 9, same: 'sum' }),
      { day: ['2031-06-01', '2031-06-10'], x: [1, 2], y: [3, 4] },
      [],
    ],
    [
      'looked up',
      { kind: 'look-up', table: 'twice', keys: ['year'], other: 'b', otherKeys: ['year'], columns: ['word', 'index'] },
      {
        year: [2031, 2031, 2030, n, n],
        milk: [1, 2, n, 4, 5],
        word: ['p', 'q', 'r', 's', 't'],
        'word of b': ['x', 'x', n, n, n],
        index: [0.5, 0.5, n, n, n],
      },
      ['3 rows are not found in b; what was looked up is missing there.'],
    ],
    [
      'looked up where a key stands twice',
      { kind: 'look-up', table: 'one', keys: ['year'], other: 'twice', otherKeys: ['year'], columns: ['word'] },
      null,
      ['twice has several rows of one key, such as 2031.'],
    ],
    [
      'looked up, no such column',
      { kind: 'look-up', table: 'one', keys: ['year'], other: 'b', otherKeys: ['year'], columns: ['gone'] },
      null,
      ['b has no column gone.'],
    ],
    [
      'stacked, with the table of each row',
      { kind: 'stack', tables: ['one', 'words', 'b'], from: 'list' },
      {
        list: ['one', 'words', 'b', 'b', 'b'],
        year: ['2031', '2031', '2031', '2032', '2033'],
        milk: [1, 1, n, n, n],
        index: [n, n, 0.5, 0.25, n],
        word: [n, n, 'x', 'y', 'z'],
      },
      ['year is number and text, so it became text.'],
    ],
    [
      'turned into columns, missing names and keys kept',
      { kind: 'wide', table: 'long', name: 'month', value: 'milk' },
      { hut: ['Alm', 'Berg', n], june: [1, n, 4], july: [2, 3, n], '(missing)': [n, n, 5] },
      [],
    ],
    [
      'two values for one place',
      { kind: 'wide', table: 'clash', name: 'month', value: 'milk' },
      null,
      ['Rows 1 and 2 both have a value for june'],
    ],
    [
      'turned into rows',
      { kind: 'long', table: 'b', columns: ['year', 'index'], name: 'what', value: 'number' },
      {
        word: ['x', 'x', 'y', 'y', 'z', 'z'],
        what: ['year', 'index', 'year', 'index', 'year', 'index'],
        number: [2031, 0.5, 2032, 0.25, 2033, n],
      },
      [],
    ],
    [
      'turned into rows under a name that is taken',
      { kind: 'long', table: 'b', columns: ['year'], name: 'word', value: 'number' },
      null,
      ['A column is called word already.'],
    ],
  ];
  for (const [name, making, columns, told] of cases)
    it(name, () => {
      const made = madeOf(making, id => tables[id] && { name: id, table: tables[id] });
      const notes = made.ok ? made.value.notes : made.problems;
      expect(made.ok)
        .withContext(notes.map(messageFor).join(' '))
        .toBe(columns !== null);
      expect(notes.length).withContext(notes.map(messageFor).join(' ')).toBe(told.length);
      for (const [at, words] of told.entries()) expect(messageFor(notes[at]!)).toContain(words);
      if (!made.ok) return;
      const { table } = made.value;
      const cells = Object.fromEntries(
        table.columns.map(column => [column.name, Array.from({ length: table.rowCount }, (_, row) => cellAt(column, row))]),
      );
      expect(cells as unknown).toEqual(columns);
      expect(Object.keys(cells)).toEqual(Object.keys(columns ?? {}));
    });

  const sentences: readonly [making: Making, says: string][] = [
    [alignment(['a', 'b']), 'Align A and B on year, for every key of any of them.'],
    [
      alignment(['a', 'b', 'one'], { how: 'every', same: 'sum' }),
      'Align A, B and ONE on year, for keys that all of them have, rows of one key summed.',
    ],
    [
      alignment(['early', 'late'], { nearest: 1 }),
      'Align EARLY and LATE on day, for every key of any of them, dates up to one day apart taken as one.',
    ],
    [
      { kind: 'look-up', table: 'a', keys: ['year'], other: 'b', otherKeys: ['year'], columns: ['word'] },
      'A with word looked up in B by year.',
    ],
    [
      { kind: 'stack', tables: ['a', 'b'], from: 'list' },
      'Stack A and B by the names of their columns, list naming the table of each row.',
    ],
    [{ kind: 'long', table: 'a', columns: ['x', 'y'], name: 'month', value: 'milk' }, 'Turn x and y of A into rows of month and milk.'],
    [{ kind: 'wide', table: 'a', name: 'month', value: 'milk' }, 'Turn the rows of A into a column of milk for each month.'],
  ];
  for (const [making, says] of sentences) it(says, () => expect(wordsOfMaking(making, id => id.toUpperCase())).toBe(says));

  it('more than twenty million rows are refused before they are made', () => {
    // Rows without a key stand alone, and a million answers take a million bytes.
    const lone = (rows: number): Table => makeTable('lone', [named('ok', { type: 'boolean', data: new Uint8Array(rows).fill(2) })]);
    const told = (making: Making, rows: number): string => {
      const made = madeOf(making, id => ({ name: id, table: lone(rows) }));
      return made.ok ? String(made.value.table.rowCount) : made.problems.map(messageFor).join(' ');
    };
    const lists = ['a', 'b'].map(table => list(table, 'ok'));
    const aligned: Making = { kind: 'align', lists, how: 'any', nearest: null, same: 'refuse' };
    expect(told(aligned, 10_000_001)).toBe('This would make 20,000,002 rows; up to 20,000,000 can be made. Filter or sum up first.');
    expect(told(aligned, 1_000)).toBe('2000');
    expect(told({ kind: 'stack', tables: Array<string>(21).fill('a'), from: null }, 1_000_000)).toContain('would make 21,000,000 rows');
  });

  it('keys without a partner are listed, fifty of them at most', () => {
    const told = (count: number): string => {
      const many = tableOf({ year: Array.from({ length: count }, (_, at) => 1900 + at) });
      const made = madeOf(alignment(['many', 'one']), id => ({ name: id, table: id === 'many' ? many : tables[id]! }));
      return made.ok ? messageFor(made.value.notes[0]!) : '';
    };
    const years = (count: number): string => Array.from({ length: count }, (_, at) => 1900 + at).join(', ');
    expect(told(20)).toBe(`20 keys of many have no partner: ${years(20)}.`);
    expect(told(60)).toBe(`60 keys of many have no partner: ${years(50)} and 10 more.`);
  });

  it('looked up by a key of more columns: one that both tables have, then any; fewer again', () => {
    const known = ['litres', 'prices'].map(id => ({
      id,
      name: id,
      columns: (id === 'litres' ? ['hut', 'milk', 'month'] : ['month', 'hut', 'price']).map(name => ({ name, type: 'text' as const })),
    }));
    const chosen = (making: Making, key: string, value: string): Making => {
      const next = chooseMaking(making, key, value, known);
      if (!next.ok) throw new Error(next.problems.map(messageFor).join(' '));
      return next.value;
    };
    const one: Making = { kind: 'look-up', table: 'litres', keys: ['hut'], other: 'prices', otherKeys: ['hut'], columns: ['price'] };
    const two = chosen(one, 'keys', '2');
    expect(readSentence(makingSentence(two, known))).toBe(
      'Take litres and look up price in prices by a key of 2 columns: where its hut is the hut here and its month is the month here.',
    );
    expect(chosen(two, 'keys', '3')).toEqual({ ...one, keys: ['hut', 'month', 'milk'], otherKeys: ['hut', 'month', 'month'] });
    expect(chosen(two, 'other-key:1', 'price')).toEqual({ ...one, keys: ['hut', 'month'], otherKeys: ['hut', 'price'] });
    expect(chosen(two, 'keys', '1')).toEqual(one);
    // A column that comes to be of the key is not looked up.
    expect(chosen({ ...one, columns: ['month'] }, 'keys', '2')).toEqual({ ...one, keys: ['hut', 'month'], otherKeys: ['hut', 'month'] });
  });
});
