import type { ColumnStats, ColumnType } from 'core/table';

/** Facts about a table from which the brief makes its choices. */
export interface TableFacts {
  readonly id: string;
  readonly name: string;
  readonly rowCount: number;
  readonly units: Readonly<Record<string, string>>;
  /** All columns, derived ones included, with their formula. */
  readonly columns: readonly ColumnFacts[];
}

/** Facts about a column from which the brief makes its choices. */
export interface ColumnFacts {
  readonly name: string;
  readonly type: ColumnType;
  readonly formula?: string;
  /** It is not offered anywhere; figures that use it still work. */
  readonly hidden?: boolean;
  /** Statistics of its values; undefined for a derived column. */
  readonly stats?: ColumnStats;
}

/** The columns that lists offer: all that are not hidden. */
export const offeredColumns = (table: Pick<TableFacts, 'columns'> | undefined): readonly ColumnFacts[] =>
  (table?.columns ?? []).filter(({ hidden }) => !hidden);
