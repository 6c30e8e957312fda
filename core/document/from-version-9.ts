import { partOf, partsIn, type Loose } from './loose';

/** Columns of an intake accept any thousands separator, as before. */
const withThousands = (intake: Loose): Loose => ({
  ...intake,
  columns: partsIn(intake['columns']).map(column => ({ ...column, thousands: null })),
});

/** Version 10 added mends, feeds, thousands separators, replacing sources, and the order of columns. */
export const fromVersion9 = (document: Loose): Loose => ({
  ...document,
  version: 10,
  tables: partsIn(document['tables']).map(table => ({
    ...table,
    intake: table['intake'] ? withThousands(partOf(table['intake'])) : null,
    source: table['source'] ? { ...partOf(table['source']), key: null, at: null } : null,
    mends: [],
    feed: null,
    hidden: [],
    order: [],
  })),
});
