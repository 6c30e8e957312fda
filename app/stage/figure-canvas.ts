import type { ElementRef } from '@angular/core';
import { ChangeDetectionStrategy, Component, computed, DestroyRef, effect, inject, input, output, signal, viewChild } from '@angular/core';
import type { DragTarget, Plan } from 'core/plan';
import { FigureDrawing, type CanvasPoint, type HoverText, type LineHandle } from 'plot';

/** A plan on a canvas. Pointer and arrow keys move over its marks; what is under them is told to the outside. */
@Component({
  selector: 'cb-figure-canvas',
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: { class: 'relative block min-h-0 min-w-0' },
  template: `
    <div class="absolute inset-0">
      <canvas
        #canvas
        tabindex="0"
        role="img"
        [attr.aria-label]="plan().title + '. ' + plan().description + ' Arrow keys walk the marks.'"
        [style.cursor]="handle() ? (plan().lying ? 'ew-resize' : 'ns-resize') : null"
        (pointerdown)="onDown($event)"
        (pointerup)="onUp($event)"
        (pointermove)="onPointer($event)"
        (pointerleave)="pointed.emit(null)"
        (keydown)="onKey($event)"
        (blur)="pointed.emit(null)"
      ></canvas>
    </div>
    @if (card(); as card) {
      <div class="hover-card" role="status" [style.left.px]="card.left" [style.top.px]="card.top" [style.transform]="card.shift">
        <p class="font-semibold">{{ card.text.title }}</p>
        @for (line of card.text.lines; track line.name) {
          <p class="flex justify-between gap-4">
            <span class="text-soft">{{ line.name }}</span><span class="tabular-nums">{{ line.value }}</span>
          </p>
        }
        @if (card.text.why) {
          <p class="mt-1 border-t border-hair pt-1">{{ card.text.why }}</p>
        }
      </div>
    }
  `,
})
export class FigureCanvas {
  readonly plan = input.required<Plan>();
  readonly row = input<number | null>(null);
  readonly hover = input<HoverText | null>(null);
  readonly pointed = output<number | null>();
  /** A line or band edge was taken hold of, and moved. */
  readonly held = output();
  readonly dragged = output<{ readonly target: DragTarget; readonly value: number }>();

  private readonly canvas = viewChild.required<ElementRef<HTMLCanvasElement>>('canvas');
  private drawing: FigureDrawing | null = null;
  protected readonly handle = signal<LineHandle | null>(null);
  private dragging = false;
  private readonly anchor = signal<CanvasPoint | null>(null);

  protected readonly card = computed(() => {
    const [text, at] = [this.hover(), this.anchor()];
    if (!text || !at) return null;
    const { clientWidth, clientHeight } = this.canvas().nativeElement;
    // The card hangs on the side with more room, so that it never leaves the figure nor covers its own bar's end.
    const [right, low] = [at.x > clientWidth * 0.6, at.y > clientHeight * 0.5];
    return { text, left: at.x + (right ? -12 : 12), top: at.y, shift: `translate(${right ? '-100%' : '0'}, ${low ? '-100%' : '0'})` };
  });

  constructor() {
    effect(() => this.draw(this.plan()));
    effect(() => this.pointAt(this.row()));
    inject(DestroyRef).onDestroy(() => this.drawing?.destroy());
    // A figure drawn before its font is there is drawn again when it is.
    void document.fonts.ready.then(() => this.drawing?.show({ ...this.plan() }));
  }

  protected onPointer(event: PointerEvent): void {
    const at = { x: event.offsetX, y: event.offsetY };
    const handle = this.handle();
    if (this.dragging && handle && this.drawing)
      return this.dragged.emit({ target: handle.target, value: this.drawing.valueAt(handle, at) });
    this.handle.set(this.drawing?.handleAt(at) ?? null);
    this.pointed.emit(this.drawing?.rowAt(at) ?? null);
  }

  protected onDown(event: PointerEvent): void {
    if (!this.handle()) return;
    event.preventDefault();
    this.canvas().nativeElement.setPointerCapture(event.pointerId);
    this.dragging = true;
    this.pointed.emit(null);
    this.held.emit();
  }

  protected onUp(event: PointerEvent): void {
    if (this.dragging) this.canvas().nativeElement.releasePointerCapture(event.pointerId);
    this.dragging = false;
  }

  protected onKey(event: KeyboardEvent): void {
    const last = this.plan().categories.length - 1;
    const row = this.row() ?? -1;
    const next = { ArrowRight: row + 1, ArrowDown: row + 1, ArrowLeft: row - 1, ArrowUp: row - 1, Home: 0, End: last }[event.key];
    if (event.key === 'Escape') this.pointed.emit(null);
    if (next === undefined || last < 0) return;
    event.preventDefault();
    this.pointed.emit(Math.max(0, Math.min(next, last)));
  }

  private draw(plan: Plan): void {
    if (this.drawing) this.drawing.show(plan);
    else this.drawing = new FigureDrawing(this.canvas().nativeElement, plan);
    this.pointAt(this.row());
  }

  private pointAt(row: number | null): void {
    this.drawing?.pointAt(row);
    this.anchor.set(row === null ? null : (this.drawing?.anchorOf(row) ?? null));
  }
}
