import { GAP_BEYOND, placeBarLabels, type BarEnd, type Box } from 'core/label';
import type { LabelAsk, Layer } from 'core/plan';
import { isBar } from 'core/shape';
import { rectAt } from './flat';
import { FULL } from './looks';
import type { PlacedLayer, PixelScales } from './pixel-scales';
import { readableOn } from './readable-on';
import type { Font, LabelledMark, SceneItem, TextWidth } from './scene';

// Label text in CSS pixels: as large as the bars allow, never too small to read.
const LARGEST = 13;
const SMALLEST = 10;
// Between neighbouring labels.
const SIDE = GAP_BEYOND + 1;
// Room above the plot that a label may take.
const ABOVE = LARGEST + 5;
// Half the room of a line's point.
const POINT = 5;

/** What labels are placed with. */
export interface LabelFacts {
  readonly pixels: PixelScales;
  readonly layers: readonly PlacedLayer[];
  readonly width: TextWidth;
}

/** Labels at the ends of marks, never cut off by the edge, with the room that they take. All layers together, so that none stands on another's. */
export function markLabels(
  facts: LabelFacts,
  taken: readonly Box[],
): { readonly items: SceneItem[]; readonly boxes: readonly Box[]; readonly labelled: readonly LabelledMark[] } {
  const { layers, pixels } = facts;
  const { plan } = pixels;
  const font: Font = { size: sizeFor(facts), weight: 650 };
  const wanted = layers.flatMap((placed, layer) =>
    wantedOf(placed, facts, font).map(item => ({ ...item, layer, row: placed.layer.rows[item.ask.at] as number })),
  );
  const boxes = placeBarLabels(
    wanted.map(({ end }) => end),
    roomOf(pixels),
    [...taken, ...pointsBeside(facts)],
  );
  // Lines may run behind a label.
  const crossed = plan.panels.some(panel => panel.levelLines.length > 0 || panel.layers.some(layer => !isBar(layer)));
  const items = boxes.map((box, i): SceneItem => {
    const { ask, onColour } = wanted[i] as Wanted;
    return {
      kind: 'text',
      text: ask.text,
      x: box.left,
      y: box.top + box.height / 2,
      font,
      colour: onColour === null ? plan.livery.ink : readableOn(onColour, plan.livery),
      align: 'left',
      halo: onColour === null && crossed ? plan.livery.ground : null,
    };
  });
  return { items, boxes, labelled: boxes.map((box, i) => ({ box, row: wanted[i]?.row ?? -1, layer: wanted[i]?.layer ?? 0 })) };
}

/** Whether a label fits between its mark's end and the break beyond it. */
function hasRoom({ x, y, direction, width, height, within }: BarEnd): boolean {
  if (!within) return true;
  const room = {
    up: y - within.top,
    down: within.top + within.height - y,
    left: x - within.left,
    right: within.left + within.width - x,
  }[direction];
  return room >= GAP_BEYOND + (direction === 'up' || direction === 'down' ? height : width);
}

/** The part of the room between the breaks around a pixel of the value axis: no break comes between a mark and its label. */
function stretchAround(pixels: PixelScales, { panel, axis }: Layer, at: number): Box | null {
  const strips = pixels.breaksOf(panel, axis).map(({ low, high }) => [Math.min(low, high), Math.max(low, high)] as const);
  if (strips.length === 0) return null;
  const room = roomOf(pixels);
  const [start, length] = pixels.plan.horizontal ? [room.left, room.width] : [room.top, room.height];
  const from = Math.max(start, ...strips.filter(([a, b]) => (a + b) / 2 <= at).map(([, b]) => b));
  const to = Math.min(start + length, ...strips.filter(([a, b]) => (a + b) / 2 > at).map(([a]) => a));
  return pixels.plan.horizontal ? { ...room, left: from, width: to - from } : { ...room, top: from, height: to - from };
}

const OPPOSITE = { up: 'down', down: 'up', left: 'right', right: 'left' } as const;

/** A label with its place; `onColour` is the colour it stands on when that is a bar. */
interface Wanted {
  readonly ask: LabelAsk;
  readonly end: BarEnd;
  readonly onColour: string | null;
}

function wantedOf(placed: PlacedLayer, facts: LabelFacts, font: Font): Wanted[] {
  const { layer } = placed;
  const glyphed = new Map(layer.glyphs.map(({ at, beyond }) => [at, beyond]));
  const stacked = layer.bases !== null && layer.shape !== 'span';
  return layer.labels.flatMap((ask): Wanted[] => {
    const { at } = ask;
    if (Number.isNaN(layer.ends[at])) return [];
    const end = endOf(placed, ask, facts, { font, beyond: glyphRoom(layer, glyphed.get(at)) });
    // In a stack, beyond a part's end lies the next part: its label stands inside it, where that is large enough.
    const wantsInside = ask.where === 'inside' || (stacked && layer.shape === 'column' && !isOnTop(facts, layer, at));
    const inside = wantsInside || !hasRoom(end) ? insideOf(placed, ask, end) : null;
    if (ask.where === 'inside' && !inside) return [];
    return [{ ask, end: inside ?? end, onColour: inside ? (layer.colours[at] ?? null) : null }];
  });
}

