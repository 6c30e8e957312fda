import { partsIn, type Loose } from './loose';

/** Version 9 added intakes, and tables made of others. */
export const fromVersion8 = (document: Loose): Loose => ({
  ...document,
  version: 9,
  tables: partsIn(document['tables']).map(table => ({ ...table, source: null, intake: null, made: null })),
});
