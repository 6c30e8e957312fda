import type { ColumnStats, ColumnType } from 'core/table';

/** What the brief may know of a table: enough to offer the choices that make sense. */
export interface TableFacts {
  readonly id: string;
  readonly name: string;
  readonly rowCount: number;
  readonly units: Readonly<Record<string, string>>;
  /** Derived columns among them, with their formula. */
  readonly columns: readonly ColumnFacts[];
}

/** What the brief may know of a column. */
export interface ColumnFacts {
  readonly name: string;
  readonly type: ColumnType;
  readonly formula?: string;
  /** What it holds; unknown for a derived column. */
  readonly stats?: ColumnStats;
}
