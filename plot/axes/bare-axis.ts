import { Scale, type ChartArea, type CoreScaleOptions } from 'chart.js';
import type { AxisInLayout } from './category-names';

/** Options of an axis for the layout. */
export interface BareAxisOptions {
  readonly type: 'bare';
  readonly axis: 'x' | 'y';
  readonly position: 'left' | 'right' | 'top' | 'bottom';
  /** Values at its ends; read from the far end where reversed. */
  readonly min: number;
  readonly max: number;
  readonly reverse: boolean;
  /** Axes of one stack share their side by weight. */
  readonly stack?: string | undefined;
  readonly stackWeight?: number | undefined;
  readonly weight: number;
  /** Gives it the room that its words take; a strip takes little. The name is one that Chart.js does not take for a value to be worked out. */
  readonly afterFit?: ((axis: AxisInLayout) => void) | undefined;
}

// Across, in CSS pixels, where nothing asks for more.
const THICKNESS = 8;

// As far as a canvas counts.
const MOST = 32_767;

/**
 * An axis that takes part in the layout of Chart.js and draws nothing: the scene draws its numbers, names and lines. Of the library's own axes it leaves out
 * ticks, labels and their turning, which cost most of a layout. Cost: what `afterFit` costs.
 */
export class BareAxis extends Scale {
  static readonly id = 'bare';
  static readonly defaults = {};

  private own: BareAxisOptions | null = null;
  private start = 0;

  /** Reads its options once: each reading of a resolved option of Chart.js is a search. */
  override init(options: CoreScaleOptions & BareAxisOptions): void {
    const { type, axis, position, min, max, reverse, stack, stackWeight, weight, afterFit }: BareAxisOptions = options;
    this.take({ type, axis, position, min, max, reverse, stack, stackWeight, weight, afterFit });
  }

  /** Becomes the same axis of another plan. */
  take(own: BareAxisOptions): void {
    this.own = own;
    this.options = own as never;
    this.axis = own.axis;
    this.min = own.min;
    this.max = own.max;
  }

  override isHorizontal(): boolean {
    return this.own?.position === 'top' || this.own?.position === 'bottom';
  }

  override isFullSize(): boolean {
    return false;
  }

  override beforeLayout(): void {
    // Nothing is kept from one layout to the next.
  }

  /** As long as what stands before and behind it leaves, and as thick as its words. */
  override update(_width: number, _height: number, margins: ChartArea): void {
    Object.assign(this, { paddingLeft: 0, paddingTop: 0, paddingRight: 0, paddingBottom: 0 });
    const isLevel = this.isHorizontal();
    this.width = isLevel ? this.chart.width - margins.left - margins.right : THICKNESS;
    this.height = isLevel ? THICKNESS : this.chart.height - margins.top - margins.bottom;
    this.own?.afterFit?.(this);
  }

  /** Once it has its place. */
  override configure(): void {
    this.start = this.isHorizontal() ? this.left : this.top;
  }

  override getPixelForValue(value: number): number {
    const share = (value - this.min) / (this.max - this.min);
    // Values rise to the right and upwards.
    const isBackwards = Boolean(this.own?.reverse) === this.isHorizontal();
    const pixel = this.start + (isBackwards ? 1 - share : share) * this.length;
    return Math.max(-MOST - 1, Math.min(MOST, pixel));
  }

  private get length(): number {
    return this.isHorizontal() ? this.right - this.left : this.bottom - this.top;
  }

  /** Nothing to draw. */
  _layers(): readonly never[] {
    return [];
  }
}
