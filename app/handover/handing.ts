import { inject, Injectable } from '@angular/core';
import { filter, firstValueFrom } from 'rxjs';
import { fileName, offerNamed } from 'handover/offers';
import { EngineClient } from '../services/engine/engine-client';
import type { HandoverAsk } from '../services/engine/handing-engine';
import { Notices } from '../services/telling/notices';
import { PictureStore, type Shown } from '../services/engine/picture-store';
import { ProblemWords } from '../services/telling/problem-words';
import { ProjectStore } from '../services/project/project-store';
import { Theme } from '../services/telling/theme';
import {
  crosstabClip,
  crosstabCsv,
  crosstabPage,
  download,
  figurePdf,
  figurePng,
  figureSvg,
  sizedPng,
  tableIn,
  type PageFigure,
} from './figure-files';
import type { HandingTask } from './handing-task';
import { handingWishes } from './handing-wishes';
import { printFigure } from './print-figure';

/** Hands the figure, its numbers, its words or the whole project over; loaded when the first thing is. */
@Injectable({ providedIn: 'root' })
export class Handing {
  private readonly engine = inject(EngineClient);
  private readonly store = inject(ProjectStore);
  private readonly pictures = inject(PictureStore);
  private readonly notices = inject(Notices);
  private readonly problemWords = inject(ProblemWords);
  private readonly theme = inject(Theme);

  run(task: HandingTask): Promise<void> {
    switch (task.kind) {
      case 'png':
        return this.give('png', of => figurePng(of, task.scale, handingWishes().transparent), task.scale === 1 ? '' : `@${task.scale}x`);
      case 'sized-png':
        return this.give('png', of => sizedPng(of, handingWishes()), '-sized');
      case 'svg':
        return this.give('svg', async of => new Blob([(await figureSvg(of, handingWishes())).svg], { type: 'image/svg+xml' }), '');
      case 'pdf':
        return this.give('pdf', figurePdf, '');
      case 'print':
        return this.print();
      case 'copy-picture':
        return this.copyPicture();
      case 'copy-words':
        return this.copyWords();
      case 'copy-cells':
        return this.copyCells();
      case 'copy-sql':
        return this.copySql(task.column);
      case 'crosstab':
        return this.crosstab(task.as);
      case 'format':
        return this.format(task.name);
      case 'project':
        return this.project();
    }
  }

  /** A format that the engine makes; what it shows of the figure is drawn here. */
  private async format(name: string): Promise<void> {
    const format = offerNamed(name);
    if (!format) return;
    const { guardsFormulas, mark, dialect } = handingWishes();
    await this.give(
      format.ending,
      async of => {
        const drawn = format.draws === null ? null : await this.drawn(of, format.draws);
        const made = await this.made(of, name, { csv: { guardsFormulas, mark }, dialect }, drawn);
        return new Blob([made], { type: format.mime });
      },
      '',
    );
  }

  /** A format as the engine makes it. Throws what stands in its way, in words. */
  private async made(
    of: PageFigure,
    format: string,
    wishes: HandoverAsk['wishes'],
    drawn: HandoverAsk['drawn'],
  ): Promise<Uint8Array<ArrayBuffer>> {
    const made = await this.engine.api.handOver({ figure: of.figure.id, livery: this.theme.livery(), format, wishes, drawn });
    if (!made.ok) throw new Error((await this.problemWords.of(made.problems)).join(' '));
    return made.value as Uint8Array<ArrayBuffer>;
  }

  /** A helper column as one statement from the tables that the figure reads, in the form that is chosen for whole figures. */
  private async copySql(column: string): Promise<void> {
    const of = await this.shown();
    if (!of) return this.notices.fault('There is no figure to copy from yet. Make one first.');
    try {
      const sql = new TextDecoder().decode(await this.made(of, 'sql', { dialect: handingWishes().dialect, column }, null));
      await this.copy(() => navigator.clipboard.writeText(sql), 'Copied as SQL: one statement, from the table to this column.');
    } catch (error) {
      this.notices.fault(`${column} cannot be copied as SQL: ${error instanceof Error ? error.message : String(error)}`);
    }
  }

  private async drawn(of: PageFigure, draws: 'svg' | 'png') {
    const { svg, width, height } = await figureSvg(of, { fonts: 'embedded', transparent: false }, true);
    const png = draws === 'png' ? new Uint8Array(await (await figurePng(of, 2, false)).arrayBuffer()) : new Uint8Array();
    return { svg, png, width, height };
  }

