import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  effect,
  ElementRef,
  inject,
  output,
  signal,
  untracked,
} from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import type { Figure, View } from 'core/document';
import type { Plan } from 'core/plan';
import type { hoverText } from 'core/words';
import type { DroppedLabel } from 'plot';
import { figureSheets } from '../services/figure/figure-sheets';
import { FirstOffers } from '../services/figure/first-offers';
import { DroppedLabels } from '../services/figure/dropped-labels';
import { Opening } from '../services/project/opening';
import { LabelPins, type MovedLabel } from '../services/figure/label-pins';
import { Pace } from '../services/engine/pace';
import { PictureStore } from '../services/engine/picture-store';
import { PreviewStore } from '../services/engine/preview-store';
import { Room } from '../services/telling/room';
import { ProblemWords } from '../services/telling/problem-words';
import { ProjectStore } from '../services/project/project-store';
import { FigureCanvas } from './figure-canvas';
import { FigureChecks } from './figure-checks';
import { FigureTable } from './figure-table';
import { FilterChips } from './filter-chips';
import { RadioKeys } from '../ui/radio-keys';
import { FirstFigureOffers } from './first-figures';

const VIEWS: readonly { readonly value: View; readonly label: string }[] = [
  { value: 'plain', label: 'plain' },
  { value: 'cued', label: 'cued' },
  { value: 'both', label: 'both' },
];

/** A figure without a single row. */
const isEmptyPlan = (plan: Plan | undefined): boolean => (plan?.kind === 'table' ? plan.rows.length === 0 : plan?.categories.length === 0);

// What is left free around the figure on its tighter side, both ends together, in CSS pixels.
const MARGIN = 16;

/** The figure at its true proportions, its filters above it, and the choice of plain, cued or both. */
@Component({
  selector: 'cb-stage',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FigureCanvas, FigureChecks, FigureTable, FilterChips, FirstFigureOffers, RadioKeys],
  host: { class: 'flex h-full min-h-0 flex-col bg-surface', role: 'region', 'aria-label': 'Stage', '[attr.aria-busy]': 'isBehind()' },
  providers: [figureSheets],
  templateUrl: './stage.html',
})
export class Stage {
  private readonly store = inject(ProjectStore);
  private readonly pictures = inject(PictureStore);
  protected readonly pins = inject(LabelPins);
  protected readonly pace = inject(Pace);
  private readonly lacking = inject(DroppedLabels);
  protected readonly room = inject(Room);
  protected readonly opening = inject(Opening);
  protected readonly offers = inject(FirstOffers);

  /** A word of the brief that is to be opened, by its key. */
  readonly wordWanted = output<string>();

  protected readonly views = VIEWS;
  protected readonly figure = this.pace.calmly(toSignal(this.store.figure$, { initialValue: null }), 'words');
  private readonly shown = toSignal(this.pictures.shown$);
  protected readonly row = this.pictures.pointedRow;
  protected readonly isBehind = this.pace.calmly(this.pictures.isBehind, 'words');
  /** The canvas that was pointed at last: only there hangs the hover card. */
  protected readonly active = signal<number | null>(null);
  private readonly problemWords = inject(ProblemWords);

  /** The function that writes the hover card; it loads after the first figure is drawn. */
  private readonly words = signal<typeof hoverText | null>(null);

