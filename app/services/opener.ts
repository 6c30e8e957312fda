import { inject, Injectable, signal } from '@angular/core';
import { transfer } from 'comlink';
import type { ImportedTable } from 'core/io';
import type { Figure, Project, TableWords } from 'core/project';
import { messageFor, type Problem, type Result } from 'core/result';
import { buffersOf } from 'core/table';
import { lastValueFrom, tap, takeUntil, Subject } from 'rxjs';
import type { OpenedProject, SourceInfo } from './engine-api';
import { EngineClient } from './engine-client';
import { Keeper } from './keeper';
import { Notices } from './notices';
import { ProjectStore } from './project-store';

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
  private readonly cancelled = new Subject<void>();

  readonly running = signal<Running | null>(null);

  /** The last session's project, or the sample on a first visit. */
  async start(): Promise<void> {
    const last = await this.engine.api.resume().catch(() => null);
    if (last) {
      this.keeper.session = last.session;
      this.store.open(last, last.session.figures[last.project.id]);
    } else await this.openSample();
    this.keeper.start();
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

  /** A CSV, or a project file that was handed over. */
  async openFile(file: File): Promise<void> {
    if (/\.json$/i.test(file.name)) await this.openProjectFile(await file.text(), file.name);
    else await this.openTable(file, file.name);
  }

  async openText(text: string): Promise<void> {
    if (/^\s*\{\s*"format"/.test(text)) await this.openProjectFile(text, 'pasted project');
    else await this.openTable(new Blob([text]), 'pasted rows');
  }

  cancel(): void {
    this.cancelled.next();
  }

  private async openProjectFile(text: string, name: string): Promise<void> {
    const opened = await this.engine.api.openFile(text);
    if (!opened.ok) return this.complain(`${name} was not opened.`, opened.problems);
    this.put(opened.value);
    this.notices.done(`Opened ${opened.value.project.name}.`);
  }

  private async openTable(file: Blob, name: string): Promise<void> {
    const result = await this.parse(file, name);
    if (!result) return this.notices.done(`Opening ${name} was cancelled. Nothing was changed.`);
    if (!result.ok) return this.complain(`${name} was not opened.`, result.problems);
    await this.take(result.value, name);
  }

  private async parse(file: Blob, name: string): Promise<Result<ImportedTable> | null> {
    let result: Result<ImportedTable> | null = null;
    this.running.set({ name, share: 0 });
    const steps = this.engine.import(file, name).pipe(
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
  private async take({ table, notes }: ImportedTable, name: string): Promise<void> {
    const id = crypto.randomUUID();
    const info = await this.engine.api.addTable(id, transfer(table, buffersOf(table)));
    const { firstFigure, PROJECT_VERSION } = await import('./figure-making');
    const figure = firstFigure(crypto.randomUUID(), wordsOf(id, info));
    if (this.store.snapshot?.history.project.id === SAMPLE_ID) this.startProject(PROJECT_VERSION, id, info, figure);
    else this.addToProject(id, table.name, info, figure);
    const rows = `${info.rowCount.toLocaleString('en')} rows and ${info.columns.length} columns`;
    this.notices.done(`Opened ${name}: ${rows}.${notes.length ? ' Some things were mended:' : ''}`, { details: notes.map(messageFor) });
  }

  private startProject(version: Project['version'], id: string, info: SourceInfo, figure: Figure): void {
    const { name } = info;
    const tables = [{ id, name, units: {}, edits: [], derived: [] }];
    const project: Project = {
      version,
      id: crypto.randomUUID(),
      name,
      tables,
      figures: [figure],
      formats: [],
      pictures: [],
    };
    this.put({ project, sources: { [id]: info } });
  }

  private addToProject(id: string, name: string, info: SourceInfo, figure: Figure): void {
    this.store.addSource(id, info);
    const table = { id, name, units: {}, edits: [], derived: [] };
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

export const wordsOf = (id: string, { name, rowCount, columns }: SourceInfo): TableWords => ({ id, name, rowCount, units: {}, columns });
