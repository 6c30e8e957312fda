import type { Project } from 'core/document';
import type { Entry, Proposal } from 'core/document/edits';
import type { Table } from 'core/table';
import type { LastSession, StoredProject } from './api';

/** A project as it lies in storage: data that is read anew through its schema, and the moves made since, in their order. */
export interface StoredDocument {
  readonly document: unknown;
  readonly entries: readonly { readonly key: number; readonly id: unknown; readonly move: unknown }[];
  /** Names of moves that are part of the document already. */
  readonly absorbed: readonly string[];
}

/**
 * What keeps projects between sessions. A promise that is fulfilled means written: what it covers survives the end of the program at any moment.
 * A promise that is rejected means that nothing of it was written.
 */
export interface Storage {
  /** Puts a project there with its tables and an empty journal, in place of what had its id. */
  create(project: Project, sources: ReadonlyMap<string, Table>): Promise<void>;
  addSource(project: string, id: string, table: Table): Promise<void>;
  /** Forgets sources that nothing can need any more. */
  dropSources(project: string, ids: readonly string[]): Promise<void>;
  /** Forgets all sources of a project but these. */
  keepSources(project: string, ids: readonly string[]): Promise<void>;
  read(id: string): Promise<StoredDocument | undefined>;
  sources(project: string, ids: readonly string[]): Promise<ReadonlyMap<string, Table>>;
  /** Writes moves behind all others, each once, and gives every entry that stands behind a key. */
  append(project: string, moves: readonly Proposal[], after: number): Promise<readonly Entry[]>;
  /** Makes the moves up to a key part of the document. */
  absorb(project: Project, upTo: number): Promise<void>;
  projects(): Promise<readonly StoredProject[]>;
  remove(id: string): Promise<void>;
  session(): Promise<LastSession | undefined>;
  saveSession(session: LastSession): Promise<void>;
}
