import { ChangeDetectionStrategy, Component, computed, DestroyRef, effect, ElementRef, inject, signal, untracked } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import type { View } from 'core/project';
import type { hoverText } from '../../plot/hover-text';
import { LineDrag } from '../services/line-drag';
import { PictureStore } from '../services/picture-store';
import { ProjectStore } from '../services/project-store';
import { FigureCanvas } from './figure-canvas';
import { FilterChips } from './filter-chips';

const VIEWS: readonly { readonly value: View; readonly label: string }[] = [
  { value: 'plain', label: 'plain' },
  { value: 'cued', label: 'cued' },
  { value: 'both', label: 'both' },
];

/** The figure at its true proportions, its filters above it, and the choice of plain, cued or both. */
@Component({
  selector: 'cb-stage',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FigureCanvas, FilterChips],
  host: { class: 'grid h-full min-h-0 grid-rows-[auto_1fr] bg-surface', role: 'region', 'aria-label': 'Stage' },
  templateUrl: './stage.html',
})
export class Stage {
  private readonly store = inject(ProjectStore);
  private readonly pictures = inject(PictureStore);
  protected readonly drag = inject(LineDrag);

  protected readonly views = VIEWS;
  protected readonly figure = toSignal(this.store.figure$, { initialValue: null });
  private readonly shown = toSignal(this.pictures.shown$);
  protected readonly row = this.pictures.pointedRow;
  /** The canvas that was pointed at last: only there hangs the hover card. */
  protected readonly active = signal<number | null>(null);

  /** What writes the hover card; it comes after the first figure is drawn. */
  private readonly words = signal<typeof hoverText | null>(null);

  protected readonly plans = computed(() => (this.figure() ? (this.shown()?.picture?.plans ?? []) : []));
  protected readonly isEmpty = computed(() => this.plans()[0]?.categories.length === 0);
  protected readonly hover = computed(() => {
    const [shown, row, words] = [this.shown(), this.row(), this.words()];
    if (!words || !shown?.picture || row === null || row >= shown.picture.frame.table.rowCount) return null;
    return words(shown.picture, row, shown.ask.figure, shown.ask.writing);
  });

  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  private readonly room = signal({ width: 0, height: 0 });
  /** Size of one figure: as large as the room allows in its proportions. Pixels. */
  protected readonly size = computed(() => {
    const { width, height } = this.room();
    const [across, down] = (this.figure()?.shape.proportion ?? '16:9').split(':').map(Number) as [number, number];
    const share = Math.max(1, this.plans().length);
    const most = Math.max(0, (width - 32 - (share - 1) * 16) / share);
    // Side by side, two wide figures would be two strips: there they grow as tall as the room, up to a little above square.
    const ratio = share > 1 ? Math.max(down / across, Math.min(1.15, (height - 24) / most)) : down / across;
    const fit = Math.min(most, (height - 24) / ratio);
    return { width: Math.floor(fit), height: Math.floor(fit * ratio) };
  });

  constructor() {
    const observer = new ResizeObserver(() => this.measure());
    observer.observe(this.host.nativeElement);
    inject(DestroyRef).onDestroy(() => observer.disconnect());
    void import('../../plot/hover-text').then(module => this.words.set(module.hoverText));
    // A row of one picture means nothing in the next.
    effect(() => {
      this.plans();
      untracked(() => this.row.set(null));
    });
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
    if (area) this.room.set({ width: area.clientWidth, height: area.clientHeight });
  }
}
