import type { Chart } from 'chart.js';
import type { Layer, Plan } from 'core/plan';
import { CATEGORY_AXIS, valueAxisId } from './axis-ids';

/** A point of the canvas in CSS pixels. */
export interface CanvasPoint {
  readonly x: number;
  readonly y: number;
}

/** Left, top, width and height in CSS pixels. */
export type Rect = readonly [left: number, top: number, width: number, height: number];

interface Line {
  readonly at0: number;
  readonly perUnit: number;
}

interface ValueLine extends Line {
  readonly from: number;
  readonly to: number;
}

// Value axes of a panel, at most.
const AXES = 2;

/**
 * Where the marks of a plan lie on a laid-out chart. Chart.js lays out the axes; every mark's place follows from them by a straight line,
 * so that thousands of marks cost a multiplication each.
 */
export class Geometry {
  /** Pixels from one category to the next. */
  readonly pitch: number;
  private readonly category: Line;
  // By panel and axis; asked for every mark.
  private readonly values: (ValueLine | undefined)[] = [];

  constructor(
    private readonly chart: Chart,
    private readonly plan: Plan,
  ) {
    const axis = chart.scales[CATEGORY_AXIS];
    const count = plan.categories.length;
    const { left, right, top, bottom } = chart.chartArea;
    const room = plan.lying ? bottom - top : right - left;
    const first = axis?.getPixelForValue(0) ?? 0;
    const step = axis && count > 1 ? (axis.getPixelForValue(count - 1) - first) / (count - 1) : room;
    this.category = { at0: first, perUnit: step };
    this.pitch = Math.abs(step);
  }

  /** Middle of a category along its axis. */
  along(at: number): number {
    return this.category.at0 + at * this.category.perUnit;
  }

  /** Pixel of a value at one of a panel's value axes. */
  value(panel: number, axis: number, value: number): number {
    const { at0, perUnit } = this.line(panel, axis);
    return at0 + value * perUnit;
  }

  /** The value at a pixel of a panel's value axis. */
  valueAt(panel: number, axis: number, pixel: number): number {
    const { at0, perUnit } = this.line(panel, axis);
    return (pixel - at0) / perUnit;
  }

  /** Ends of a panel's value axis in pixels, the smaller first. */
  reach(panel: number): [number, number] {
    const { from, to } = this.line(panel, 0);
    return [Math.min(from, to), Math.max(from, to)];
  }

  /** A column, stem or span as a rectangle; width or height is NaN where the value is missing. What lies beyond the axis is cut off. */
  box(layer: Layer, at: number): Rect {
    const { from, to } = this.line(layer.panel, layer.axis);
    const [low, high] = [Math.min(from, to), Math.max(from, to)];
    const kept = (pixel: number): number => Math.max(low, Math.min(pixel, high));
    const end = kept(this.value(layer.panel, layer.axis, layer.ends[at] as number));
    const base = kept(this.value(layer.panel, layer.axis, layer.bases ? (layer.bases[at] as number) : 0));
    const { start, width } = this.slotOf(layer, at);
    const length = Math.abs(end - base);
    return this.plan.lying ? [Math.min(end, base), start, length, width] : [start, Math.min(end, base), width, length];
  }

  /** The end of a mark: of a bar, or the point itself. */
  end(layer: Layer, at: number, value = layer.ends[at] as number): CanvasPoint {
    const { start, width } = this.slotOf(layer, at);
    const along = isBar(layer) ? start + width / 2 : this.along(at);
    const pixel = this.value(layer.panel, layer.axis, value);
    return this.plan.lying ? { x: pixel, y: along } : { x: along, y: pixel };
  }

  /** A bar's stretch along the category axis. */
  private slotOf({ slot, slots, shape }: Layer, at: number): { start: number; width: number } {
    const room = this.pitch * (slots === 1 ? 1 : 0.8);
    const place = room / Math.max(1, slots);
    const width = shape === 'stem' ? Math.min(place, 4) : place * this.share(slots);
    const middle = this.along(at) - room / 2 + place * (Math.max(0, slot) + 0.5);
    return { start: middle - width / 2, width };
  }

  // Hundreds of bars need their room for themselves.
  private share(slots: number): number {
    return this.plan.categories.length > 400 ? 0.92 : slots === 1 ? 0.74 : 0.9;
  }

  private line(panel: number, axis: number): ValueLine {
    return (this.values[panel * AXES + axis] ??= this.lineOf(panel, axis));
  }

  private lineOf(panel: number, axis: number): ValueLine {
    const scale = this.chart.scales[valueAxisId(panel, axis)];
    const [from, to] = [scale?.getPixelForValue(scale.min) ?? 0, scale?.getPixelForValue(scale.max) ?? 0];
    const perUnit = scale ? (to - from) / (scale.max - scale.min) : 0;
    return { at0: from - (scale?.min ?? 0) * perUnit, perUnit, from, to };
  }
}

/** Marks that take a slot along the category axis. */
export const isBar = ({ shape }: Pick<Layer, 'shape'>): boolean => shape === 'column' || shape === 'stem' || shape === 'span';

export const isArea = ({ shape }: Pick<Layer, 'shape'>): boolean => shape === 'area' || shape === 'step-area';
