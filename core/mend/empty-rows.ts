import { success } from 'core/result';
import { counted } from 'core/sentence';
import { isMissing, type Table } from 'core/table';
import type { MendKind, MendOf } from './kind';
import { firstRows, leaveOut } from './parts';

const isEmptyIn =
  ({ columns }: Table) =>
  (row: number): boolean =>
    columns.every(column => isMissing(column, row));

/** The first row without any value that stands between others; −1 where there is none. */
function firstGap(table: Table): number {
  const isEmpty = isEmptyIn(table);
  for (let row = 1; row < table.rowCount; row++) if (isEmpty(row) && !isEmpty(row - 1)) return row;
  return -1;
}

/** Rows without any value. */
export const emptyRows: MendKind<MendOf<'empty-rows'>> = {
  offer: 'Leave out rows without any value',
  counts: 'row',
  find: table => {
    const isEmpty = isEmptyIn(table);
    const { count } = leaveOut(table, isEmpty);
    const said = `${counted(count, 'row')} ${count === 1 ? 'has' : 'have'} no value at all.`;
    return count ? [{ mend: { kind: 'empty-rows', off: false }, said, count, rows: firstRows(table.rowCount, isEmpty) }] : [];
  },
  apply: table => success(leaveOut(table, isEmptyIn(table))),
  sentence: () => ['Leave out rows without any value.'],
  choose: () => null,
  first: () => ({ kind: 'empty-rows', off: false }),
};

// What stands below a gap is a note or a second table where it is so small a part.
const SMALL_PART = 0.2;

/** What stands below a row without any value: a note, a total, a second table. */
export const beyond: MendKind<MendOf<'beyond'>> = {
  offer: 'Leave out what stands below an empty row',
  counts: 'row',
  find: table => {
    const gap = firstGap(table);
    const isEmpty = isEmptyIn(table);
    const rows = gap < 0 ? [] : firstRows(table.rowCount, row => row > gap);
    if (rows.every(isEmpty) || table.rowCount - gap > Math.max(3, table.rowCount * SMALL_PART)) return [];
    const said = `${counted(rows.length, 'row')} ${rows.length === 1 ? 'stands' : 'stand'} below an empty row.`;
    return [{ mend: { kind: 'beyond', off: false }, said, count: rows.length, rows }];
  },
  apply: table => {
    const gap = firstGap(table);
    return success(leaveOut(table, row => gap >= 0 && row > gap));
  },
  sentence: () => ['Leave out what stands below the first empty row.'],
  choose: () => null,
  first: () => ({ kind: 'beyond', off: false }),
};
