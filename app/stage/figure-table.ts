import {
  afterNextRender,
  afterRenderEffect,
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  ElementRef,
  inject,
  Injector,
  input,
  linkedSignal,
  output,
  signal,
  viewChild,
} from '@angular/core';
import type { LetterSizes, TablePlan, TableRow } from 'core/plan';
import type { HoverText } from 'core/words';
import { TextWidths, type ScenePart } from 'plot';
import { tableLayout } from 'plot/table';
import { GoverningWords } from '../brief/governing-words';
import { Sheet } from '../ui/sheet';
import { CellBar, CellGlyph, CellTrend } from './cell-drawings';
import { FigureParts, type HeadWords } from './figure-parts';
import { HoverCard } from './hover-card';
import { TableKey } from './table-key';

// Rows drawn beyond what is seen, above and below; columns so many pixels to the left and right.
const [SPARE, SPARE_ACROSS] = [12, 320];
const USUAL: LetterSizes = { title: 19, subtitle: 13, text: 12, label: 13 };
const FIXED: ReadonlySet<string> = new Set(['title', 'subtitle', 'foot']);

/** A figure that is a table: real rows and head cells, walked cell by cell; only rows that are seen are in the page. What is under pointer and keys is told to the outside. */
@Component({
  selector: 'cb-figure-table',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [CellBar, CellGlyph, CellTrend, FigureParts, GoverningWords, HoverCard, Sheet, TableKey],
  host: {
    class: 'relative flex min-h-0 min-w-0 flex-col',
    '[style.background]': 'plan().livery.ground',
    '[style.color]': 'plan().livery.ink',
    '[style.font-family]': 'plan().livery.font',
    '[style.--hair]': 'plan().livery.hair',
  },
  templateUrl: './figure-table.html',
  styleUrl: './figure-table.css',
})
export class FigureTable {
  readonly plan = input.required<TablePlan>();
  readonly row = input<number | null>(null);
  readonly hover = input<HoverText | null>(null);
  readonly words = input<HeadWords | null>(null);
  readonly pointed = output<number | null>();
  readonly worded = output<Partial<HeadWords>>();

  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  private readonly injector = inject(Injector);
  private readonly scroll = viewChild.required<ElementRef<HTMLElement>>('scroll');
  private readonly around = viewChild<FigureParts>('around');
  private readonly measure = new TextWidths();
  private readonly ctx = document.createElement('canvas').getContext('2d') as CanvasRenderingContext2D;
  protected readonly NaN = NaN;

  protected readonly sizes = computed(() => this.plan().livery.sizes ?? USUAL);
  /** How often a font has come since: letters are as wide as it has them. */
  private readonly fonts = signal(0);
  /** The plan, as long as nothing has changed that takes room: colours do not. */
  private readonly roomy = computed(() => this.plan(), { equal: takeTheSameRoom });
  protected readonly layout = computed(() => {
    this.fonts();
    return tableLayout(this.roomy(), this.measure.on(this.ctx, this.roomy().livery.font));
  });
  /** The visible part of the scrolled area: its offset and its size. */
  private readonly seen = signal({ top: 0, height: 600, left: 0, width: 1000 });
  protected readonly shown = computed(() => {
    const { top, height } = this.seen();
    const { rowHeight } = this.layout();
    const count = this.plan().rows.length;
    const before = Math.max(0, Math.min(count - 1, Math.floor(top / rowHeight) - SPARE));
    const end = Math.min(count, Math.ceil((top + height) / rowHeight) + SPARE);
    // The row that is read first: names that the row before says are said here again.
    const first = Math.max(before, Math.min(count - 1, Math.ceil(top / rowHeight)));
    return { first, before, after: count - end, rows: Array.from({ length: Math.max(0, end - before) }, (_, i) => before + i) };
  });
  /** Names that stay where they are while cells scroll across: as many levels as leave half of the room, and the outermost in any case. */
  protected readonly frozen = computed(() => {
    const { levels } = this.layout();
    const lefts = levels.map((_, level) => levels.slice(0, level).reduce((sum, width) => sum + width, 0));
    const room = this.seen().width / 2;
    const fit = lefts.filter((left, level) => left + (levels[level] ?? 0) <= room).length;
    const count = Math.max(1, fit);
    return { lefts, count, width: (lefts[count - 1] ?? 0) + (levels[count - 1] ?? 0) };
  });
  /** Columns of cells that are in the page, with how many there are before and after them. */
  protected readonly across = computed(() => {
    const { left, width } = this.seen();
    const { levels, columns } = this.layout();
    const all = columns.map((_, nth) => nth);
    const lefts = leftsOf(levels, columns);
    const [first, last] = [left - SPARE_ACROSS, left + width + SPARE_ACROSS];
    const shown = all.filter(nth => (lefts[nth + 1] ?? 0) > first && (lefts[nth] ?? 0) < last);
    return { columns: shown, before: shown[0] ?? 0, after: all.length - 1 - (shown.at(-1) ?? -1) };
  });
  /** The cell that keys stand on; it stays where it is as long as the table has it. */
  protected readonly stop = linkedSignal<TablePlan, number>({
    source: this.plan,
    computation: (plan, before) => (before && before.value < plan.cells.texts.length ? before.value : 0),
  });
  /** The cell that Tab comes to: where the one that keys stand on is scrolled away, the first that is seen. */
  protected readonly tabStop = computed(() => {
    const [stop, count] = [this.stop(), this.plan().columns.length];
    const [{ rows }, { columns }] = [this.shown(), this.across()];
    const isThere = rows.includes(Math.floor(stop / count)) && columns.includes(stop % count);
    return isThere ? stop : (rows[0] ?? 0) * count + (columns[0] ?? 0);
  });
  /** A key for the texts around the cells: only a change of them moves the parts, and measuring them forces a layout. */
  private readonly wordsSaid = computed(() => JSON.stringify([this.plan().parts, this.sizes()]));
  protected readonly parts = signal<readonly ScenePart[]>([]);
  /** The cell that the hover card stands at. */
  private readonly anchor = signal<{ readonly left: number; readonly top: number; readonly below: boolean } | null>(null);
  protected readonly card = computed(() => {
    const [text, at] = [this.hover(), this.anchor()];
    return text && at ? { text, left: at.left, top: at.top, shift: at.below ? 'translate(-50%, 0)' : 'translate(-50%, -100%)' } : null;
  });

