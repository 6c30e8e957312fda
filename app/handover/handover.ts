import { inject, Injectable, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { filter, firstValueFrom, map } from 'rxjs';
import type { CsvOptions } from 'core/io';
import type { Picture } from 'core/plan';
import type { Figure } from 'core/document';
import type { PngSize } from 'plot';
import { EngineClient } from '../services/engine-client';
import { Notices } from '../services/notices';
import { PictureStore, type Shown } from '../services/picture-store';
import { ProblemWords } from '../services/problem-words';
import { ProjectStore } from '../services/project-store';
import type * as FigureFiles from './figure-files';

/** Sizes of pictures, and what each is for. */
export const PNG_SCALES: readonly { readonly scale: PngSize['scale']; readonly words: string }[] = [
  { scale: 1, words: 'for the screen' },
  { scale: 2, words: 'for slides' },
  { scale: 4, words: 'for print' },
];

/** Hands the figure, its ledger or the whole project over as files. */
@Injectable({ providedIn: 'root' })
export class Handover {
  private readonly engine = inject(EngineClient);
  private readonly store = inject(ProjectStore);
  private readonly pictures = inject(PictureStore);
  private readonly notices = inject(Notices);
  private readonly problemWords = inject(ProblemWords);

  /** How CSV is written: chosen in the sheet, remembered by the browser. */
  readonly csvOptions = signal<Required<CsvOptions>>(rememberedOptions());

  setCsvOptions(change: CsvOptions): void {
    this.csvOptions.update(now => ({ ...now, ...change }));
    localStorage.setItem(REMEMBERED, JSON.stringify(this.csvOptions()));
  }

  async png(scale: PngSize['scale']): Promise<void> {
    await this.give('png', ({ picture, figure }, files) => files.figurePng(picture, figure, scale), scale === 1 ? '' : `@${scale}x`);
  }

  async pdf(): Promise<void> {
    await this.give('pdf', ({ picture, figure }, files) => files.figurePdf(picture, figure), '');
  }

  /** The crosstab as it stands, for the sheet to offer where the figure is one. */
  readonly isTable = toSignal(this.pictures.shown$.pipe(map(({ picture }) => picture?.plans.at(-1)?.kind === 'table')), {
    initialValue: false,
  });

  async crosstab(as: 'csv' | 'html'): Promise<void> {
    await this.give(
      as,
      ({ picture }, files) => {
        const plan = files.tableIn(picture);
        if (!plan) throw new Error('the figure is no crosstab');
        return Promise.resolve(as === 'csv' ? files.crosstabCsv(plan, this.csvOptions()) : files.crosstabPage(plan));
      },
      '-table',
    );
  }

  /** The cells of the crosstab, to be pasted into any grid. */
  async copyCells(): Promise<void> {
    const inStep = filter((shown: Shown) => shown.ask.figure === this.store.figure);
    const shown = await firstValueFrom(this.pictures.shown$.pipe(inStep));
    const files = await filesOut();
    const plan = shown.picture && files.tableIn(shown.picture);
    if (!plan) return this.notices.fault('The figure is no crosstab. Choose one under Shape first.');
    try {
      await navigator.clipboard.write([files.crosstabClip(plan)]);
      this.notices.done(`Copied ${plan.rows.length} rows of cells. Paste them into any grid.`);
    } catch {
      this.notices.fault('The browser does not let the page copy. Allow it for this page, and try again.');
    }
  }

  async csv(): Promise<void> {
    await this.give('csv', ({ picture }, files) => Promise.resolve(files.ledgerCsv(picture, this.csvOptions())), '');
  }

  /** The figure in words, as a screen reader hears it, to be pasted beside its picture. */
  async words(): Promise<void> {
    const inStep = filter((shown: Shown) => shown.ask.figure === this.store.figure);
    const shown = this.store.figure && (await firstValueFrom(this.pictures.shown$.pipe(inStep)));
    const plan = shown?.picture?.plans.at(-1);
    if (!plan) return this.notices.fault('There is no figure to put into words yet. Make one first.');
    try {
      await navigator.clipboard.writeText(`${plan.title}. ${plan.description}`);
      this.notices.done('Copied the figure in words.');
    } catch {
      this.notices.fault('The browser does not let the page copy. Allow it for this page, and try again.');
    }
  }

  async project(): Promise<void> {
    const project = this.store.snapshot?.history.project;
    if (!project) return;
    const { download, fileName } = await filesOut();
    const name = fileName(project.name, 'json');
    download(new Blob([await this.engine.api.projectFile()], { type: 'application/json' }), name);
    this.notices.done(`Saved ${name}. It opens in any browser with Cowbell.`);
  }

  private async give(ending: string, make: (shown: Handed, files: typeof FigureFiles) => Promise<Blob>, suffix: string): Promise<void> {
    // The picture of this very figure, not of what it was before the last change.
    const inStep = filter((shown: Shown) => shown.ask.figure === this.store.figure);
    const shown = this.store.figure && (await firstValueFrom(this.pictures.shown$.pipe(inStep)));
    const figure = shown?.ask.figure;
    if (shown?.problems.length)
      return this.notices.fault('The figure cannot be drawn as its brief stands now, so nothing was handed over. Mend it first.', {
        details: await this.problemWords.of(shown.problems),
      });
    if (!figure || !shown?.picture) return this.notices.fault('There is no figure to hand over yet. Make one first.');
    const files = await filesOut();
    const name = files.fileName(figure.name, ending).replace(/(\.\w+)$/, `${suffix}$1`);
    try {
      files.download(await make({ picture: shown.picture, figure }, files), name);
      this.notices.done(`Saved ${name}.`);
    } catch (error) {
      this.notices.fault(`${name} could not be made: ${String(error)}. Try a smaller size.`);
    }
  }
}

const REMEMBERED = 'cowbell.csv';

/** Guarded unless the analyst chose otherwise: a ledger most often goes on to a spreadsheet. */
function rememberedOptions(): Required<CsvOptions> {
  const plain = { guardsFormulas: true, mark: false };
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(REMEMBERED) ?? '{}');
    const says = (key: keyof CsvOptions): boolean => (isRecord(kept) && typeof kept[key] === 'boolean' ? kept[key] : plain[key]);
    return { guardsFormulas: says('guardsFormulas'), mark: says('mark') };
  } catch {
    return plain;
  }
}

const isRecord = (value: unknown): value is Record<string, unknown> => typeof value === 'object' && value !== null;

/** What writes files; it comes when the first one is asked for. */
const filesOut = (): Promise<typeof FigureFiles> => import('./figure-files');

interface Handed {
  readonly picture: Picture;
  readonly figure: Figure;
}
