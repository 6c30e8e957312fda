import type { Column } from 'core/table';
import Dexie, { type Table as Store } from 'dexie';
import type { Session } from './engine-api';

/** A project as stored: its document as data that is read anew through its schema. */
export interface ProjectRecord {
  readonly id: string;
  readonly name: string;
  readonly savedAt: number;
  readonly document: unknown;
}

/** A source table's columns in typed memory. */
export interface SourceRecord {
  readonly id: string;
  readonly name: string;
  readonly columns: readonly Column[];
}

/** What stays in the browser. */
export class Database extends Dexie {
  readonly projects!: Store<ProjectRecord, string>;
  readonly sources!: Store<SourceRecord, string>;
  readonly sessions!: Store<Session & { readonly key: string }, string>;

  constructor() {
    super('cowbell');
    this.version(1).stores({ projects: 'id, savedAt', sources: 'id', sessions: 'key' });
  }
}
