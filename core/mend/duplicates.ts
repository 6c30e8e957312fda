import { failure, success } from 'core/result';
import { choiceToken, counted, listed, plainOptions, ticksToken, toggled, type Option } from 'core/sentence';
import { columnOf, type Column, type Table } from 'core/table';
import { keyCodes } from 'core/table/steps';
import type { Found, MendKind, MendOf } from './kind';
import { firstRows, leaveOut } from './parts';

type Duplicates = MendOf<'duplicates'>;

const KEEP: readonly Option[] = [
  { value: 'first', label: 'the first' },
  { value: 'last', label: 'the last' },
];

// So few rows of all may repeat a key that is one.
const MOST_REPEATS = 0.05;

/** One code per row for equal values in every one of some columns; a missing value is equal to another. */
function rowCodes(columns: readonly Column[], rowCount: number): Int32Array {
  let codes = new Int32Array(rowCount);
  for (const column of columns) {
    const own = keyCodes([[column]]);
    const [part = codes] = own.codes;
    const known = new Map<number, number>();
    const width = own.count + 1;
    const before = codes;
    codes = Int32Array.from(before, (code, row) => {
      const both = code * width + (part[row] as number) + 1;
      const found = known.get(both) ?? known.size;
      if (found === known.size) known.set(both, found);
      return found;
    });
    // All different already: no further column makes two of them equal.
    if (known.size === rowCount) break;
  }
  return codes;
}

/** Which rows say again what another says that is kept. */
function repeats(columns: readonly Column[], rowCount: number, keep: Duplicates['keep']): (row: number) => boolean {
  const codes = rowCodes(columns, rowCount);
  const kept = new Int32Array(rowCount).fill(-1);
  for (let i = 0; i < rowCount; i++) {
    const row = keep === 'first' ? rowCount - 1 - i : i;
    kept[codes[row] as number] = row;
  }
  return row => kept[codes[row] as number] !== row;
}

function found(table: Table, columns: readonly Column[], said: (count: number) => string): Found<Duplicates>[] {
  const test = repeats(columns, table.rowCount, 'first');
  const { count } = leaveOut(table, test);
  if (count === 0) return [];
  const names = columns === table.columns ? [] : columns.map(({ name }) => name);
  return [
    {
      mend: { kind: 'duplicates', columns: names, keep: 'first', off: false },
      said: said(count),
      count,
      rows: firstRows(table.rowCount, test),
    },
  ];
}

const says = (count: number, what: string): string => `${counted(count, 'row')} ${count === 1 ? 'has' : 'have'} ${what}`;

/** Columns of texts, dates and moments: what rows are told apart by, where they are. */
const keysOf = ({ columns }: Table): Column[] => columns.filter(({ type }) => type !== 'number' && type !== 'boolean');

/** Rows that repeat others, in every column or in those of a key. */
export const duplicates: MendKind<Duplicates> = {
  offer: 'Leave out rows that repeat others',
  counts: 'row',
  find: table => {
    const whole = found(table, table.columns, count => says(count, 'the same values as an earlier one.'));
    const keys = keysOf(table);
    if (whole.length || keys.length === 0 || keys.length === table.columns.length) return whole;
    const names = listed(keys.map(({ name }) => name));
    const ofKeys = found(table, keys, count => says(count, `the same ${names} as an earlier one, and other numbers.`));
    return ofKeys.filter(({ count }) => count <= table.rowCount * MOST_REPEATS);
  },
  apply: (table, { columns: names, keep }) => {
    const lacking = names.filter(name => !columnOf(table, name));
    if (lacking.length) return failure(...lacking.map(name => ({ code: 'mend-no-column', name }) as const));
    const columns = names.length ? names.map(name => columnOf(table, name) as Column) : table.columns;
    return success(leaveOut(table, repeats(columns, table.rowCount, keep)));
  },
  sentence: ({ columns: names, keep }, columns) => [
    'Of rows with the same ',
    ticksToken('columns', 'Columns that are the same', names, plainOptions(columns.map(({ name }) => name)), 'values in every column'),
    ' keep ',
    choiceToken('keep', 'Which row', keep, KEEP),
    '.',
  ],
  choose: (mend, key, value) =>
    key === 'keep' ? { ...mend, keep: value as Duplicates['keep'] } : { ...mend, columns: toggled(mend.columns, value) },
  first: () => ({ kind: 'duplicates', columns: [], keep: 'first', off: false }),
};
