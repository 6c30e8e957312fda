import { deriveColumns, sourceKey } from 'core/document';
import { confirm, following, historyOf, propose, refuse } from 'core/document/edits';
import type { Derived, DerivedTable, Figure, Making, Project } from 'core/document';
import type { Entry, Following, Proposal } from 'core/document/edits';
import type { PictureRequest } from 'core/plan';
import { keptPer, rememberStages, type Stages } from 'core/stages';
import { applyEdits, cellAt, statsOf, type Table } from 'core/table';
import type { Livery } from 'core/plan';
import type { Writing } from 'core/words';
import { editsOfKept, mendTable, type MendedTable } from 'core/mend';
import { madeOf, sqlOfMaking, tablesOf, type SqlTable } from 'core/making';
import { failure, success, type Problem, type Result } from 'core/result';
import type { Made } from 'core/table/steps';
import type { SourceInfo, Sources } from './api';

// So many figures keep their stages: the one on the stage, and those that one goes back and forth between.
const REMEMBERED_FIGURES = 4;

/**
 * An open project with its tables. It takes moves, and gives what a picture needs, each stage kept for as long as nothing that it was made from
 * changes. Cost of a move: that of the edit. Memory: the stages of the last few figures.
 */
export class Session {
  private state: Following;
  private readonly tableStages = new Map<string, Stages>();
  private readonly figureStages = new Map<string, Stages>();
  private told: Sources = {};

  constructor(
    project: Project,
    /** By the ids under which they are kept. */
    private readonly tables: Map<string, Table>,
  ) {
    this.state = following(historyOf(project));
  }

  get project(): Project {
    return this.state.history.project;
  }

  /** The project as the journal has it. */
  get confirmed(): Project {
    return this.state.confirmed.project;
  }

  propose(proposal: Proposal): void {
    this.state = propose(this.state, proposal);
  }

  confirm(entries: readonly Entry[]): void {
    this.state = confirm(this.state, entries);
  }

  refuse(id: string): void {
    this.state = refuse(this.state, id);
  }

  /** @param key under which it is kept */
  addTable(key: string, table: Table): void {
    this.tables.set(key, table);
  }

  /** The ids under which sources are kept that the project names and that are not there. */
  lacking(): string[] {
    return this.project.tables.flatMap(table => (table.made || this.tables.has(sourceKey(table)) ? [] : [sourceKey(table)]));
  }

  /** Forgets sources that neither the project needs nor undo or redo can bring back, and names their keys. */
  forgetUnused(): string[] {
    const { history, confirmed, pending } = this.state;
    const histories = [history, confirmed, ...pending.map(({ after }) => after)];
    const projects = histories.flatMap(({ project, past, future }) => [project, ...[...past, ...future].map(step => step.project)]);
    const needed = new Set(projects.flatMap(({ tables }) => tables.map(sourceKey)));
    const unused = [...this.tables.keys()].filter(key => !needed.has(key));
    for (const key of unused) this.tables.delete(key);
    return unused;
  }

  /** Sources that are new since the last call; most moves change none. */
  newSources(): Sources {
    const now = this.sources();
    const fresh = Object.entries(now).filter(([id, info]) => this.told[id] !== info);
    this.told = now;
    return Object.fromEntries(fresh);
  }

  /** The known facts of each table of the project. */
  sources(): Sources {
    const known = this.project.tables.flatMap(({ id }) => {
      const found = this.bareTable(id);
      return found.ok ? [[id, infoOf(found.value)] as const] : [];
    });
    return Object.fromEntries(known);
  }

  /** The sources that the project needs, by the ids under which they are kept; one that was replaced is not among them. */
  sourceTables(): ReadonlyMap<string, Table> {
    const keys = new Set(this.project.tables.map(sourceKey));
    return new Map([...this.tables].filter(([key]) => keys.has(key)));
  }

  /** A table as it came: its source, or what it is made of others. Problems: it is not there, or cannot be made. */
  sourceTable(id: string): Result<Table> {
    const made = this.madeTable(id);
    if (made) return made.ok ? success(made.value.table) : made;
    const doc = this.project.tables.find(table => table.id === id);
    const source = this.tables.get(doc ? sourceKey(doc) : id);
    return source ? success(source) : failure({ code: 'figure-no-table', name: id });
  }

  /** A table with its mends done. Problems: those of its source. Cost: nothing while neither changed. */
  mendedTable(id: string): Result<MendedTable> {
    const [source, doc] = [this.sourceTable(id), this.project.tables.find(table => table.id === id)];
    if (!source.ok) return source;
    const mends = doc?.mends ?? NONE;
    return success(this.stagesOfTable(id)('mended', [source.value, mends], () => mendTable(source.value, mends)));
  }

  /** A table without edits and derived columns: as it came, mended. Problems: it is not there, or cannot be made. */
  bareTable(id: string): Result<Table> {
    const mended = this.mendedTable(id);
    return mended.ok ? success(mended.value.table) : mended;
  }

  /** For each row of a table its place in the source, rising; null where no mend left one out. */
  originOf(id: string): Int32Array | null {
    const mended = this.mendedTable(id);
    return mended.ok ? mended.value.origin : null;
  }

  /** A table made of others with what has to be known of it; undefined where it has a source of its own. Cost: nothing while none of them changed. */
  madeTable(id: string): Result<Made> | undefined {
    const doc = this.project.tables.find(table => table.id === id);
    return doc?.made ? this.make(doc.made, id) : undefined;
  }

