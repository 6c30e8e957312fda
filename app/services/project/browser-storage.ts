import type { Project } from 'core/document';
import type { Entry, Proposal } from 'core/document/edits';
import { makeTable, type Column, type Table } from 'core/table';
import { MOST_ABSORBED, type LastSession, type Storage, type StoredDocument, type StoredProject } from 'engine';
import Dexie, { type Table as Store } from 'dexie';

interface ProjectRecord {
  readonly id: string;
  readonly name: string;
  readonly savedAt: number;
  readonly document: unknown;
  /** Names of the last moves that are part of the document. */
  readonly absorbed?: readonly string[];
}

/** A source table's columns in typed memory. */
interface SourceRecord {
  readonly id: string;
  readonly name: string;
  readonly columns: readonly Column[];
}

/** A move of a project; keys grow over all tabs. */
interface MoveRecord extends Proposal {
  readonly key?: number;
  readonly project: string;
}

/** Storage in the browser: documents, tables, and a journal of the moves made since a document was written. */
export class BrowserStorage extends Dexie implements Storage {
  private readonly documents!: Store<ProjectRecord, string>;
  private readonly tablesOf!: Store<SourceRecord, string>;
  private readonly sessions!: Store<LastSession & { readonly key: string }, string>;
  private readonly moves!: Store<MoveRecord, number>;

  constructor() {
    super('cowbell');
    this.version(1).stores({ projects: 'id, savedAt', sources: 'id', sessions: 'key' });
    this.version(2).stores({ moves: '++key, id, [project+key]' });
    this.documents = this.table('projects');
    this.tablesOf = this.table('sources');
    this.sessions = this.table('sessions');
    this.moves = this.table('moves');
  }

  async create(project: Project, sources: ReadonlyMap<string, Table>): Promise<void> {
    const { id, name } = project;
    await this.transaction('rw', this.documents, this.tablesOf, this.moves, async () => {
      await this.movesOf(id).delete();
      await this.tablesOf.bulkPut([...sources].map(([table, source]) => recordOf(id, table, source)));
      await this.documents.put({ id, name, savedAt: Date.now(), document: project });
    });
  }

  async addSource(project: string, id: string, table: Table): Promise<void> {
    await this.tablesOf.put(recordOf(project, id, table));
  }

  async dropSources(project: string, ids: readonly string[]): Promise<void> {
    await this.tablesOf.bulkDelete(ids.map(id => sourceKey(project, id)));
  }

  async keepSources(project: string, ids: readonly string[]): Promise<void> {
    const kept = new Set(ids.map(id => sourceKey(project, id)));
    const all = await this.tablesOf.where('id').startsWith(sourceKey(project, '')).primaryKeys();
    await this.tablesOf.bulkDelete(all.filter(key => !kept.has(key)));
  }

  async read(id: string): Promise<StoredDocument | undefined> {
    return this.transaction('r', this.documents, this.moves, async () => {
      const record = await this.documents.get(id);
      const entries = record ? await this.movesOf(id).toArray() : [];
      return record && { document: record.document, entries: entries.map(entryOf), absorbed: record.absorbed ?? [] };
    });
  }

  async sources(project: string, ids: readonly string[]): Promise<ReadonlyMap<string, Table>> {
    const records = await this.tablesOf.bulkGet(ids.map(id => sourceKey(project, id)));
    return new Map(records.flatMap((record, i) => (record ? [[ids[i] as string, makeTable(record.name, record.columns)]] : [])));
  }

  async append(project: string, moves: readonly Proposal[], after: number): Promise<readonly Entry[]> {
    return this.transaction('rw', this.documents, this.moves, async () => {
      if (moves.length) {
        const ids = moves.map(({ id }) => id);
        const written = await this.moves.where('id').anyOf(ids).toArray();
        const known = new Set([...((await this.documents.get(project))?.absorbed ?? []), ...written.map(({ id }) => id)]);
        await this.moves.bulkAdd(moves.filter(({ id }) => !known.has(id)).map(({ id, move }) => ({ id, move, project })));
        await this.documents.update(project, { savedAt: Date.now() });
      }
      return after === Infinity ? [] : (await this.movesOf(project, after).toArray()).map(entryOf);
    });
  }

  async absorb(project: Project, upTo: number): Promise<void> {
    const { id, name } = project;
    await this.transaction('rw', this.documents, this.moves, async () => {
      const before = await this.documents.get(id);
      const gone = await this.movesOf(id, 0, upTo).toArray();
      const absorbed = [...(before?.absorbed ?? []), ...gone.map(move => move.id)].slice(-MOST_ABSORBED);
      await this.documents.put({ id, name, savedAt: before?.savedAt ?? Date.now(), document: project, absorbed });
      await this.moves.bulkDelete(gone.map(({ key = 0 }) => key));
    });
  }

  async projects(): Promise<readonly StoredProject[]> {
    const records = await this.documents.orderBy('savedAt').reverse().toArray();
    return records.map(({ id, name, savedAt }) => ({ id, name, savedAt }));
  }

  async remove(id: string): Promise<void> {
    await this.transaction('rw', this.documents, this.tablesOf, this.moves, async () => {
      await this.documents.delete(id);
      await this.movesOf(id).delete();
      await this.tablesOf.where('id').startsWith(sourceKey(id, '')).delete();
    });
  }

  /** The moves of a project behind one, up to another, in their order. */
  private movesOf(project: string, after = 0, upTo = Infinity) {
    return this.moves.where('[project+key]').between([project, after], [project, upTo], false, true);
  }

  async session(): Promise<LastSession | undefined> {
    const last = await this.sessions.get('last');
    return last && { project: last.project, figures: last.figures };
  }

  async saveSession(session: LastSession): Promise<void> {
    await this.sessions.put({ ...session, key: 'last' });
  }
}

// The database gives every stored move its key.
const entryOf = ({ key = 0, id, move }: MoveRecord): Entry => ({ key, id, move });

// One project's sources share a prefix that no other project's can start with.
const sourceKey = (project: string, table: string): string => `${project}\u0000${table}`;

const recordOf = (project: string, id: string, { name, columns }: Table): SourceRecord => ({ id: sourceKey(project, id), name, columns });
