import type { TableDoc } from './table-schema';

/** The id under which a table's values are stored. */
export const sourceKey = ({ id, source }: Pick<TableDoc, 'id' | 'source'>): string => source?.key ?? id;

/** A table with default settings. */
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