  /** A table made of those of the project. */
  make(making: Making, id: string): Result<Made> {
    if (this.making.has(id)) return failure({ code: 'made-circle', name: this.nameOf(id) });
    this.making.add(id);
    try {
      const parts = tablesOf(making).map(part => ({ part, found: this.tableOf(part) }));
      const faults = parts.flatMap(({ part }) => this.faultOf(part));
      if (faults.length) return failure(...faults);
      const tables = parts.map(({ found }) => found?.table);
      const named = new Map(parts.map(({ part, found }) => [part, found && { name: this.nameOf(part), table: found.table }]));
      return this.stagesOfTable(id)('made', [making, ...tables], () => madeOf(making, part => named.get(part)));
    } finally {
      this.making.delete(id);
    }
  }

  /** A table made of others as one statement of SQL over them; null where it has a source of its own. */
  sqlOf(making: Making | null, id: string): string | null {
    const how = making ?? this.project.tables.find(table => table.id === id)?.made;
    return how ? sqlOfMaking(how, part => this.sqlTable(part)) : null;
  }

  private sqlTable(id: string): SqlTable {
    const table = this.tableOf(id)?.table;
    return {
      name: this.nameOf(id),
      columns: table?.columns ?? [],
      valuesOf: name => {
        const column = table?.columns.find(own => own.name === name);
        return column ? [...new Set(Array.from({ length: table?.rowCount ?? 0 }, (_, row) => cellAt(column, row)))] : [];
      },
    };
  }

  /** Tables that are being made: none is made of itself. */
  private readonly making = new Set<string>();

  private nameOf(id: string): string {
    return this.project.tables.find(table => table.id === id)?.name ?? id;
  }

  private faultOf(id: string): readonly Problem[] {
    const found = this.bareTable(id);
    return found.ok ? [] : found.problems;
  }

  private stagesOfTable(id: string): Stages {
    const stages = this.tableStages.get(id) ?? rememberStages();
    this.tableStages.set(id, stages);
    return stages;
  }

  /** A table mended and edited, without its derived columns; undefined where it is not there. */
  editedTable(id: string): Table | undefined {
    const [mended, doc] = [this.mendedTable(id), this.project.tables.find(table => table.id === id)];
    if (!mended.ok) return undefined;
    const { table, origin } = mended.value;
    const edits = doc?.edits ?? NONE;
    return this.stagesOfTable(id)('edited', [table, edits], () => applyEdits(table, editsOfKept(edits, origin)));
  }

  /** A table with its edits laid over it and its derived columns behind it, one of them left out if asked. Cost: nothing while none changed. */
  tableOf(id: string, without?: string): DerivedTable | undefined {
    const edited = this.editedTable(id);
    if (!edited) return undefined;
    const stages = this.stagesOfTable(id);
    const derived = this.derivedOf(id);
    if (without === undefined) return stages('derived', [edited, derived], () => deriveColumns(edited, derived));
    const others = derived.filter(({ name }) => name !== without);
    return stages('derived but one', [edited, derived, without], () => deriveColumns(edited, others));
  }

  figure(id: string): Figure | undefined {
    return this.project.figures.find(figure => figure.id === id);
  }

  /** The inputs of a figure's picture. Problem: its table is missing. */
  requestFor(figure: Figure, livery: Livery): Result<PictureRequest> {
    const found = this.tableOf(figure.data.table);
    if (!found) return failure(...this.faultOf(figure.data.table));
    return success({ figure, ...found, writing: this.writingOf(figure.data.table), livery });
  }

  /** The derived columns of a table. */
  derivedOf(table: string): readonly Derived[] {
    return this.project.tables.find(({ id }) => id === table)?.derived ?? NONE;
  }

  /** The remembered stages of a figure's last picture; figures that were not requested lately have none. */
  stagesOf(figure: string): Stages {
    const stages = this.figureStages.get(figure) ?? rememberStages();
    this.figureStages.delete(figure);
    this.figureStages.set(figure, stages);
    const [oldest] = this.figureStages.keys();
    if (this.figureStages.size > REMEMBERED_FIGURES && oldest !== undefined) this.figureStages.delete(oldest);
    return stages;
  }

  private readonly writingStages = rememberStages();

  private writingOf(table: string): Writing {
    const { formats, pictures, liveries, looks, tables } = this.project;
    const units = tables.find(({ id }) => id === table)?.units ?? NO_UNITS;
    return this.writingStages('writing', [units, formats, pictures, liveries, looks], () => ({
      units,
      formats,
      pictures,
      liveries,
      looks,
    }));
  }
}

const NONE: readonly never[] = [];
const NO_UNITS = {};

/** Name, size and columns of a table, with what each holds. Cost: one pass over it the first time, then none. */
export function infoOf(table: Table, onProgress: (share: number) => void = () => undefined): SourceInfo {
  let info = infos.get(table);
  if (!info) {
    const { name, rowCount, columns } = table;
    const known = columns.map((column, i) => {
      onProgress(i / columns.length);
      return { name: column.name, type: column.type, stats: statsOf(column) };
    });
    info = { name, rowCount, columns: known };
    infos.set(table, info);
  }
  return info;
}

const infos = keptPer<Table, SourceInfo>();
