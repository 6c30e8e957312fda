import type { ElementRef } from '@angular/core';
import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  effect,
  inject,
  input,
  linkedSignal,
  output,
  signal,
  untracked,
  viewChild,
} from '@angular/core';
import type { ChartPlan } from 'core/plan';
import type { HoverText } from 'core/words';
import { FigureDrawing, type DroppedLabel, type FigurePoint, type LabelledMark, type LineHandle, type ScenePart } from 'plot';
import type { MovedLabel } from '../services/figure/label-pins';
import { LineDrag } from '../services/figure/line-drag';
import { Pace } from '../services/engine/pace';
import { Announcer } from '../ui/announcer';
import { ROOT_ZOOM } from '../ui/root-zoom';
import { FigureParts, type HeadWords } from './figure-parts';
import { HoverCard } from './hover-card';

// A card above a mark leaves its label free, in CSS pixels.
const ABOVE_LABEL = 26;

// A pointer that moved less than this between down and up has clicked, in CSS pixels.
const STILL = 4;

/** A label that follows the pointer: where its middle lay from its mark when it was taken. */
interface HeldLabel extends LabelledMark {
  readonly across: number;
  readonly down: number;
  isMoved: boolean;
}

/** The hover card as one sentence. */
const spoken = ({ title, lines, why }: HoverText): string =>
  `${title}: ${lines.map(({ name, value }) => `${name} ${value}`).join(', ')}. ${why}`.trim();

/** A plan on a canvas. Pointer and arrow keys move over its marks; what is under them is told to the outside. */
@Component({
  selector: 'cb-figure-canvas',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FigureParts, HoverCard],
  host: { class: 'relative block min-h-0 min-w-0' },
  template: `
    <div
      class="absolute left-0 top-0 h-full w-full origin-top-left"
      [style.width.%]="zoom === 1 ? null : 100 / zoom"
      [style.height.%]="zoom === 1 ? null : 100 / zoom"
      [style.transform]="zoom === 1 ? null : 'scale(' + zoom + ')'"
    >
      <div class="absolute inset-0">
        <canvas
          #canvas
          tabindex="0"
          role="img"
          [attr.aria-label]="
            told().title + '. ' + told().description + ' Arrow keys walk the marks, Enter tells what can be done with one.'
          "
          [style.cursor]="handle() ? (plan().horizontal ? 'ew-resize' : 'ns-resize') : null"
          (pointerdown)="onDown($event)"
          (pointerup)="onUp($event)"
          (pointerleave)="pointed.emit(null)"
          (keydown)="onKey($event)"
          (blur)="pointed.emit(null)"
        ></canvas>
        <canvas #above class="pointer-events-none absolute inset-0 h-full w-full" aria-hidden="true"></canvas>
      </div>
      @defer (on immediate) {
        <cb-figure-parts
          #around
          [plan]="plan()"
          [parts]="partsAround()"
          [words]="words()"
          (worded)="worded.emit($event)"
          (left)="canvas.focus()"
        />
      }
    </div>
    @if (card(); as card) {
      <cb-hover-card [text]="card.text" [style.left.px]="card.left" [style.top.px]="card.top" [style.transform]="card.shift" />
    }
  `,
})
export class FigureCanvas {
  readonly plan = input.required<ChartPlan>();
  readonly row = input<number | null>(null);
  readonly hover = input<HoverText | null>(null);
  readonly pointed = output<number | null>();
  /** Title, subtitle and note as the analyst wrote them, computed words still in braces. */
  readonly words = input<HeadWords | null>(null);
  readonly worded = output<Partial<HeadWords>>();
  /** Words that have no room, after every layout. */
  readonly dropped = output<readonly DroppedLabel[]>();
  /** A label is being moved: of which mark, and how far its middle now lies from the mark's end. */
  readonly labelHeld = output();
  readonly labelMoved = output<MovedLabel>();