  constructor() {
    const observer = new ResizeObserver(() => {
      this.scrolled();
      this.findParts();
    });
    afterNextRender(() => observer.observe(this.scroll().nativeElement));
    inject(DestroyRef).onDestroy(() => observer.disconnect());
    // Where the words lie is known once the page is laid out, as the next frame does anyway: asking sooner makes it do so twice.
    afterRenderEffect({
      read: onCleanup => {
        this.wordsSaid();
        let later: ReturnType<typeof setTimeout> | undefined;
        const frame = requestAnimationFrame(() => (later = setTimeout(() => this.findParts())));
        onCleanup(() => {
          cancelAnimationFrame(frame);
          clearTimeout(later);
        });
      },
    });
    const fontCame = (): void => {
      this.measure.forget();
      this.fonts.update(count => count + 1);
    };
    document.fonts.addEventListener('loadingdone', fontCame);
    void document.fonts.load(`650 13px ${this.familyOnPage()}`).then(fontCame);
    inject(DestroyRef).onDestroy(() => document.fonts.removeEventListener('loadingdone', fontCame));
  }

  private familyOnPage(): string {
    return getComputedStyle(document.body).fontFamily;
  }

  /** Whether cells are scrolled beneath the name at a level: it is the last that stands still, or spans to there. */
  protected isEdge(level: number, isLast: boolean): boolean {
    const { count } = this.frozen();
    return this.seen().left > 0 && level < count && (isLast || level === count - 1);
  }

  protected columnOf({ columns }: TablePlan, nth: number): TablePlan['columns'][number] {
    return columns[nth] as TablePlan['columns'][number];
  }

  protected rowOf({ rows }: TablePlan, nth: number): TableRow {
    return rows[nth] as TableRow;
  }

  /** The names that a row has: below the level that it sums up it has none, and its last one takes their room. */
  protected namesOf({ names, depth }: TableRow): readonly string[] {
    return names.slice(0, Math.max(0, depth) + 1);
  }

  protected isMissing(value: number | undefined): boolean {
    return Number.isNaN(value);
  }

  protected alignOf(down: number, nth: number): string {
    const plan = this.plan();
    const before = (plan.heads[down] ?? []).slice(0, nth).reduce((sum, { span }) => sum + span, 0);
    const align = plan.columns[before]?.align ?? 'right';
    return align === 'middle' ? 'center' : align;
  }

  protected scrolled(): void {
    const { scrollTop, clientHeight, scrollLeft, clientWidth } = this.scroll().nativeElement;
    this.seen.set({ top: scrollTop, height: clientHeight, left: scrollLeft, width: clientWidth });
  }

  protected onPointer(event: PointerEvent): void {
    const cell = this.cellOf(event.target);
    if (cell) this.pointAt(Number(cell.dataset['cell']), cell);
  }

  protected onClick(event: MouseEvent): void {
    const cell = this.cellOf(event.target);
    if (cell) this.open(Number(cell.dataset['cell']), cell);
  }

  protected onFocus(event: FocusEvent): void {
    const cell = this.cellOf(event.target);
    if (cell) this.stop.set(Number(cell.dataset['cell']));
  }

  protected onKey(event: KeyboardEvent): void {
    const cell = this.cellOf(event.target);
    if (!cell) return;
    if (event.key === 'Escape') return this.pointed.emit(null);
    if (event.key === 'Enter' || event.key === ' ') {
      event.preventDefault();
      return this.open(this.stop(), cell);
    }
    const next = this.nextCell(event);
    if (next === null) return;
    event.preventDefault();
    this.goTo(next);
  }

