import type { ColumnType } from 'core/table';

/** `null` is the type of a bare missing value, which fits everywhere. */
export type TypedType = ColumnType | 'null';
