import type { Layer, ChartPlan } from 'core/plan';
import { countedIn, positionOf, positionsOf, straightOf, stretchesOf, valueAt, type ValueScale } from 'core/scale';
import { isBar, shapeOf } from 'core/shape';
import type { PlotLayout } from './layout';

/** A value axis in pixels: linear in the value, or, where the scale is not straight, in its position. */
interface ValueLine {
  readonly at0: number;
  readonly perUnit: number;
  readonly low: number;
  readonly high: number;
  /** The scale where it is not straight; null where pixels are linear in the value. */
  readonly bends: ValueScale | null;
}

/** A break in pixels: the end of the part below it, and the start of the part above. */
export interface Strip {
  readonly low: number;
  readonly high: number;
}

// Value axes of a panel, at most.
const AXES = 2;
// Where dates lie close together at one end and far apart at the other, bars of the smallest distance would not be seen; in CSS pixels.
const THINNEST = 1.5;
const NOWHERE: ValueLine = { at0: NaN, perUnit: NaN, low: NaN, high: NaN, bends: null };

// What has no place on a scale stands so far below it, in lengths of the axis: pixels stay numbers.
const FAR = -4;
const placeOf = (scale: ValueScale, value: number): number => {
  const position = positionOf(scale, value);
  return position === -Infinity ? FAR : position;
};
const placesOf = (scale: ValueScale, values: Float64Array): Float64Array =>
  positionsOf(scale, values).map(position => (position === -Infinity ? FAR : position));

/** The marks of one layer in pixels; lists are along the category axis. */
export interface PlacedLayer {
  readonly layer: Layer;
  /** x and y of each mark's end; NaN where a value is missing. */
  readonly ends: Float64Array;
  /** Pixel of each mark's base along the value axis, limited to the axis. */
  readonly bases: Float64Array;
  /** Left, top, width, height of each bar, cut at the ends of its axis; null for lines and points. */
  readonly boxes: Float64Array | null;
}

/**
 * Pixels of values and categories in a layout. A straight scale is one linear function from value to pixel, so that thousands of marks cost a
 * multiplication each.
 */
export class PixelScales {
  /** Pixels between neighbouring categories, unsigned. */
  readonly pitch: number;
  // By panel and axis; asked for every mark.
  private readonly lines: ValueLine[];
  private readonly places: Float64Array | null;
  /** Index of the first category without a position in time, such as a missing date, to which no line leads. Infinite where the axis lists names. */
  readonly placedTo: number;

  constructor(
    readonly plan: ChartPlan,
    readonly layout: PlotLayout,
  ) {
    this.pitch = Math.abs(layout.perCategory);
    this.places = plan.along.places;
    this.placedTo = plan.along.counted ? countedIn(plan.along.counted.at) : Infinity;
    this.lines = plan.panels.flatMap((panel, p) =>
      Array.from({ length: AXES }, (_, axis) => this.lineOf(panel.axes[axis]?.scale, p, axis)),
    );
  }

  /** Middle of a category along its axis. */
  along(at: number): number {
    return this.atPlace(this.places ? (this.places[at] as number) : at);
  }

  /** Pixel of a position on the category axis, in widths of a category from the middle of the first. */
  atPlace(place: number): number {
    return this.layout.first + place * this.layout.perCategory;
  }

  /** The edges of a category: half way to its neighbours, the lower pixel first; half a width beyond the first and last. */
  edgesOf(at: number): [number, number] {
    const middle = this.along(at);
    const { perCategory } = this.layout;
    const towards = (other: number, outer: number): number =>
      other >= 0 && other < this.plan.categories.length ? (middle + this.along(other)) / 2 : middle + outer / 2;
    const edges: [number, number] = [towards(at - 1, -perCategory), towards(at + 1, perCategory)];
    return edges[0] <= edges[1] ? edges : [edges[1], edges[0]];
  }

  /** Pixel of a value at one of a panel's value axes. */
  value(panel: number, axis: number, value: number): number {
    const { at0, perUnit, bends } = this.line(panel, axis);
    return at0 + (bends ? placeOf(bends, value) : value) * perUnit;
  }

  /** The value at a pixel of a panel's value axis. */
  valueAt(panel: number, axis: number, pixel: number): number {
    const { at0, perUnit, bends } = this.line(panel, axis);
    const read = (pixel - at0) / perUnit;
    return bends ? valueAt(bends, read) : read;
  }

  /** Ends of a panel's value axis in pixels, the smaller first. */
  reach(panel: number): [number, number] {
    const { low, high } = this.line(panel, 0);
    return [low, high];
  }

  /** Pixels of the low and the high end of a layer's axis. */
  endsOf({ panel, axis }: Layer): readonly [low: number, high: number] {
    const { from, to } = this.layout.axes[panel]?.[axis] ?? { from: NaN, to: NaN };
    return [from, to];
  }

  /** The side of a panel's value axis: left or bottom, or the opposite. */
  sideOf(panel: number, axis: number): 'near' | 'far' {
    return this.plan.panels[panel]?.axes[axis]?.side ?? 'near';
  }

