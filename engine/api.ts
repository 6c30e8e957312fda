import type { FoundRisk } from 'core/check';
import type { Figure, Project } from 'core/document';
import type { Entry, Proposal } from 'core/document/edits';
import type { FormulaPlace, NamedFormula } from 'core/formula';
import type { Livery, Picture, Plan } from 'core/plan';
import type { SentPlan } from 'engine/parcel';
import type { TableOutline } from 'core/intake';
import type { ChangedFinding, CueFound, FindingTitle } from 'core/words';
import type { Problem, Result } from 'core/result';
import type { CarriedEdits, ColumnStats, ColumnType, Table } from 'core/table';
import type { MendFindings, TableAsk, TableLook } from './table-seen';

export type { FoundRisk };
export type { ColumnLook, MendFindings, TableAsk, TableLook } from './table-seen';
export type { Entry, Proposal };

/** The shape of a source table: enough for the brief and the ledger. */
export interface SourceInfo {
  readonly name: string;
  readonly rowCount: number;
  readonly columns: readonly { readonly name: string; readonly type: ColumnType; readonly stats?: ColumnStats }[];
}

/** Tables of a project by id, without their values. */
export type Sources = Readonly<Record<string, SourceInfo>>;

/** A project as it was stored or handed over, with what the journal holds on top of it. The engine holds its tables. */
export interface OpenedProject {
  readonly project: Project;
  readonly entries: readonly Entry[];
  readonly sources: Sources;
  /** What was left out of it when it was read. */
  readonly notes?: readonly Problem[];
}

/** Where the analyst left off. */
export interface LastSession {
  readonly project: string;
  /** The figure on the stage, by project. */
  readonly figures: Readonly<Record<string, string>>;
}

/** A project in a list of those that the browser keeps. */
export interface StoredProject {
  readonly id: string;
  readonly name: string;
  readonly savedAt: number;
}

/** Moves that a page made and could not hand over before it was left. */
export interface Leftover {
  readonly project: string;
  readonly moves: readonly Proposal[];
}

/** Messages that the engine sends to the page unasked. */
export type News =
  /** Moves that are in the journal now, in its order: those of this tab, which are kept from here on, and those of other tabs; sources that are new with them. */
  | { readonly kind: 'entries'; readonly project: string; readonly entries: readonly Entry[]; readonly sources: Sources }
  /** A move that cannot be kept, because the project could not be read again with it. */
  | { readonly kind: 'refused'; readonly project: string; readonly id: string; readonly problems: readonly Problem[] }
  /** Whether the browser's storage takes what is written to it. */
  | { readonly kind: 'storage'; readonly fails: boolean };

/** A figure of the project, to be drawn. `have`: the picture of it that the page has, by its number. */
export interface PictureAsk {
  readonly figure: string;
  readonly livery: Livery;
  readonly have: number | null;
}

/** A picture without those parts that the page has already. */
export interface PictureNews {
  readonly number: number;
  readonly plans: readonly SentPlan[];
  readonly drawn: Picture['drawn'];
  readonly withoutValue: Picture['withoutValue'];
  readonly frame?: Picture['frame'];
  readonly applied?: Picture['applied'];
  readonly totals?: Picture['totals'];
}

/** The answer to a request for a picture: the changed parts, problems, or that it was given up. */
export type PictureAnswer =
  | { readonly kind: 'picture'; readonly news: PictureNews }
  | { readonly kind: 'problems'; readonly problems: readonly Problem[] }
  /** It was no longer wanted. */
  | { readonly kind: 'given-up' };

/** A formula tried on what it would see: a table's rows, or the frame of a figure. */
export interface TrialAsk {
  readonly formula: string;
  /** `helper`: over the frame; `measure`: one value per category of the figure; else over the table's rows. */
  readonly place: FormulaPlace | 'helper';
  readonly figure: Figure;
  readonly table: string;
  /** A derived column that is being changed: it does not see itself. */
  readonly without?: string;
  /** Columns that the formula sees beside the frame's own. */
  readonly before?: readonly NamedFormula[];
}