  /** The plan of a choice while it is considered. */
  protected readonly preview = inject(PreviewStore).onStage;
  private readonly drawn = computed(() => (this.figure() ? (this.shown()?.picture?.plans ?? []) : []));
  protected readonly plans = computed(() => {
    const [drawn, preview] = [this.drawn(), this.preview()];
    return preview && drawn.length ? [...drawn.slice(0, -1), preview.plan] : drawn;
  });
  /** The figure as it stands now cannot be drawn: what shows is its last good state. */
  protected readonly isStale = computed(() => this.plans().length > 0 && (this.shown()?.problems.length ?? 0) > 0);
  /** Why the figure cannot be drawn, where the brief does not say it: a fault, or a first picture that failed. */
  protected readonly faults = computed(() => {
    const problems = this.shown()?.problems ?? [];
    return this.problemWords.now(problems.filter(({ code }) => code === 'engine-fault' || this.plans().length === 0));
  });
  protected readonly isEmpty = computed(() => isEmptyPlan(this.plans()[0]));
  protected readonly hover = computed(() => {
    const [shown, row, words] = [this.shown(), this.row(), this.words()];
    if (!words || !shown?.picture || row === null || row >= shown.picture.frame.table.rowCount) return null;
    return words(shown.picture, row, shown.ask.figure, shown.ask.writing);
  });

  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  private readonly area = signal({ width: 0, height: 0 });
  /** Size of one figure: as large as the room allows in its proportions. Pixels. */
  protected readonly size = computed(() => {
    const { width, height } = this.area();
    const [across, down] = (this.figure()?.shape.proportion ?? '16:9').split(':').map(Number) as [number, number];
    const share = Math.max(1, this.plans().length);
    const most = Math.max(0, (width - MARGIN - (share - 1) * MARGIN) / share);
    // Side by side, two wide figures would be two strips: there they grow as tall as the room, up to a little above square.
    const ratio = share > 1 ? Math.max(down / across, Math.min(1.15, (height - MARGIN) / most)) : down / across;
    const fit = Math.min(most, (height - MARGIN) / ratio);
    return { width: Math.floor(fit), height: Math.floor(fit * ratio) };
  });

  /** A table takes all the room there is: its rows scroll. Pixels. */
  protected readonly tableSize = computed(() => {
    const { width, height } = this.area();
    const share = Math.max(1, this.plans().length);
    return { width: Math.max(0, Math.floor((width - MARGIN * (share + 1)) / share)), height: Math.max(0, height - MARGIN) };
  });

  constructor() {
    const observer = new ResizeObserver(() => this.measure());
    // What stands above the figure comes and goes: its own room is watched.
    afterNextRender(() => {
      const room = this.host.nativeElement.querySelector('[data-room]');
      if (room) observer.observe(room);
    });
    inject(DestroyRef).onDestroy(() => observer.disconnect());
    const figure = effect(() => {
      if (!this.opening.mayBrief()) return;
      void import('core/words').then(module => this.words.set(module.hoverText));
      figure.destroy();
    });
    // A row of other rows means nothing: where only cues or words changed, whoever walks the marks stays where they are.
    let rows: unknown;
    effect(() => {
      this.drawn();
      const frame = this.shown()?.picture?.frame;
      if (frame !== rows) untracked(() => this.row.set(null));
      rows = frame;
    });
  }

  /** Passes labels that the figure has no room for to the brief. */
  protected dropped(labels: readonly DroppedLabel[], canvas: number): void {
    if (canvas === this.plans().length - 1) this.lacking.now.set(labels);
  }

  protected moveLabel(moved: MovedLabel, plan: Plan): void {
    const picture = this.shown()?.picture;
    if (picture) this.pins.moveTo(moved, picture, plan);
  }

  /** Words to be written over in place; a title that states a finding begins as it reads. */
  protected readonly headWords = computed(() => {
    const words = this.figure()?.words;
    return words?.finding ? { ...words, title: this.drawn().at(-1)?.title ?? words.title } : (words ?? null);
  });

  protected write(words: Partial<Figure['words']>): void {
    const figure = this.figure();
    if (!figure) return;
    const { finding, ...own } = figure.words;
    // A title that is written by hand stands from then on.
    const kept = words.title === undefined && finding ? { ...own, finding } : own;
    this.store.changeFigure({ words: { ...kept, ...words } });
  }

  protected setView(view: View): void {
    if (view !== this.figure()?.view) this.store.changeFigure({ view });
  }

  protected point(row: number | null, canvas: number): void {
    this.active.set(canvas);
    this.row.set(row);
  }

  private measure(): void {
    const area = this.host.nativeElement.querySelector('[data-room]');
    if (area) this.area.set({ width: area.clientWidth, height: area.clientHeight });
  }
}
