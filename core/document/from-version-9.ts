import { partOf, partsIn, type Loose } from './loose';

/** Version 10 brought mends, feeds, sources that replace others, and the order of columns. */
export const fromVersion9 = (document: Loose): Loose => ({
  ...document,
  version: 10,
  tables: partsIn(document['tables']).map(table => ({
    ...table,
    source: table['source'] ? { ...partOf(table['source']), key: null, at: null } : null,
    mends: [],
    feed: null,
    hidden: [],
    order: [],
  })),
});