  /** Whether the values of a layer rise opposite to the usual direction: downwards, or to the left. */
  runsBack({ panel, axis }: Layer): boolean {
    return this.plan.panels[panel]?.axes[axis]?.reversed ?? false;
  }

  /** The breaks of a panel's value axis, from its low end. */
  breaksOf(panel: number, axis: number): Strip[] {
    const scale = this.plan.panels[panel]?.axes[axis]?.scale;
    const ends = this.layout.axes[panel]?.[axis];
    if (!scale || !ends) return [];
    const pixelAt = (position: number): number => ends.from + position * (ends.to - ends.from);
    const stretches = stretchesOf(scale);
    return stretches.slice(1).map(({ from }, i) => ({ low: pixelAt(stretches[i]?.to ?? NaN), high: pixelAt(from) }));
  }

  /** A pixel limited to the ends of its axis. */
  kept({ panel, axis }: Layer, pixel: number): number {
    const { low, high } = this.line(panel, axis);
    return Math.max(low, Math.min(pixel, high));
  }

  /** Whether a value has a position: zero and negative values have none on a log scale. */
  hasPlace({ panel, axis }: Layer, value: number): boolean {
    const { bends } = this.line(panel, axis);
    return bends === null || positionOf(bends, value) !== -Infinity;
  }

  /** Whether a mark's end is beyond its axis by a visible distance. */
  isBeyond({ panel, axis, ends }: Layer, at: number): boolean {
    const { low, high } = this.line(panel, axis);
    const pixel = this.value(panel, axis, ends[at] as number);
    return pixel < low - 1 || pixel > high + 1;
  }

  /** A point from its pixels along the category axis and the value axis. */
  point(along: number, value: number): [x: number, y: number] {
    return this.plan.horizontal ? [value, along] : [along, value];
  }

  /** All marks of a layer. Cost: O(n), no object per mark. */
  placed(layer: Layer): PlacedLayer {
    const count = layer.ends.length;
    const bars = isBar(layer);
    const { start, width } = this.slotOf(layer);
    const { at0, perUnit, low, high, bends } = this.line(layer.panel, layer.axis);
    const [x, y] = this.plan.horizontal ? [1, 0] : [0, 1];
    const readEnds = bends ? placesOf(bends, layer.ends) : layer.ends;
    const readBases = layer.bases && bends ? placesOf(bends, layer.bases) : layer.bases;
    const readBase = bends ? placeOf(bends, layer.base) : layer.base;
    const ends = new Float64Array(2 * count);
    const bases = new Float64Array(count);
    const boxes = bars ? new Float64Array(4 * count) : null;
    for (let at = 0; at < count; at++) {
      const middle = this.along(at);
      const end = at0 + (readEnds[at] as number) * perUnit;
      const base = at0 + (readBases ? (readBases[at] as number) : readBase) * perUnit;
      const from = Math.max(low, Math.min(base, high));
      bases[at] = from;
      ends[2 * at + x] = bars ? middle + start + width / 2 : middle;
      ends[2 * at + y] = end;
      if (!boxes) continue;
      const to = Math.max(low, Math.min(end, high));
      boxes[4 * at + x] = middle + start;
      boxes[4 * at + y] = Math.min(from, to);
      boxes[4 * at + 2 + x] = width;
      boxes[4 * at + 2 + y] = Math.abs(to - from);
    }
    return { layer, ends, bases, boxes };
  }

  /** A bar's interval along the category axis, relative to the middle of its category. */
  private slotOf(layer: Layer): { start: number; width: number } {
    const { slot, slots } = layer;
    const { maxWidth } = shapeOf(layer);
    const room = this.pitch * (slots === 1 ? 1 : 0.8);
    const place = room / Math.max(1, slots);
    const width = Math.max(this.places ? THINNEST : 0, maxWidth === null ? place * this.share(slots) : Math.min(place, maxWidth));
    return { start: place * (Math.max(0, slot) + 0.5) - room / 2 - width / 2, width };
  }

  // Hundreds of bars need their room for themselves.
  private share(slots: number): number {
    const usual = this.plan.categories.length > 400 ? 0.92 : slots === 1 ? 0.74 : 0.9;
    const { bar } = this.plan.livery;
    return bar ? Math.min(1, (usual * bar.share) / 0.74) : usual;
  }

  private line(panel: number, axis: number): ValueLine {
    return this.lines[panel * AXES + axis] ?? NOWHERE;
  }

  private lineOf(scale: ValueScale | undefined, panel: number, axis: number): ValueLine {
    const ends = this.layout.axes[panel]?.[axis];
    if (!ends || !scale) return NOWHERE;
    const { from, to } = ends;
    const straight = straightOf(scale);
    return {
      at0: from + (straight?.from ?? 0) * (to - from),
      perUnit: (straight?.perUnit ?? 1) * (to - from),
      low: Math.min(from, to),
      high: Math.max(from, to),
      bends: straight ? null : scale,
    };
  }
}
