import type { ColumnStats, ColumnType } from 'core/table';

/** The facts about a table that the brief needs to offer choices that make sense. */
export interface TableFacts {
  readonly id: string;
  readonly name: string;
  readonly rowCount: number;
  readonly units: Readonly<Record<string, string>>;
  /** Derived columns among them, with their formula. */
  readonly columns: readonly ColumnFacts[];
}

/** The facts about a column that the brief needs. */
export interface ColumnFacts {
  readonly name: string;
  readonly type: ColumnType;
  readonly formula?: string;
  /** It is offered nowhere; a figure that uses it goes on. */
  readonly hidden?: boolean;
  /** What it holds; unknown for a derived column. */
  readonly stats?: ColumnStats;
}

/** The columns of a table that are offered in lists: not those that were hidden. */
export const offeredColumns = (table: Pick<TableFacts, 'columns'> | undefined): readonly ColumnFacts[] =>
  (table?.columns ?? []).filter(({ hidden }) => !hidden);
