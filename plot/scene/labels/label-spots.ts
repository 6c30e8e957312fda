import type { Box, Side, Spot } from 'core/label';
import type { LabelAsk, LabelWhere, Layer } from 'core/plan';
import { isBar, shapeOf } from 'core/shape';
import { rectAt } from '../marks/flat';
import { FULL } from '../marks/looks';
import type { PlacedLayer, PixelScales } from '../pixel-scales';

// Closer than this, a label reads as part of its mark; in CSS pixels.
const GAP = 5;
// A point reaches beyond its middle, a stem has a head.
const POINT = 5;
// In CSS pixels, as all lengths.
const THINNEST = 9;
// Between a label and the edge of the bar that it stands in.
const INSIDE = 4;

/** Inputs for the candidate positions of labels. */
export interface SpotFacts {
  readonly pixels: PixelScales;
  readonly layers: readonly PlacedLayer[];
  /** For each layer the indexes of its obstacles. */
  readonly ofLayer: readonly (readonly [from: number, to: number])[];
  /** The area that labels must stay inside. */
  readonly room: Box;
}

const OPPOSITE: { readonly [S in Side]: Side } = { above: 'below', below: 'above', left: 'right', right: 'left', over: 'over' };

const SIDES: { readonly [W in LabelWhere]?: Side } = { above: 'above', below: 'below', left: 'left', right: 'right' };

/** Candidate positions of a label in order of preference: beyond its mark or inside it, beside a point. Empty where its mark is not drawn. */
export function spotsOf(nth: number, ask: LabelAsk, facts: SpotFacts): Spot[] {
  const placed = facts.layers[nth] as PlacedLayer;
  const { layer } = placed;
  if (Number.isNaN(layer.ends[ask.at])) return Number.isNaN(layer.values[ask.at]) ? atMissing(placed, ask, facts) : [];
  const side = SIDES[ask.where];
  if (side) return [{ ...besideEnd(placed, ask, facts), side }];
  if (!isBar(layer)) return besidePoint(nth, ask, facts);
  const beyond = besideEnd(placed, ask, facts);
  if (shapeOf(layer).hasPoint) return [beyond];
  // Whiskers are as thin as lines: nothing stands within them.
  if (layer.span?.whiskers) return [beyond];
  const order = WITHIN[ask.where];
  if (order) return withinBar(nth, ask, facts, order);
  // In a stack, beyond a part's end lies the next part.
  const stacked = layer.bases !== null && shapeOf(layer).base === 'zero' && !isOnTop(facts.layers, layer, ask.at);
  if (stacked) return withinBar(nth, ask, facts, ['middle', 'end', 'base']);
  // A label of one end never stands at the other.
  return [beyond, ...withinBar(nth, ask, facts, [ask.where === 'base' ? 'base' : 'end'])];
}

type Within = 'middle' | 'end' | 'base';

/** Positions inside a bar, in order of preference, for each wish. */
const WITHIN: { readonly [W in LabelWhere]?: readonly Within[] } = {
  inside: ['middle', 'end', 'base'],
  'inside end': ['end', 'middle', 'base'],
  'inside base': ['base', 'middle', 'end'],
};

/** The position where a missing value's mark would begin. */
function atMissing(placed: PlacedLayer, ask: LabelAsk, { pixels }: SpotFacts): Spot[] {
  const { layer } = placed;
  const base = pixels.kept(layer, pixels.value(layer.panel, layer.axis, layer.base));
  const [x, y] = pixels.point(pixels.along(ask.at), base);
  return [{ x, y, side: pixels.plan.horizontal ? 'right' : 'above', gap: GAP }];
}

/** The additional distance from its mark set by the analyst, in CSS pixels. */
function offsetOf({ layer }: PlacedLayer, { at, offset }: LabelAsk, pixels: PixelScales): number {
  if (!offset) return 0;
  if (offset.as === 'pixels') return offset.amount;
  const value = layer.ends[at] as number;
  const [from, to] = [value, value + offset.amount].map(item => pixels.value(layer.panel, layer.axis, item)) as [number, number];
  return Math.sign(offset.amount) * Math.abs(to - from) || 0;
}

/** The position of a label pinned by hand: an offset from its mark's end. */
export function pinnedSpot(nth: number, ask: LabelAsk, { layers, pixels }: SpotFacts): Spot[] {
  const placed = layers[nth] as PlacedLayer;
  if (!ask.pin || Number.isNaN(placed.layer.ends[ask.at])) return [];
  const [x, y] = pixels.point(alongOf(placed, ask, pixels), valueOf(placed, ask, pixels));
  return [{ x: x + ask.pin.across, y: y + ask.pin.down, side: 'over', gap: 0 }];
}

/** The side of its mark's end that a label is on. */
function sideOf({ layer }: PlacedLayer, at: number, isBase: boolean, pixels: PixelScales): Side {
  const falls = isBar(layer) ? shapeOf(layer).base === 'zero' && (layer.values[at] as number) < 0 : isDip(layer, at);
  const back = (isBase ? !falls : falls) !== pixels.runsBack(layer);
  return pixels.plan.horizontal ? (back ? 'left' : 'right') : back ? 'below' : 'above';
}

function besideEnd(placed: PlacedLayer, ask: LabelAsk, { pixels, room }: SpotFacts): Spot {
  const { layer } = placed;
  const value = valueOf(placed, ask, pixels);
  const [x, y] = pixels.point(alongOf(placed, ask, pixels), value);
  const reach = (glyphRoom(layer, ask.at) || (shapeOf(layer).hasPoint ? POINT : 0)) + offsetOf(placed, ask, pixels);
  const stretch = stretchAround(pixels, layer, value, room);
  return { x, y, side: sideOf(placed, ask.at, ask.where === 'base', pixels), gap: GAP + reach, ...(stretch ? { within: stretch } : {}) };
}