/** What a glyph takes between a mark and its label: none, its half on a point, or all of it above a bar. */
const glyphRoom = (layer: Layer, beyond: boolean | undefined): number =>
  beyond === undefined ? 0 : beyond || isBar(layer) ? 2 * FULL.glyph + 5 : FULL.glyph;

/** Nothing of the same stack begins where this mark ends. */
function isOnTop({ layers }: LabelFacts, layer: Layer, at: number): boolean {
  const end = layer.ends[at] as number;
  const others = layers.map(placed => placed.layer);
  const mates = others.filter(other => other !== layer && other.panel === layer.panel && other.slot === layer.slot && other.bases);
  return mates.every(other => other.bases?.[at] !== end || other.ends[at] === end || Number.isNaN(other.ends[at]));
}

function insideOf({ boxes }: PlacedLayer, ask: LabelAsk, end: BarEnd): BarEnd | null {
  if (!boxes) return null;
  const [left, top, width, height] = rectAt(boxes, 4 * ask.at);
  if (width < end.width + 4 || height < end.height + 2) return null;
  return { ...end, x: left + width / 2, y: top + height / 2 + end.height / 2 + GAP_BEYOND, direction: 'up', fixed: true };
}

/** Lying bars closer together than a line of text get smaller labels; so do upright ones closer than their labels are wide. */
function sizeFor({ pixels, layers, width }: LabelFacts): number {
  const { plan, layout } = pixels;
  const count = Math.max(1, plan.categories.length);
  const size = plan.horizontal ? Math.floor(layout.area.height / count) : widthSize();
  return Math.max(SMALLEST, Math.min(LARGEST, size));

  function widthSize(): number {
    const bars = layers.map(({ layer }) => layer).filter(isBar);
    const texts = bars.map(({ labels }) => labels.filter(({ where }) => where === 'end').map(({ text }) => text));
    // Labels here and there have room at their sides.
    if (!texts.some(({ length }) => length > count / 2)) return LARGEST;
    const widest = Math.max(...texts.flat().map(text => width(text, { size: LARGEST, weight: 650 })));
    return (LARGEST * (layout.area.width / count - SIDE)) / widest;
  }
}

/** The points of lines, where another layer's mark is labelled: no label stands on them. */
function pointsBeside({ layers }: LabelFacts): Box[] {
  return layers
    .filter(({ boxes }) => boxes === null)
    .flatMap(({ layer: line, ends }) => {
      const others = layers.filter(({ layer }) => layer !== line && layer.panel === line.panel);
      const labelled = new Set(others.flatMap(({ layer }) => layer.labels.map(label => label.at)));
      return [...labelled].flatMap((at): Box[] => {
        const [x, y] = [ends[2 * at] as number, ends[2 * at + 1] as number];
        return Number.isNaN(y + x) ? [] : [{ left: x - POINT, top: y - POINT, width: 2 * POINT, height: 2 * POINT }];
      });
    });
}

interface EndFacts {
  readonly font: Font;
  /** Room that a glyph takes between the mark and its label. */
  readonly beyond: number;
}

function endOf(placed: PlacedLayer, { at, text, where }: LabelAsk, { pixels, width }: LabelFacts, { font, beyond }: EndFacts): BarEnd {
  const { layer, ends, bases } = placed;
  const { horizontal } = pixels.plan;
  const falls = isBar(layer) ? layer.shape !== 'span' && (layer.values[at] as number) < 0 : isDip(layer, at);
  const back = (where === 'base' ? !falls : falls) !== pixels.runsBack(layer);
  const direction = horizontal ? (back ? 'left' : 'right') : back ? 'down' : 'up';
  const along = ends[2 * at + (horizontal ? 1 : 0)] as number;
  const value = where === 'base' ? (bases[at] as number) : pixels.kept(layer, ends[2 * at + (horizontal ? 0 : 1)] as number);
  const [x, y] = pixels.point(along, value);
  // A point reaches beyond its middle, a stem has a head.
  const reach = beyond || (isBar(layer) && layer.shape !== 'stem' ? 0 : 5);
  // Digits have no descenders: lines may stand as close as their heights.
  const height = horizontal ? font.size - 2 : font.size + 2;
  const side = (direction: BarEnd['direction']): Pick<BarEnd, 'x' | 'y' | 'direction'> => {
    const [across, down] = ({ up: [0, -reach], down: [0, reach], left: [-reach, 0], right: [reach, 0] } as const)[direction];
    return { x: x + across, y: y + down, direction };
  };
  const within = stretchAround(pixels, layer, value);
  const end = { ...side(direction), width: width(text, font), height, ...(within ? { within } : {}) };
  // Beside a point there is room on either side.
  return isBar(layer) ? end : { ...end, other: side(OPPOSITE[direction]) };
}

/** A point that lies below its neighbours is labelled below: above it runs the line. */
function isDip({ ends }: Layer, at: number): boolean {
  const beside = [ends[at - 1], ends[at + 1]].filter((value): value is number => value !== undefined && !Number.isNaN(value));
  return beside.length > 0 && beside.every(value => value >= (ends[at] as number)) && beside.some(value => value > (ends[at] as number));
}

/** From the value axis to the edges of the canvas: labels cover no tick and are never cut. */
function roomOf({ layout: { area, width } }: PixelScales): Box {
  return { left: area.left, top: area.top - ABOVE, width: width - 4 - area.left, height: area.height + ABOVE };
}