/** The result of a tried formula. */
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

/** What arrived: a table that waits under its id, or a project that is now open. */
export type Received = { readonly kind: 'table'; readonly info: SourceInfo } | { readonly kind: 'project'; readonly opened: OpenedProject };

/** Risks and finding titles of a figure that stands still. */
export interface Looked {
  readonly risks: readonly FoundRisk[];
  /** Titles that state what its first cue found. */
  readonly titles: readonly FindingTitle[];
}

/** The changes that an arrived source would make in a table that it may continue. */
export interface NextRows extends CarriedEdits {
  /** The same rows as the table has. */
  readonly isSame: boolean;
}

/** The findings of a figure's cues. */
export interface FigureFound {
  readonly figure: string;
  readonly found: readonly CueFound[];
}

/** New findings of a figure's cues. */
export interface ChangedFigure {
  readonly figure: string;
  readonly name: string;
  readonly changes: readonly ChangedFinding[];
  /** Why it cannot be drawn any more. */
  readonly problems: readonly Problem[];
}

/** The engine's interface. Everything that touches whole tables or storage goes through it; failures come back as values. */
export interface EngineApi {
  /** Tells the page what happens without its asking. */
  listen(hear: (news: News) => void): void;
  /** The project of the last session with what a page left behind, or null where there is none that can be read. */
  resume(leftovers: readonly Leftover[]): Promise<(OpenedProject & { readonly session: LastSession }) | null>;
  openStored(id: string): Promise<OpenedProject | null>;
  openFile(text: string): Promise<Result<OpenedProject>>;
  /** Makes a project of its own out of tables that arrived. */
  start(project: Project): Promise<OpenedProject>;
  /** Takes in what comes through a port straight from the worker that read it: a table for the open project or a new one, or a project, which is opened. */
  receive(id: string, port: MessagePort, onProgress?: (share: number) => void): Promise<Received>;
  /** Does to the open project what the page did to it, and writes it down. */
  propose(project: string, proposal: Proposal): void;
  picture(ask: PictureAsk): Promise<PictureAnswer>;
  /** The picture that is being worked on is not wanted any more: it ends at its next stage. */
  giveUp(): void;
  /** What may mislead in a figure of the project, and what its cues found; empty where it cannot be drawn. Asked after its picture, which is kept: cost O(marks). */
  look(figure: string, livery: Livery): Promise<Looked>;
  /** The last drawing of a figure that need not be in the project, for previews. */
  preview(figure: Figure, livery: Livery): Promise<Result<Plan>>;
  tryFormula(ask: TrialAsk): Promise<Result<Trial>>;
  valueCounts(table: string, column: string): Promise<readonly ValueCount[]>;
  /** The given rows of a table by their places in its source, edits laid over them. */
  rowsOf(table: string, rows: Int32Array): Promise<Table>;
  /** A table of the project, or one as it would be made, at a glance. */
  tableLook(ask: TableAsk): Promise<Result<TableLook>>;
  /** What looks wrong in a table of the project, as it is mended and edited. Problems: those of its source. */
  findMends(table: string): Promise<Result<MendFindings>>;
  /** A table without its rows, as its next source is compared with it. */
  outline(table: string): Promise<Result<TableOutline>>;
  /** What becomes of a table's edits in a source that has arrived and may take the place of its own, and whether it is the same. */
  editsIn(table: string, arrived: string): Promise<Result<NextRows>>;
  /** A source that has arrived is not taken. */
  forget(arrived: string): void;
  /** What the cues of all figures found that show a table or one made of it. Cost: a picture of each. */
  findings(table: string, livery: Livery): Promise<readonly FigureFound[]>;
  /** Findings that differ from those before. */
  changesSince(before: readonly FigureFound[], livery: Livery): Promise<readonly ChangedFigure[]>;
  saveSession(session: LastSession): Promise<void>;
  storedProjects(): Promise<readonly StoredProject[]>;
  removeStored(id: string): Promise<void>;
  projectFile(): Promise<string>;
}
