import { inject, Injectable, signal } from '@angular/core';
import type { TableFacts } from 'core/brief';
import type { Figure, Project, TableDoc } from 'core/document';
import { messageFor, type Problem, type Result } from 'core/result';
import { lastValueFrom, tap, takeUntil, Subject } from 'rxjs';
import type { OpenedProject, SourceInfo } from 'engine';
import { EngineClient, type Arrived } from './engine-client';
import { FirstOffers } from './first-offers';
import { Keeper } from './keeper';
import { Notices } from './notices';
import { ProjectStore } from './project-store';
import { removedProjects, setRemoved } from './removed-projects';

/** The project that shows Cowbell; a table of one's own starts another. */
export const SAMPLE_ID = 'highmeadow';
const SAMPLE_URL = 'demo/highmeadow.json';

/** A running import, as the screen shows it. */
export interface Running {
  readonly name: string;
  readonly share: number;
}

/** Opens projects and tables: the last session, the sample, files, pasted rows. What fails leaves the open project untouched. */
@Injectable({ providedIn: 'root' })
export class Opener {
  private readonly engine = inject(EngineClient);
  private readonly store = inject(ProjectStore);
  private readonly notices = inject(Notices);
  private readonly keeper = inject(Keeper);
  private readonly offers = inject(FirstOffers);
  private readonly cancelled = new Subject<void>();

  readonly running = signal<Running | null>(null);

  /** The last session's project, or the sample on a first visit. */
  async start(): Promise<void> {
    this.keeper.start();
    // What was taken off the list at the last visit goes now.
    for (const { id } of removedProjects()) void this.engine.api.removeStored(id);
    setRemoved([]);
    const last = await this.engine.api.resume(this.keeper.leftovers()).catch(() => null);
    if (last) {
      this.keeper.session = last.session;
      this.store.open(last, last.session.figures[last.project.id]);
    } else await this.openSample();
  }

  async openSample(): Promise<void> {
    const stored = this.store.snapshot ? await this.engine.api.openStored(SAMPLE_ID) : null;
    if (stored) return this.put(stored);
    const response = await fetch(SAMPLE_URL);
    const opened = await this.engine.api.openFile(await response.text());
    if (opened.ok) this.put(opened.value);
    else this.complain('The sample could not be opened.', opened.problems);
  }

  async openStored(id: string): Promise<void> {
    const opened = await this.engine.api.openStored(id);
    if (opened) this.put(opened);
    else this.notices.fault('This project can no longer be read. It was left as it is.');
  }

  /** A file of any known kind: a table, or a project that was handed over. */
  async openFile(file: File): Promise<void> {
    await this.openBlob(file, file.name);
  }

  async openText(text: string): Promise<void> {
    await this.openBlob(new Blob([text]), 'pasted rows');
  }

  /** Opens rows from a box; what is wrong with them is given back in words, for the box to tell beside its field. */
  async openRows(text: string): Promise<string | null> {
    let fault: string | null = null;
    await this.openBlob(new Blob([text]), 'pasted rows', problems => (fault = problems.map(messageFor).join(' ')));
    return fault;
  }

  cancel(): void {
    this.cancelled.next();
  }

  private async openBlob(
    file: Blob,
    name: string,
    refuse = (problems: readonly Problem[]): void => this.complain(`${name} was not opened.`, problems),
  ): Promise<void> {
    const id = crypto.randomUUID();
    const result = await this.parse(file, name, id);
    if (!result) return this.notices.done(`Opening ${name} was cancelled. Nothing was changed.`);
    if (!result.ok) return void refuse(result.problems);
    if (result.value.kind === 'table') return this.take(result.value, name, id);
    const { opened } = result.value;
    const { notes = [] } = opened;
    this.put(opened);
    this.notices.done(`Opened ${opened.project.name}.${notes.length ? ' Some things were left out:' : ''}`, {
      details: notes.map(messageFor),
    });
  }

  private async parse(file: Blob, name: string, id: string): Promise<Result<Arrived> | null> {
    let result: Result<Arrived> | null = null;
    this.running.set({ name, share: 0 });
    const steps = this.engine.import(file, name, id).pipe(
      tap(step => (step.kind === 'progress' ? this.running.set({ name, share: step.share }) : (result = step.result))),
      takeUntil(this.cancelled),
    );
    await lastValueFrom(steps, { defaultValue: null }).catch((error: unknown) =>
      this.notices.fault(`${name} could not be read: ${String(error)}`),
    );
    this.running.set(null);
    return result;
  }

  /** The sample stays the sample: a first table of one's own starts a project of its own. */
  private async take(
    { file: { notes, units, readings }, info }: Extract<Arrived, { kind: 'table' }>,
    name: string,
    id: string,
  ): Promise<void> {
    const { firstFigures, PROJECT_VERSION } = await import('./figure-making');
    const first = firstFigures(crypto.randomUUID(), { ...wordsOf(id, info), units });
    const { figure } = first;
    const doc: TableDoc = { id, name: info.name, units, edits: [], derived: [], readings };
    if (this.store.snapshot?.history.project.id === SAMPLE_ID) await this.startProject(PROJECT_VERSION, doc, figure);
    else this.addToProject(doc, info, figure);
    this.offers.offer(first);
    const rows = `${info.rowCount.toLocaleString('en')} rows and ${info.columns.length.toLocaleString('en')} columns`;
    this.notices.done(`Opened ${name}: ${rows}.${notes.length ? ' Some things were mended:' : ''}`, { details: notes.map(messageFor) });
  }

  private async startProject(version: Project['version'], table: TableDoc, figure: Figure): Promise<void> {
    const { name } = table;
    const project: Project = {
      version,
      id: crypto.randomUUID(),
      name,
      tables: [table],
      figures: [figure],
      formats: [],
      pictures: [],
      liveries: [],
      looks: [],
    };
    this.put(await this.engine.api.start(project));
  }

  private addToProject(table: TableDoc, info: SourceInfo, figure: Figure): void {
    this.store.addSource(table.id, info);
    this.store.apply({
      kind: 'all',
      edits: [
        { kind: 'add-table', table },
        { kind: 'add-figure', figure },
      ],
    });
  }

  private put(opened: OpenedProject): void {
    this.store.open(opened, this.keeper.session.figures[opened.project.id]);
  }

  private complain(text: string, problems: readonly Problem[]): void {
    this.notices.fault(text, { details: problems.map(messageFor) });
  }
}

/** What a first figure may know of a table that has just come. */
export const wordsOf = (id: string, { name, rowCount, columns }: SourceInfo): TableFacts => ({ id, name, rowCount, units: {}, columns });
