import type { ColumnType } from 'core/table';

/** Types in formulas; `null` is the type of a bare missing value, which fits everywhere. */
export type TypedType = ColumnType | 'null';
