import { transfer } from 'comlink';
import { readCsv, readProjectFile, writeProjectFile, type ImportedTable } from 'core/io';
import { pictureOf, type Picture, type Plan } from 'core/plan';
import { deriveColumns, type DerivedTable } from 'core/document';
import { readProject, type Project } from 'core/project';
import { failure, success, type Result } from 'core/result';
import { applyEdits, buffersOf, columnOf, makeTable, takeRows, type Table } from 'core/table';
import { Database } from './database';
import { countValues } from './count-values';
import type {
  EngineApi,
  OpenedProject,
  PictureAsk,
  Session,
  SourceInfo,
  StoredProject,
  TableAsk,
  Trial,
  TrialAsk,
  ValueCount,
} from './engine-api';
import { tryFormula } from './try-formula';

/** Holds the tables of the open project, computes pictures and keeps the browser's storage. Runs in a worker. */
export class Engine implements EngineApi {
  private readonly database = new Database();
  private readonly tables = new Map<string, Table>();
  private readonly edited = new WeakMap<Table, DerivedTable & { readonly key: string }>();

  async resume(): Promise<(OpenedProject & { readonly session: Session }) | null> {
    const session = await this.database.sessions.get('last');
    const opened = session && (await this.openStored(session.project));
    return session && opened ? { ...opened, session: { project: session.project, figures: session.figures } } : null;
  }

  async openStored(id: string): Promise<OpenedProject | null> {
    const record = await this.database.projects.get(id);
    const project = record && readProject(record.document);
    if (!project?.ok) return null;
    const records = await this.database.sources.bulkGet(project.value.tables.map(table => sourceKey(id, table.id)));
    records.forEach((source, i) => {
      const table = project.value.tables[i];
      if (source && table) this.tables.set(table.id, makeTable(source.name, source.columns));
    });
    return this.opened(project.value);
  }

  async openFile(text: string): Promise<Result<OpenedProject>> {
    const read = readProjectFile(text);
    if (!read.ok) return read;
    const { tables } = read.value;
    const project = await this.besideStored(read.value.project);
    for (const [id, table] of Object.entries(tables)) this.tables.set(id, table);
    return success(this.opened(project));
  }

  /** The bytes are read here and the columns move out: neither is ever copied on the page's thread. */
  async readTable(file: Blob, name: string, onProgress: (share: number) => void): Promise<Result<ImportedTable>> {
    const read = readCsv(new Uint8Array(await file.arrayBuffer()), name, { onProgress });
    return read.ok ? transfer(read, buffersOf(read.value.table)) : read;
  }

  addTable(id: string, table: Table): Promise<SourceInfo> {
    this.tables.set(id, table);
    return Promise.resolve(infoOf(table));
  }

  picture({ figure, table, writing, livery }: PictureAsk): Promise<Result<Picture>> {
    const found = this.tableOf(table);
    if (!found) return Promise.resolve(failure({ code: 'figure-no-table', name: figure.data.table }));
    const picture = pictureOf({ figure, ...found, writing, livery });
    // As long as the table, made anew for each picture: it moves to the page instead of being copied.
    return Promise.resolve(picture.ok ? transfer(picture, [picture.value.frame.rows.buffer]) : picture);
  }

  preview({ figure, table, writing, livery }: PictureAsk): Promise<Result<Plan>> {
    const found = this.tableOf(table);
    if (!found) return Promise.resolve(failure({ code: 'figure-no-table', name: figure.data.table }));
    const picture = pictureOf({ figure, ...found, writing, livery });
    const plan = picture.ok ? picture.value.plans.at(-1) : undefined;
    return Promise.resolve(picture.ok && plan ? success(plan) : (picture as Result<never>));
  }

  tryFormula(ask: TrialAsk): Promise<Result<Trial>> {
    const table = this.tableOf(ask.table)?.table;
    if (!table) return Promise.resolve(failure({ code: 'figure-no-table', name: ask.table.id }));
    return Promise.resolve(tryFormula(ask, table));
  }

