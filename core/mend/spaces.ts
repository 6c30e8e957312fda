import { success } from 'core/result';
import { counted, plainOptions, ticksToken, toggled } from 'core/sentence';
import { makeTable, type Column, type Table } from 'core/table';
import { tidied } from './folded';
import type { MendKind, MendOf } from './kind';
import { firstRows, namesOf, textCounts } from './parts';
import { rewritten } from './rewritten';

type Spaces = MendOf<'spaces'>;

const textsOf = ({ columns }: Table, names: readonly string[]): Extract<Column, { type: 'text' }>[] =>
  columns.filter(
    (column): column is Extract<Column, { type: 'text' }> => column.type === 'text' && (names.length === 0 || names.includes(column.name)),
  );

/** Spaces before, behind and doubled within texts. A text of spaces alone is a missing one. */
export const spaces: MendKind<Spaces> = {
  offer: 'Take off spaces around texts',
  counts: 'cell',
  find: table => {
    const loose = textsOf(table, []).map(column => ({ column, is: column.dictionary.map(text => tidied(text) !== text) }));
    const counts = loose.map(({ column, is }) => ({
      name: column.name,
      count: textCounts(column).reduce((sum, count, code) => sum + (is[code] ? count : 0), 0),
    }));
    const count = counts.reduce((sum, own) => sum + own.count, 0);
    if (count === 0) return [];
    const where = counts.filter(own => own.count).map(own => `${own.count.toLocaleString('en')} of ${own.name}`);
    const rows = firstRows(table.rowCount, row => loose.some(({ column, is }) => is[column.data[row] as number] ?? false));
    const said = `${counted(count, 'text')} ${count === 1 ? 'has' : 'have'} spaces around or doubled ones within: ${where.slice(0, 4).join(', ')}.`;
    return [{ mend: { kind: 'spaces', columns: [], off: false }, said, count, rows }];
  },
  apply: (table, { columns: names }) => {
    let count = 0;
    const tidy = new Map(
      textsOf(table, names).map(column => {
        const made = rewritten(column, text => tidied(text) || null);
        count += made.count;
        return [column.name, made.column];
      }),
    );
    const columns = table.columns.map(column => tidy.get(column.name) ?? column);
    return success({ table: count ? makeTable(table.name, columns) : table, kept: null, count });
  },
  sentence: ({ columns: names }, columns) => [
    'Take spaces off before, behind and doubled within ',
    ticksToken('columns', 'Columns', names, plainOptions(namesOf(columns, ['text'])), 'all texts'),
    '.',
  ],
  choose: (mend, _, value) => ({ ...mend, columns: toggled(mend.columns, value) }),
  first: () => ({ kind: 'spaces', columns: [], off: false }),
};
