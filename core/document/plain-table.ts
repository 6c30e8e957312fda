import type { TableDoc } from './table-schema';

/** Under which id a table's values are kept. */
export const sourceKey = ({ id, source }: Pick<TableDoc, 'id' | 'source'>): string => source?.key ?? id;

/** A table of which nothing was decided. */
export const plainTable = (id: string, name: string): TableDoc => ({
  id,
  name,
  units: {},
  edits: [],
  derived: [],
  readings: {},
  source: null,
  intake: null,
  made: null,
  mends: [],
  feed: null,
  hidden: [],
  order: [],
});
