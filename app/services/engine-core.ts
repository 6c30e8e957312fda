import { readCsv, readProjectFile, writeProjectFile, type ImportedTable } from 'core/io';
import { pictureOf, type Picture } from 'core/plan';
import { readProject, type Project } from 'core/project';
import { failure, success, type Result } from 'core/result';
import { applyEdits, columnOf, isMissing, makeTable, takeRows, textAt, type CellEdit, type Table } from 'core/table';
import { Database } from './database';
import type { EngineApi, OpenedProject, PictureAsk, Session, SourceInfo, StoredProject, ValueCount } from './engine-api';

/** Holds the tables of the open project, computes pictures and keeps the browser's storage. Runs in a worker. */
export class Engine implements EngineApi {
  private readonly database = new Database();
  private readonly tables = new Map<string, Table>();
  private readonly edited = new WeakMap<Table, { readonly key: string; readonly table: Table }>();

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

  readTable(bytes: Uint8Array, name: string, onProgress: (share: number) => void): Promise<Result<ImportedTable>> {
    return Promise.resolve(readCsv(bytes, name, { onProgress }));
  }

  addTable(id: string, table: Table): Promise<SourceInfo> {
    this.tables.set(id, table);
    return Promise.resolve(infoOf(table));
  }

  picture({ figure, edits, units, livery }: PictureAsk): Promise<Result<Picture>> {
    const table = this.tables.get(figure.data.table);
    if (!table) return Promise.resolve(failure({ code: 'figure-no-table', name: figure.data.table }));
    return Promise.resolve(pictureOf({ figure, table: this.withEdits(table, edits), units, livery }));
  }

  valueCounts(id: string, edits: readonly CellEdit[], name: string): Promise<readonly ValueCount[]> {
    const table = this.tables.get(id);
    const column = table && columnOf(this.withEdits(table, edits), name);
    if (!table || !column) return Promise.resolve([]);
    const counts = new Map<string | null, number>();
    for (let row = 0; row < table.rowCount; row++) {
      const value = isMissing(column, row) ? null : textAt(column, row);
      counts.set(value, (counts.get(value) ?? 0) + 1);
    }
    return Promise.resolve([...counts].map(([value, count]) => ({ value, count })).sort(byValue(column.type === 'number')));
  }

  rowsOf(id: string, edits: readonly CellEdit[], rows: Int32Array): Promise<Table> {
    const table = this.tables.get(id) ?? makeTable(id, []);
    return Promise.resolve(takeRows(this.withEdits(table, edits), rows));
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

  /** The table as edited; kept until its edits change, so that a change of the figure alone copies nothing. */
  private withEdits(table: Table, edits: readonly CellEdit[]): Table {
    const key = JSON.stringify(edits);
    const kept = this.edited.get(table);
    if (kept?.key === key) return kept.table;
    const edited = applyEdits(table, edits);
    this.edited.set(table, { key, table: edited });
    return edited;
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

const byValue =
  (numeric: boolean) =>
  (a: ValueCount, b: ValueCount): number => {
    if (a.value === null || b.value === null) return Number(a.value === null) - Number(b.value === null);
    return numeric ? Number(a.value) - Number(b.value) : a.value < b.value ? -1 : 1;
  };