  /** Where a key leads from the cell that has the focus; null for any other key. */
  private nextCell({ key, ctrlKey }: KeyboardEvent): number | null {
    const { columns, rows } = this.plan();
    const across = columns.length;
    const [row, column] = [Math.floor(this.stop() / across), this.stop() % across];
    const page = Math.max(1, Math.floor(this.seen().height / this.layout().rowHeight) - 1);
    const at = (down: number, right: number): number =>
      Math.max(0, Math.min(rows.length - 1, down)) * across + Math.max(0, Math.min(across - 1, right));
    const ways: Readonly<Record<string, () => number>> = {
      ArrowRight: () => at(row, column + 1),
      ArrowLeft: () => at(row, column - 1),
      ArrowDown: () => at(row + 1, column),
      ArrowUp: () => at(row - 1, column),
      PageDown: () => at(row + page, column),
      PageUp: () => at(row - page, column),
      Home: () => at(ctrlKey ? 0 : row, 0),
      End: () => at(ctrlKey ? rows.length - 1 : row, across - 1),
    };
    return ways[key]?.() ?? null;
  }

  private goTo(cell: number): void {
    this.stop.set(cell);
    const across = this.plan().columns.length;
    this.reveal(Math.floor(cell / across), cell % across);
    afterNextRender(
      () => {
        const found = this.host.querySelector<HTMLElement>(`[data-cell="${cell}"]`);
        found?.focus({ preventScroll: false });
        if (found) this.pointAt(cell, found);
      },
      { injector: this.injector },
    );
  }

  /** Scrolls a cell into what is seen, below the heads and beside the names that stand still. */
  private reveal(row: number, column: number): void {
    const room = this.scroll().nativeElement;
    const { rowHeight, headHeight, levels, columns } = this.layout();
    const lefts = leftsOf(levels, columns);
    const [left, right] = [(lefts[column] ?? 0) - this.frozen().width, lefts[column + 1] ?? 0];
    if (left < room.scrollLeft) room.scrollLeft = left;
    else if (right > room.scrollLeft + room.clientWidth) room.scrollLeft = right - room.clientWidth;
    const heads = this.plan().heads.length * headHeight;
    const top = row * rowHeight;
    if (top < room.scrollTop) room.scrollTop = top;
    else if (top + rowHeight + heads > room.scrollTop + room.clientHeight) room.scrollTop = top + rowHeight + heads - room.clientHeight;
    this.scrolled();
  }

  private pointAt(at: number, cell: HTMLElement): void {
    const row = this.plan().cells.rows[at] ?? -1;
    const [own, box] = [this.host.getBoundingClientRect(), cell.getBoundingClientRect()];
    const below = box.top - own.top < own.height / 2;
    const left = Math.max(120, Math.min(own.width - 120, box.left + box.width / 2 - own.left));
    this.anchor.set({ left, top: (below ? box.bottom + 6 : box.top - 6) - own.top, below });
    this.pointed.emit(row === -1 ? null : row);
  }

  /** Opens the actions of a cell; a total has no row of its own. */
  private open(at: number, cell: HTMLElement): void {
    const { cells, columns } = this.plan();
    this.stop.set(at);
    const row = cells.rows[at] ?? -1;
    if (row === -1) return;
    const [own, box] = [this.host.getBoundingClientRect(), cell.getBoundingClientRect()];
    this.around()?.pick({ row, layer: at % columns.length }, { x: box.left + box.width / 2 - own.left, y: box.bottom - own.top });
  }

  protected back(): void {
    this.host.querySelector<HTMLElement>(`[data-cell="${this.stop()}"]`)?.focus();
  }

  private cellOf(target: EventTarget | null): HTMLElement | null {
    return target instanceof Element ? target.closest<HTMLElement>('[data-cell]') : null;
  }

  /** Where the words around the table lie, so that each opens what governs it. */
  private findParts(): void {
    const own = this.host.getBoundingClientRect();
    const found = this.plan().parts.flatMap((part): ScenePart[] => {
      const element = this.host.querySelector<HTMLElement>(`[data-words="${part.id}"]`);
      const box = element?.getBoundingClientRect();
      if (!box?.width) return [];
      const font = FIXED.has(part.id)
        ? { size: parseFloat(getComputedStyle(element as HTMLElement).fontSize), weight: part.id === 'title' ? 650 : 400 }
        : null;
      return [
        { ...part, font, beneath: false, box: { left: box.left - own.left, top: box.top - own.top, width: box.width, height: box.height } },
      ];
    });
    if (JSON.stringify(found) !== JSON.stringify(this.parts())) this.parts.set(found);
  }
}

/** Whether two plans are laid out alike: parts of a plan that have not changed stay the same objects. */
const takeTheSameRoom = (a: TablePlan, b: TablePlan): boolean =>
  a.levels === b.levels &&
  a.rows === b.rows &&
  a.heads === b.heads &&
  a.columns === b.columns &&
  a.livery === b.livery &&
  a.wraps === b.wraps &&
  a.cells.texts === b.cells.texts &&
  a.cells.labels === b.cells.labels &&
  a.cells.glyphs === b.cells.glyphs;

/** Where columns of cells begin, and where the last ends, in pixels from the left of the table. */
function leftsOf(levels: readonly number[], columns: readonly number[]): readonly number[] {
  let at = levels.reduce((sum, width) => sum + width, 0);
  return [at, ...columns.map(width => (at += width))];
}