const alongOf = ({ ends }: PlacedLayer, { at }: LabelAsk, { plan }: PixelScales): number =>
  ends[2 * at + (plan.horizontal ? 1 : 0)] as number;

const valueOf = ({ layer, ends, bases }: PlacedLayer, { at, where }: LabelAsk, pixels: PixelScales): number =>
  where === 'base' ? (bases[at] as number) : pixels.kept(layer, ends[2 * at + (pixels.plan.horizontal ? 0 : 1)] as number);

/** In the middle of a bar, at its end, at its base. */
function withinBar(nth: number, ask: LabelAsk, facts: SpotFacts, order: readonly Within[]): Spot[] {
  const { pixels, ofLayer } = facts;
  const placed = facts.layers[nth] as PlacedLayer;
  const [left, top, width, height] = rectAt(placed.boxes as Float64Array, 4 * ask.at);
  if (Number.isNaN(left + top + width + height)) return [];
  const number = (ofLayer[nth]?.[0] ?? 0) + ask.at;
  const within = { left, top, width, height };
  const on = [number, number + 1] as const;
  // Letters are no lower than this: a thinner bar holds none.
  if (width < THINNEST || height < THINNEST) return [];
  const away = sideOf(placed, ask.at, false, pixels);
  return order.map((where): Spot => {
    if (where === 'middle') return { x: left + width / 2, y: top + height / 2, side: 'over', gap: 0, within, on };
    // A label at an edge stands on the inner side of it.
    const edge = where === 'end' ? away : OPPOSITE[away];
    const { x, y } = edgeOf(within, edge);
    return { x, y, side: OPPOSITE[edge], gap: INSIDE, within, on };
  });
}

/** The middle of one side of a box. */
function edgeOf({ left, top, width, height }: Box, side: Side): { readonly x: number; readonly y: number } {
  const across = side === 'left' ? 0 : side === 'right' ? width : width / 2;
  const down = side === 'above' ? 0 : side === 'below' ? height : height / 2;
  return { x: left + across, y: top + down };
}

/** Above or below a point, whichever its line leaves free; else at its sides. On an area also inside it. */
function besidePoint(nth: number, ask: LabelAsk, { layers, ofLayer, pixels, room }: SpotFacts): Spot[] {
  const placed = layers[nth] as PlacedLayer;
  const { layer } = placed;
  const value = valueOf(placed, ask, pixels);
  const [x, y] = pixels.point(alongOf(placed, ask, pixels), value);
  const gap = GAP + (glyphRoom(layer, ask.at) || POINT) + offsetOf(placed, ask, pixels);
  const first = sideOf(placed, ask.at, ask.where === 'base', pixels);
  const stretch = stretchAround(pixels, layer, value, room);
  const on = ofLayer[nth];
  const own = { gap, ...(stretch ? { within: stretch } : {}), ...(on && on[1] > on[0] ? { on } : {}) };
  const beside: Side[] = pixels.plan.horizontal ? ['below', 'above'] : ['right', 'left'];
  return [first, OPPOSITE[first], ...beside].map(side => ({ x, y, side, ...own }));
}

/** Room for a glyph between a mark and its label: none, half its size on a point, or all of it above a bar. */
function glyphRoom(layer: Layer, at: number): number {
  const glyph = layer.glyphs.find(item => item.at === at);
  if (!glyph) return 0;
  return glyph.beyond || isBar(layer) ? 2 * FULL.glyph + 5 : FULL.glyph;
}

/** Whether no other part of the stack begins where this mark ends. */
function isOnTop(layers: readonly PlacedLayer[], layer: Layer, at: number): boolean {
  const end = layer.ends[at] as number;
  const others = layers.map(placed => placed.layer);
  const mates = others.filter(other => other !== layer && other.panel === layer.panel && other.slot === layer.slot && other.bases);
  return mates.every(other => other.bases?.[at] !== end || other.ends[at] === end || Number.isNaN(other.ends[at]));
}

/** Whether a point is lower than its neighbours: its label goes below, since the line is above. */
function isDip({ ends }: Layer, at: number): boolean {
  const beside = [ends[at - 1], ends[at + 1]].filter((value): value is number => value !== undefined && !Number.isNaN(value));
  return beside.length > 0 && beside.every(value => value >= (ends[at] as number)) && beside.some(value => value > (ends[at] as number));
}

/**
 * The part of the room around a pixel of the value axis without a break, so that no break is between a mark and its label. Null where no axis is
 * broken.
 */
function stretchAround(pixels: PixelScales, { panel, axis }: Layer, at: number, room: Box): Box | null {
  const strips = pixels.breaksOf(panel, axis).map(({ low, high }) => [Math.min(low, high), Math.max(low, high)] as const);
  if (strips.length === 0) return null;
  const { horizontal } = pixels.plan;
  const [start, length] = horizontal ? [room.left, room.width] : [room.top, room.height];
  const from = Math.max(start, ...strips.filter(([a, b]) => (a + b) / 2 <= at).map(([, b]) => b));
  const to = Math.min(start + length, ...strips.filter(([a, b]) => (a + b) / 2 > at).map(([a]) => a));
  return horizontal ? { ...room, left: from, width: to - from } : { ...room, top: from, height: to - from };
}