  valueCounts(ask: TableAsk, name: string): Promise<readonly ValueCount[]> {
    const table = this.tableOf(ask)?.table;
    const column = table && columnOf(table, name);
    if (!table || !column) return Promise.resolve([]);
    return Promise.resolve(countValues(column, table.rowCount));
  }

  rowsOf(ask: TableAsk, rows: Int32Array): Promise<Table> {
    return Promise.resolve(takeRows(this.tableOf(ask)?.table ?? makeTable(ask.id, []), rows));
  }

  async save(project: Project): Promise<number> {
    const savedAt = Date.now();
    await this.database.transaction('rw', this.database.projects, this.database.sources, async () => {
      const stored = new Set(await this.database.sources.where('id').startsWith(sourceKey(project.id, '')).primaryKeys());
      const fresh = project.tables.filter(table => !stored.has(sourceKey(project.id, table.id)));
      await this.database.sources.bulkPut(fresh.flatMap(({ id }) => this.sourceRecord(project.id, id)));
      await this.database.projects.put({ id: project.id, name: project.name, savedAt, document: project });
    });
    return savedAt;
  }

  async saveSession(session: Session): Promise<void> {
    await this.database.sessions.put({ ...session, key: 'last' });
  }

  async storedProjects(): Promise<readonly StoredProject[]> {
    const records = await this.database.projects.orderBy('savedAt').reverse().toArray();
    return records.map(({ id, name, savedAt }) => ({ id, name, savedAt }));
  }

  async removeStored(id: string): Promise<void> {
    await this.database.transaction('rw', this.database.projects, this.database.sources, async () => {
      await this.database.projects.delete(id);
      await this.database.sources.where('id').startsWith(sourceKey(id, '')).delete();
    });
  }

  projectFile(project: Project): Promise<string> {
    const tables = Object.fromEntries(
      project.tables.flatMap(({ id }) => (this.tables.has(id) ? [[id, this.tables.get(id) as Table]] : [])),
    );
    return Promise.resolve(writeProjectFile({ project, tables }));
  }

  /** A file never overwrites what is stored: a project that differs from the stored one of its id becomes one of its own. */
  private async besideStored(project: Project): Promise<Project> {
    const record = await this.database.projects.get(project.id);
    const same = !record || JSON.stringify(readProjectOf(record.document)) === JSON.stringify(project);
    return same ? project : { ...project, id: crypto.randomUUID() };
  }

  private sourceRecord(project: string, id: string) {
    const table = this.tables.get(id);
    return table ? [{ id: sourceKey(project, id), name: table.name, columns: table.columns }] : [];
  }

  /** The table as edited and widened; kept until that changes, so that a change of the figure alone copies nothing. */
  private tableOf({ id, edits, derived }: TableAsk): DerivedTable | undefined {
    const source = this.tables.get(id);
    if (!source) return undefined;
    const key = JSON.stringify([edits, derived]);
    const kept = this.edited.get(source);
    if (kept?.key === key) return kept;
    const made = { key, ...deriveColumns(applyEdits(source, edits), derived) };
    this.edited.set(source, made);
    return made;
  }

  private opened(project: Project): OpenedProject {
    const sources = project.tables.flatMap(({ id }) => (this.tables.has(id) ? [[id, infoOf(this.tables.get(id) as Table)] as const] : []));
    return { project, sources: Object.fromEntries(sources) };
  }
}

const readProjectOf = (document: unknown): Project | null => {
  const read = readProject(document);
  return read.ok ? read.value : null;
};

// One project's sources share a prefix that no other project's can start with.
const sourceKey = (project: string, table: string): string => `${project}\u0000${table}`;

const infoOf = ({ name, rowCount, columns }: Table): SourceInfo => ({
  name,
  rowCount,
  columns: columns.map(column => ({ name: column.name, type: column.type })),
});
