import type { TableDoc } from './table-schema';

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
});
