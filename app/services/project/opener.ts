import { inject, Injectable, Injector } from '@angular/core';
import type { Problem } from 'core/result';
import type { OpenedProject } from 'engine';
import { filter, take } from 'rxjs';
import { rememberVisit, takeSample } from './early';
import { EngineClient } from '../engine/engine-client';
import type { Importing } from '../sources/importing';
import { SAMPLE_ID } from '../sources/incoming';
import { Keeper } from './keeper';
import { Notices } from '../telling/notices';
import { ProblemWords } from '../telling/problem-words';
import { ProjectStore } from './project-store';
import { removedProjects, setRemoved } from './removed-projects';

/** Opens projects and tables: the last session, the sample, files, pasted rows. What fails leaves the open project untouched. */
@Injectable({ providedIn: 'root' })
export class Opener {
  private readonly engine = inject(EngineClient);
  private readonly store = inject(ProjectStore);
  private readonly notices = inject(Notices);
  private readonly keeper = inject(Keeper);
  private readonly injector = inject(Injector);
  private readonly words = inject(ProblemWords);

  /** The last session's project, or the sample on a first visit. */
  async start(): Promise<void> {
    this.keeper.start();
    // Tables that a feed keeps fresh by itself are followed from the moment that there is one.
    this.store.project$
      .pipe(
        filter(({ tables }) => tables.some(({ feed }) => feed?.minutes)),
        take(1),
      )
      .subscribe(() => void import('../sources/feeds').then(({ Feeds }) => this.injector.get(Feeds)));
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
    const opened = await this.engine.api.openFile(await takeSample());
    if (opened.ok) this.put(opened.value);
    else await this.complain('The sample could not be opened.', opened.problems);
  }

  async openStored(id: string): Promise<void> {
    const opened = await this.engine.api.openStored(id);
    if (opened) this.put(opened);
    else this.notices.fault('This project can no longer be read. It was left as it is.');
  }

  /** Files of any known kind: tables, which are looked at before they land, or a project that was handed over. */
  async openFiles(files: readonly File[]): Promise<void> {
    if (files.length) await (await this.importing()).openChosen(files);
  }

  /** Opens dropped files and folders. */
  async openDropped({ files: dropped, items }: DataTransfer): Promise<void> {
    // Folders are known of while the event lasts alone.
    const [files, entries] = [[...dropped], [...items].map(item => item.webkitGetAsEntry())];
    if (files.length || entries.length) await (await this.importing()).openDropped(files, entries);
  }

  async openText(text: string): Promise<void> {
    await (await this.importing()).open([{ file: new Blob([text]), name: 'pasted rows' }]);
  }

  /** Opens rows from a box; what is wrong with them is given back in words, for the box to tell beside its field. */
  async openRows(text: string): Promise<string | null> {
    let fault: string | null = null;
    await (
      await this.importing()
    ).open([{ file: new Blob([text]), name: 'pasted rows' }], async problems => {
      fault = (await this.words.of(problems)).join(' ');
    });
    return fault;
  }

  private put(opened: OpenedProject): void {
    rememberVisit();
    this.store.open(opened, this.keeper.session.figures[opened.project.id]);
  }

  private async complain(text: string, problems: readonly Problem[]): Promise<void> {
    this.notices.fault(text, { details: await this.words.of(problems) });
  }

  /** Loads the code that opens files on first use. */
  private async importing(): Promise<Importing> {
    const { Importing: type } = await import('../sources/importing');
    return this.injector.get(type);
  }
}
