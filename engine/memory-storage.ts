import type { Project } from 'core/document';
import type { Entry, Proposal } from 'core/document/edits';
import type { Table } from 'core/table';
import type { LastSession, StoredProject } from './api';
import type { Storage, StoredDocument } from './storage';

interface Kept {
  project: Project;
  entries: Entry[];
  absorbed: string[];
  savedAt: number;
}

/** Storage that lasts as long as the program: for the command line, for tests, and where a browser keeps nothing. */
export class MemoryStorage implements Storage {
  private readonly kept = new Map<string, Kept>();
  private readonly tables = new Map<string, Map<string, Table>>();
  private last: LastSession | undefined;
  private key = 0;

  create(project: Project, sources: ReadonlyMap<string, Table>): Promise<void> {
    this.kept.set(project.id, { project, entries: [], absorbed: [], savedAt: Date.now() });
    this.tables.set(project.id, new Map(sources));
    return Promise.resolve();
  }

  addSource(project: string, id: string, table: Table): Promise<void> {
    this.tables.set(project, (this.tables.get(project) ?? new Map<string, Table>()).set(id, table));
    return Promise.resolve();
  }

  dropSources(project: string, ids: readonly string[]): Promise<void> {
    for (const id of ids) this.tables.get(project)?.delete(id);
    return Promise.resolve();
  }

  keepSources(project: string, ids: readonly string[]): Promise<void> {
    return this.dropSources(
      project,
      [...(this.tables.get(project) ?? [])].flatMap(([id]) => (ids.includes(id) ? [] : [id])),
    );
  }

  read(id: string): Promise<StoredDocument | undefined> {
    const kept = this.kept.get(id);
    return Promise.resolve(kept && { document: kept.project, entries: [...kept.entries], absorbed: kept.absorbed });
  }

  sources(project: string, ids: readonly string[]): Promise<ReadonlyMap<string, Table>> {
    const own = this.tables.get(project);
    return Promise.resolve(new Map(ids.flatMap(id => (own?.has(id) ? [[id, own.get(id) as Table] as const] : []))));
  }

  append(project: string, moves: readonly Proposal[], after: number): Promise<readonly Entry[]> {
    const kept = this.kept.get(project);
    if (!kept) return Promise.resolve([]);
    const known = new Set([...kept.absorbed, ...kept.entries.map(({ id }) => id)]);
    kept.entries.push(...moves.filter(({ id }) => !known.has(id)).map(move => ({ ...move, key: ++this.key })));
    kept.savedAt = Date.now();
    return Promise.resolve(kept.entries.filter(({ key }) => key > after));
  }

  absorb(project: Project, upTo: number): Promise<void> {
    const kept = this.kept.get(project.id);
    if (!kept) return Promise.resolve();
    const [gone, left] = [kept.entries.filter(({ key }) => key <= upTo), kept.entries.filter(({ key }) => key > upTo)];
    this.kept.set(project.id, {
      ...kept,
      project,
      entries: left,
      absorbed: [...kept.absorbed, ...gone.map(({ id }) => id)].slice(-MOST_ABSORBED),
    });
    return Promise.resolve();
  }

  projects(): Promise<readonly StoredProject[]> {
    const list = [...this.kept.values()].sort((a, b) => b.savedAt - a.savedAt);
    return Promise.resolve(list.map(({ project: { id, name }, savedAt }) => ({ id, name, savedAt })));
  }

  remove(id: string): Promise<void> {
    this.kept.delete(id);
    this.tables.delete(id);
    return Promise.resolve();
  }

  session(): Promise<LastSession | undefined> {
    return Promise.resolve(this.last);
  }

  saveSession(session: LastSession): Promise<void> {
    this.last = session;
    return Promise.resolve();
  }
}

/** Of the moves that became part of the document, the latest keep their names: a page may still send one of them again. */
export const MOST_ABSORBED = 500;
