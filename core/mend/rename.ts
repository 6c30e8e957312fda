import { failure, success } from 'core/result';
import { columnOf, makeTable } from 'core/table';
import type { MendKind, MendOf } from './kind';

/**
 * A column under another name: what stands behind it in the table, mends included, knows it by that. It is begun at the column, where everything that speaks
 * of it follows, so it is neither offered here nor has words to choose.
 */
export const rename: MendKind<MendOf<'rename'>> = {
  offer: '',
  counts: 'column',
  find: () => [],
  apply: (table, { column: name, as }) => {
    if (!columnOf(table, name)) return failure({ code: 'mend-no-column', name });
    if (columnOf(table, as)) return failure({ code: 'made-name-taken', name: as });
    const columns = table.columns.map(own => (own.name === name ? { ...own, name: as } : own));
    return success({ table: makeTable(table.name, columns), kept: null, count: 1 });
  },
  sentence: ({ column, as }) => [`${column} is called ${as} here.`],
  choose: () => null,
  first: () => null,
};
