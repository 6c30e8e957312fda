import type { Result } from 'core/result';
import type { Livery, Picture } from 'core/plan';
import type { Figure, Project } from 'core/project';
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

export interface PictureAsk {
  readonly figure: Figure;
  readonly edits: readonly CellEdit[];
  readonly units: Readonly<Record<string, string>>;
  readonly livery: Livery;
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
  readTable(bytes: Uint8Array, name: string, onProgress: (share: number) => void): Promise<Result<ImportedTable>>;
  /** Takes a table in, and stores it for later sessions. */
  addTable(id: string, table: Table): Promise<SourceInfo>;
  picture(ask: PictureAsk): Promise<Result<Picture>>;
  valueCounts(table: string, edits: readonly CellEdit[], column: string): Promise<readonly ValueCount[]>;
  /** The given rows of a table, edits laid over them. */
  rowsOf(table: string, edits: readonly CellEdit[], rows: Int32Array): Promise<Table>;
  save(project: Project): Promise<number>;
  saveSession(session: Session): Promise<void>;
  storedProjects(): Promise<readonly StoredProject[]>;
  removeStored(id: string): Promise<void>;
  projectFile(project: Project): Promise<string>;
}
