import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { Icon } from './icon';

/** The size that a divider controls and its limits, in one unit. */
export interface Divided {
  readonly size: number;
  readonly least: number;
  readonly most: number;
  readonly usual: number;
}

// Keys move a divider by a fortieth of its way, with Shift by a tenth.
const [FINE, COARSE] = [1 / 40, 1 / 10];

/** A divider between two places: moved by drag or arrow keys, back to the usual by a double click, folding one of them by its button or Enter. */
@Component({
  selector: 'cb-divider',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Icon],
  host: { class: 'divider', '[class.divider-across]': "along() === 'row'" },
  template: `
    <div
      class="divider-line"
      role="separator"
      tabindex="0"
      [attr.aria-label]="'Room of the ' + name()"
      [attr.aria-orientation]="along() === 'row' ? 'horizontal' : 'vertical'"
      [attr.aria-valuemin]="0"
      [attr.aria-valuemax]="100"
      [attr.aria-valuenow]="share()"
      [attr.aria-valuetext]="folded() ? 'folded away' : share() + ' %'"
      title="Drag, or use the arrow keys. A double click brings back the usual size."
      (pointerdown)="hold($event)"
      (pointermove)="drag($event)"
      (pointerup)="letGo($event)"
      (dblclick)="sized.emit(divided().usual)"
      (keydown)="onKey($event)"
    ></div>
    <button
      type="button"
      class="divider-fold"
      [attr.aria-label]="words()"
      [title]="words()"
      [attr.aria-expanded]="!folded()"
      (click)="fold()"
    >
      <cb-icon [name]="arrow()" />
    </button>
  `,
})
export class Divider {
  readonly name = input.required<string>();
  readonly divided = input.required<Divided>();
  readonly folded = input.required<boolean>();
  /** Whether the places lie beside each other or one below the other. */
  readonly along = input.required<'column' | 'row'>();
  /** The size that the place has where the pointer is, by its place in the window. */
  readonly sizeAt = input.required<(point: { readonly x: number; readonly y: number }) => number>();
  readonly sized = output<number>();
  readonly foldedAway = output<boolean>();

  private held = false;
  protected readonly share = computed(() => {
    const { size, least, most } = this.divided();
    return this.folded() ? 0 : Math.round(((size - least) / (most - least)) * 100);
  });
  protected readonly words = computed(() => (this.folded() ? `Show the ${this.name()}` : `Fold the ${this.name()} away`));
  protected readonly arrow = computed(() => {
    if (this.along() === 'row') return this.folded() ? 'arrow-up' : 'arrow-down';
    return this.folded() ? 'chevron-right' : 'chevron-left';
  });

  protected fold(): void {
    this.foldedAway.emit(!this.folded());
  }

  protected hold(event: PointerEvent): void {
    if (event.button !== 0) return;
    event.preventDefault();
    (event.currentTarget as HTMLElement).setPointerCapture(event.pointerId);
    this.held = true;
  }

  /** Dragged below half of its least size, a place is folded away. */
  protected drag(event: PointerEvent): void {
    if (!this.held) return;
    const [size, { least }] = [this.sizeAt()({ x: event.clientX, y: event.clientY }), this.divided()];
    if (size < least / 2) this.foldedAway.emit(true);
    else this.sized.emit(size);
  }

  protected letGo(event: PointerEvent): void {
    if (this.held) (event.currentTarget as HTMLElement).releasePointerCapture(event.pointerId);
    this.held = false;
  }

  protected onKey(event: KeyboardEvent): void {
    const { size, least, most } = this.divided();
    const step = (most - least) * (event.shiftKey ? COARSE : FINE);
    const moves: Readonly<Record<string, number>> =
      this.along() === 'row'
        ? { ArrowUp: size + step, ArrowDown: size - step, Home: least, End: most }
        : { ArrowRight: size + step, ArrowLeft: size - step, Home: least, End: most };
    const next = moves[event.key];
    if (next === undefined && event.key !== 'Enter') return;
    event.preventDefault();
    if (next === undefined) this.fold();
    else this.sized.emit(next);
  }
}