  private readonly canvas = viewChild.required<ElementRef<HTMLCanvasElement>>('canvas');
  private readonly above = viewChild.required<ElementRef<HTMLCanvasElement>>('above');
  /** How much larger than usual the reader wants letters: the figure is laid out as on a smaller page, and drawn that much larger. */
  protected readonly zoom = ROOT_ZOOM;
  private drawing: FigureDrawing | null = null;
  protected readonly handle = signal<LineHandle | null>(null);
  private dragging = false;
  private downAt: FigurePoint | null = null;
  /** Parts drawn beside the marks; each opens its words. */
  private readonly parts = signal<readonly ScenePart[]>([]);
  private readonly pace = inject(Pace);
  /** A line, a band edge or a break that is taken hold of. */
  private readonly drag = inject(LineDrag);
  // What is heard of the figure, and what lies over it unseen, follows it: while something is dragged, a frame is for what is drawn.
  protected readonly told = this.pace.calmly(this.plan, 'words');
  protected readonly partsAround = this.pace.calmly(this.parts, 'words');
  private readonly around = viewChild<FigureParts>('around');
  /** The row the arrow keys stand on: ahead of `row` until the page has been drawn again, so that no quick key is lost. */
  private readonly walked = linkedSignal(() => this.row());
  private readonly announcer = inject(Announcer);
  private readonly anchor = signal<FigurePoint | null>(null);

  protected readonly card = computed(() => {
    const [text, at] = [this.hover(), this.anchor()];
    if (!text || !at) return null;
    const { clientWidth, clientHeight } = this.canvas().nativeElement;
    // The card hangs on the side with more room, so that it never leaves the figure nor covers its own bar's end.
    const [right, low] = [at.x > clientWidth * 0.6, at.y > clientHeight * 0.5];
    return {
      text,
      left: (at.x + (right ? -12 : 12)) * this.zoom,
      top: (low ? at.y - ABOVE_LABEL : at.y) * this.zoom,
      shift: `translate(${right ? '-100%' : '0'}, ${low ? '-100%' : '0'})`,
    };
  });

  constructor() {
    effect(() => this.draw(this.plan()));
    effect(() => this.pointAt(this.row()));
    effect(() => {
      const [parts, ask] = [this.around(), this.asked];
      if (!parts || !ask) return;
      this.asked = null;
      untracked(() => ask(parts));
    });
    // What arrows come to is heard; what a pointer is over is seen.
    effect(() => {
      const [text, row] = [this.hover(), this.row()];
      if (text && row !== null && row === untracked(() => this.keyRow)) this.announcer.say(spoken(text));
    });
    // Not in the template: there each move of the pointer would have the whole page looked at anew, whatever came of it.
    afterNextRender(() => this.canvas().nativeElement.addEventListener('pointermove', event => this.onPointer(event)));
    inject(DestroyRef).onDestroy(() => this.drawing?.destroy());
    // A figure drawn before its font is there is drawn again when it is.
    void document.fonts.ready.then(() => this.drawing?.fontCame());
  }

  private onPointer(event: PointerEvent): void {
    const at = { x: event.offsetX, y: event.offsetY };
    if (this.label && this.downAt) return this.moveLabel(this.label, at, this.downAt);
    const handle = this.handle();
    if (this.dragging && handle && this.drawing) return this.drag.moveTo(handle.target, this.drawing.valueAt(handle, at));
    this.handle.set(this.drawing?.handleAt(at) ?? null);
    this.pointed.emit(this.drawing?.rowAt(at) ?? null);
  }

  protected onDown(event: PointerEvent): void {
    this.downAt = event.button === 0 ? { x: event.offsetX, y: event.offsetY } : null;
    if (!this.handle()) return this.takeLabel(event);
    event.preventDefault();
    this.canvas().nativeElement.setPointerCapture(event.pointerId);
    this.dragging = true;
    this.drawing?.hold();
    this.pointed.emit(null);
    this.drag.start();
    this.pace.hurry();
  }

