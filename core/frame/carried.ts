import type { Groups } from 'core/formula';
import type { Stages } from 'core/stages';
import { takeColumn, type Column, type Table } from 'core/table';

/**
 * Text columns with one value in each group (the valley of a hut): they can be shown beside the category, and a cue can group by them. Columns in
 * `except` are skipped.
 */
export function carriedColumns(
  rows: Table,
  groups: Groups & { readonly firstRows: Int32Array },
  except: readonly string[],
  stages: Stages,
): Column[] {
  const candidates = rows.columns.filter(column => column.type === 'text' && !except.includes(column.name));
  return candidates.flatMap(column =>
    stages(`carried ${column.name}`, [column, groups], () =>
      isConstantWithin(column, groups) ? [takeColumn(column, groups.firstRows)] : [],
    ),
  );
}

function isConstantWithin({ data }: Column, { ids, firstRows }: Groups & { readonly firstRows: Int32Array }): boolean {
  for (let row = 0; row < data.length; row++) {
    const first = firstRows[ids ? (ids[row] as number) : 0] as number;
    if (data[row] !== data[first]) return false;
  }
  return true;
}