  private async crosstab(as: 'csv' | 'html'): Promise<void> {
    const { guardsFormulas, mark } = handingWishes();
    await this.give(
      as,
      of => {
        const plan = tableIn(of);
        if (!plan) throw new Error('the figure is no crosstab');
        return Promise.resolve(as === 'csv' ? crosstabCsv(plan, { guardsFormulas, mark }) : crosstabPage(plan));
      },
      '-table',
    );
  }

  /** The cells of the crosstab, to be pasted into any grid. */
  private async copyCells(): Promise<void> {
    const of = await this.shown();
    const plan = of && tableIn(of);
    if (!plan) return this.notices.fault('The figure is no crosstab. Choose one under Shape first.');
    await this.copy(
      () => navigator.clipboard.write([crosstabClip(plan)]),
      `Copied ${plan.rows.length} rows of cells. Paste them into any grid.`,
    );
  }

  private async copyPicture(): Promise<void> {
    const of = await this.shown();
    if (!of) return this.notices.fault('There is no figure to copy yet. Make one first.');
    const png = figurePng(of, 2, handingWishes().transparent);
    await this.copy(() => navigator.clipboard.write([new ClipboardItem({ 'image/png': png })]), 'Copied the figure as a picture.');
  }

  /** The figure in words, as a screen reader hears it, to be pasted beside its picture. */
  private async copyWords(): Promise<void> {
    const plan = (await this.shown())?.picture.plans.at(-1);
    if (!plan) return this.notices.fault('There is no figure to put into words yet. Make one first.');
    await this.copy(() => navigator.clipboard.writeText(`${plan.title}. ${plan.description}`), 'Copied the figure in words.');
  }

  private async copy(write: () => Promise<void>, done: string): Promise<void> {
    try {
      await write();
      this.notices.done(done);
    } catch {
      this.notices.fault('The browser does not let the page copy. Allow it for this page, and try again.');
    }
  }

  private async print(): Promise<void> {
    const of = await this.shown();
    if (!of) return this.notices.fault('There is no figure to print yet. Make one first.');
    const { svg, width, height } = await figureSvg(of, { fonts: 'named', transparent: false });
    await printFigure(svg, { width, height });
  }

  private async project(): Promise<void> {
    const project = this.store.snapshot?.history.project;
    if (!project) return;
    const name = fileName(project.name, 'json');
    download(new Blob([await this.engine.api.projectFile()], { type: 'application/json' }), name);
    this.notices.done(`Saved ${name}. It opens in any browser with Cowbell.`);
  }

  /** The picture of this very figure, not of what it was before the last change. */
  private async inStep(): Promise<Shown | null> {
    const same = filter((shown: Shown) => shown.ask.figure === this.store.figure);
    return this.store.figure ? firstValueFrom(this.pictures.shown$.pipe(same)) : null;
  }

  private async shown(): Promise<PageFigure | null> {
    const shown = await this.inStep();
    const project = this.store.snapshot?.history.project;
    if (!shown?.picture || !shown.ask.figure || !project) return null;
    const { figure } = shown.ask;
    const units = project.tables.find(({ id }) => id === figure.data.table)?.units ?? {};
    const { formats, liveries, looks, pictures } = project;
    return { picture: shown.picture, figure, writing: { units, formats, liveries, looks, pictures } };
  }

  private async give(ending: string, make: (of: PageFigure) => Promise<Blob>, suffix: string): Promise<void> {
    const problems = (await this.inStep())?.problems ?? [];
    if (problems.length)
      return this.notices.fault('The figure cannot be drawn as its brief stands now, so nothing was handed over. Mend it first.', {
        details: await this.problemWords.of(problems),
      });
    const of = await this.shown();
    if (!of) return this.notices.fault('There is no figure to hand over yet. Make one first.');
    const name = fileName(`${of.figure.name}`, ending).replace(/^([^.]+)/, `$1${suffix}`);
    try {
      download(await make(of), name);
      this.notices.done(`Saved ${name}.`);
    } catch (error) {
      this.notices.fault(
        `${name} could not be made: ${error instanceof Error ? error.message : String(error)}. Try a smaller size, or another format.`,
      );
    }
  }
}
