/** Data of an older version, with unknown fields. */
export type Loose = Record<string, unknown>;

/** An object's fields; a value that is no object has none, and the schema reports it at its place. */
export const partOf = (value: unknown): Loose =>
  typeof value === 'object' && value !== null && !Array.isArray(value) ? (value as Loose) : {};

/** The objects in a list of anything, null entries included. */
export const partsIn = (value: unknown): Loose[] => (Array.isArray(value) ? value.map(partOf) : []);
