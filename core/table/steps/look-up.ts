import { failure, success, type Result } from 'core/result';
import { columnOf, makeTable, named, takeColumn, type Column } from 'core/table';
import { keyCodes } from './key-codes';
import { keyColumns, keysTwice, type AlignedList } from './keys';
import { toldApart, type Made, type MakingNote } from './step';

/**
 * A table with columns of another one behind its own, found by key: row for row what it was, missing where the other has no such key or the row has none.
 * Problems: a key twice in the other table, keys of different types, columns that are not there. Cost: a pass over both keys, one over each new column.
 */
export function lookUp(own: AlignedList, other: AlignedList, columns: readonly string[]): Result<Made> {
  const keys = keyColumns([other, own]);
  if (!keys.ok) return keys;
  const wanted = columns.map(name => ({ name, column: columnOf(other.table, name) }));
  const absent = wanted.flatMap(({ name, column }) => (column ? [] : [{ code: 'made-no-column' as const, table: other.name, name }]));
  if (absent.length) return failure(...absent);
  const { rows, without, twice } = foundRows(keys.value);
  if (twice.length) return failure({ ...keysTwice(other, twice), isLookedUp: true });
  const found = wanted.map(({ column }) => ({ name: (column as Column).name, of: other.name, column: column as Column }));
  const names = toldApart(
    found,
    own.table.columns.map(({ name }) => name),
  );
  const notes: MakingNote[] = without ? [{ code: 'keys-not-found', isNote: true, table: other.name, count: without }] : [];
  const added = found.map(({ column }, i) => named(names[i] as string, takeColumn(column, rows)));
  return success({ table: makeTable(own.name, [...own.table.columns, ...added]), notes });
}

// Enough to show what stands twice.
const SHOWN = 5;

/** The row of the other table for each row, −1 where there is none, how many have none, and rows whose key another had before. */
function foundRows(keys: readonly (readonly Column[])[]): { rows: Int32Array; without: number; twice: readonly number[] } {
  const { codes, count } = keyCodes(keys);
  const [otherCodes, ownCodes] = codes as readonly [Int32Array, Int32Array];
  const rowOf = new Int32Array(count).fill(-1);
  const twice: number[] = [];
  for (const [row, code] of otherCodes.entries()) {
    if (code < 0) continue;
    if (rowOf[code] === -1) rowOf[code] = row;
    else if (twice.length < SHOWN) twice.push(row);
  }
  let without = 0;
  const rows = ownCodes.map(code => {
    const row = code < 0 ? -1 : (rowOf[code] as number);
    if (row < 0) without++;
    return row;
  });
  return { rows, without, twice };
}
