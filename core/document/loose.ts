/** Data of an older version, of which nothing is known yet. */
export type Loose = Record<string, unknown>;

/** What is no object has no fields: the schema names it by its place. */
export const partOf = (value: unknown): Loose =>
  typeof value === 'object' && value !== null && !Array.isArray(value) ? (value as Loose) : {};

/** The parts of a list that may be anything, null entries included. */
export const partsIn = (value: unknown): Loose[] => (Array.isArray(value) ? value.map(partOf) : []);