  protected onUp(event: PointerEvent): void {
    const at = { x: event.offsetX, y: event.offsetY };
    if (this.downAt && Math.hypot(at.x - this.downAt.x, at.y - this.downAt.y) < STILL) this.click(at);
    this.downAt = null;
    if (this.label) this.canvas().nativeElement.releasePointerCapture(event.pointerId);
    this.label = null;
    if (this.dragging) this.canvas().nativeElement.releasePointerCapture(event.pointerId);
    this.dragging = false;
    this.drawing?.letGo();
  }

  /** A label under the pointer follows it from now on. */
  private takeLabel(event: PointerEvent): void {
    const label = event.button === 0 ? this.drawing?.labelAt({ x: event.offsetX, y: event.offsetY }) : null;
    const offset = label && this.drawing?.offsetOf(label);
    if (!label || !offset) return;
    this.canvas().nativeElement.setPointerCapture(event.pointerId);
    this.label = { ...label, ...offset, isMoved: false };
  }

  private moveLabel(label: HeldLabel, at: FigurePoint, from: FigurePoint): void {
    const [x, y] = [at.x - from.x, at.y - from.y];
    if (!label.isMoved && Math.hypot(x, y) < STILL) return;
    if (!label.isMoved) this.labelHeld.emit();
    label.isMoved = true;
    this.pointed.emit(null);
    this.labelMoved.emit({ row: label.row, layer: label.layer, across: Math.round(label.across + x), down: Math.round(label.down + y) });
  }

  private label: HeldLabel | null = null;

  protected onKey(event: KeyboardEvent): void {
    const last = this.plan().categories.length - 1;
    const row = this.walked() ?? -1;
    const next = { ArrowRight: row + 1, ArrowDown: row + 1, ArrowLeft: row - 1, ArrowUp: row - 1, Home: 0, End: last }[event.key];
    if (event.key === 'Escape') this.walkTo(null);
    if ((event.key === 'Enter' || event.key === ' ') && row >= 0) {
      event.preventDefault();
      const at = this.drawing?.anchorOf(row) ?? { x: 0, y: 0 };
      this.withParts(parts => parts.pick({ row, layer: 0 }, at));
    }
    if (next === undefined || last < 0) return;
    event.preventDefault();
    this.walkTo(Math.max(0, Math.min(next, last)));
  }

  /** A click that did not move: on a mark or its label, else on a line or band beneath the marks. */
  private click(at: FigurePoint): void {
    const mark = this.handle() ? null : (this.drawing?.markAt(at) ?? null);
    this.withParts(parts => (mark ? parts.pick(mark, at) : parts.openBeneath(at, this.parts())));
  }

  private asked: ((parts: FigureParts) => void) | null = null;

  /** Runs an action on the parts around the marks, which load after the first figure: earlier requests wait. */
  private withParts(ask: (parts: FigureParts) => void): void {
    const parts = this.around();
    if (parts) ask(parts);
    else this.asked = ask;
  }

  private keyRow: number | null = null;

  private walkTo(row: number | null): void {
    this.keyRow = row;
    this.walked.set(row);
    this.pointed.emit(row);
  }

  private draw(plan: ChartPlan): void {
    if (this.drawing) this.drawing.show(plan);
    else
      this.drawing = new FigureDrawing(this.canvas().nativeElement, plan, {
        above: this.above().nativeElement,
        laidOut: (parts, dropped) => {
          this.parts.set(parts);
          this.dropped.emit(dropped);
        },
        ...(this.zoom === 1 ? {} : { fixed: { devicePixelRatio: devicePixelRatio * this.zoom } }),
      });
    this.pointAt(this.row());
  }

  private pointAt(row: number | null): void {
    this.drawing?.pointAt(row);
    this.anchor.set(row === null ? null : (this.drawing?.anchorOf(row) ?? null));
  }
}
