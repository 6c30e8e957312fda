import type { Result } from 'core/result';
import type { FormulaPlace, NamedFormula } from 'core/formula';
import type { Livery, Picture, Plan, Writing } from 'core/plan';
import type { Derived, Figure, Project } from 'core/project';
import type { ColumnType, CellEdit, Table } from 'core/table';
import type { ImportedTable } from 'core/io';

/** The shape of a source table: enough for the brief and the ledger. */
export interface SourceInfo {
  readonly name: string;
  readonly rowCount: number;
  readonly columns: readonly { readonly name: string; readonly type: ColumnType }[];
}

/** A project that the engine holds the tables of. */
export interface OpenedProject {
  readonly project: Project;
  readonly sources: Readonly<Record<string, SourceInfo>>;
}

/** Where the analyst left off. */
export interface Session {
  readonly project: string;
  /** The figure on the stage, by project. */
  readonly figures: Readonly<Record<string, string>>;
}

export interface StoredProject {
  readonly id: string;
  readonly name: string;
  readonly savedAt: number;
}

/** A table as the document changes it: cells edited, columns derived. */
export interface TableAsk {
  readonly id: string;
  readonly edits: readonly CellEdit[];
  readonly derived: readonly Derived[];
}

export interface PictureAsk {
  readonly figure: Figure;
  readonly table: TableAsk;
  readonly writing: Writing;
  readonly livery: Livery;
}

/** A formula tried on what it would see: a table's rows, or the frame of a figure. */
export interface TrialAsk {
  readonly formula: string;
  /** `helper`: over the frame; `measure`: one value per category of the figure; else over the table's rows. */
  readonly place: FormulaPlace | 'helper';
  readonly figure: Figure;
  readonly table: TableAsk;
  /** Columns that the formula sees beside the frame's own. */
  readonly before?: readonly NamedFormula[];
}

/** What a tried formula gives. */
export interface Trial {
  readonly type: ColumnType | 'null';
  readonly sql: string;
  /** The first rows: what names them, and the values as text; missing is null. */
  readonly rows: readonly { readonly name: string; readonly value: string | null }[];
  /** Up to a few hundred values for a tiny chart; empty unless numbers. */
  readonly spark: Float64Array;
  /** Rows without a value though everything they are computed from is there. */
  readonly withoutValue: number;
  readonly names: readonly { readonly name: string; readonly type: ColumnType }[];
}

/** A value of a column with how many rows have it; null for missing. */
export interface ValueCount {
  readonly value: string | null;
  readonly count: number;
}

/** What the worker does. Everything that touches whole tables or storage goes through here. */
export interface EngineApi {
  /** The project of the last session, or null on a first visit. */
  resume(): Promise<(OpenedProject & { readonly session: Session }) | null>;
  openStored(id: string): Promise<OpenedProject | null>;
  openFile(text: string): Promise<Result<OpenedProject>>;
  /** Parses a CSV; meant for a worker of its own that can be ended to cancel. */
  readTable(file: Blob, name: string, onProgress: (share: number) => void): Promise<Result<ImportedTable>>;
  /** Takes a table in, and stores it for later sessions. */
  addTable(id: string, table: Table): Promise<SourceInfo>;
  picture(ask: PictureAsk): Promise<Result<Picture>>;
  /** The first drawing of a figure alone, for previews. */
  preview(ask: PictureAsk): Promise<Result<Plan>>;
  tryFormula(ask: TrialAsk): Promise<Result<Trial>>;
  valueCounts(table: TableAsk, column: string): Promise<readonly ValueCount[]>;
  /** The given rows of a table, edits laid over them. */
  rowsOf(table: TableAsk, rows: Int32Array): Promise<Table>;
  save(project: Project): Promise<number>;
  saveSession(session: Session): Promise<void>;
  storedProjects(): Promise<readonly StoredProject[]>;
  removeStored(id: string): Promise<void>;
  projectFile(project: Project): Promise<string>;
}
