import { heightOf, LINE, placeLabels, type Box, type LabelPlace, type LabelWish, type WidthAt } from 'core/label';
import type { LabelAsk, Layer } from 'core/plan';
import { isBar } from 'core/shape';
import type { InTheWay } from './in-the-way';
import { spotsOf, type SpotFacts } from './label-spots';
import { lineWishes } from './line-labels';
import { solid } from './looks';
import type { PlacedLayer, PixelScales } from './pixel-scales';
import { readableOn } from './readable-on';
import type { DroppedLabel, LabelledMark, SceneItem, TextRole, TextWidth } from './scene';

/** The weight of labels. */
const WEIGHT = 650;
// Label text in CSS pixels: as large as the marks allow, never too small to read.
const LARGEST = 13;
/** The smallest letters of a label, in CSS pixels. */
export const SMALLEST = 10;
// Between neighbouring labels.
const SIDE = 6;
// Where more labels than this are asked for, none stands away from its mark: lines that lead to hundreds tell nothing.
const MOST_LED = 24;
// Marks that share one label may have it at any of so many of them.
const MOST_TIED = 7;
// Level lines are few, and named before the marks are.
const BEFORE_ALL = -1;

/** What labels are placed with. */
export interface LabelFacts {
  readonly pixels: PixelScales;
  readonly layers: readonly PlacedLayer[];
  readonly width: TextWidth;
  readonly way: InTheWay;
  /** What no label leaves. */
  readonly room: Box;
}

/** The label of a level line: its items, and where it stands; null where it has none. */
export interface PlacedLine {
  readonly items: readonly SceneItem[];
  readonly box: Box | null;
}

/** Labels of marks and of level lines, and what found no place. */
export interface Labels {
  readonly items: readonly SceneItem[];
  readonly labelled: readonly LabelledMark[];
  /** By level line, in the order of the plan. */
  readonly lines: readonly PlacedLine[];
  readonly dropped: readonly DroppedLabel[];
}

/** A label of a mark that is wanted. */
interface Wanted {
  readonly wish: LabelWish;
  readonly ask: LabelAsk;
  readonly layer: number;
}

/** All labels of a figure, placed together: none stands on another, on a mark that is not its own, on a line, or over an edge. */
export function labelsOf(facts: LabelFacts): Labels {
  const { pixels, way, room, layers } = facts;
  const width: WidthAt = (text, size) => facts.width(text, { size, weight: WEIGHT });
  const marks = wantedOf(facts, width);
  const lines = lineWishes(pixels, width).map(wish => wish && { ...wish, priority: BEFORE_ALL });
  const asked = lines.flatMap(wish => wish ?? []);
  const places = placeLabels([...asked, ...marks.map(({ wish }) => wish)], { obstacles: way.obstacles, room, width });
  const { ground, ink } = pixels.plan.livery;
  let next = 0;
  const levelLines = pixels.plan.panels.flatMap(panel => panel.levelLines);
  const named = lines.map((wish, i): PlacedLine => {
    const place = wish ? (places[next++] ?? null) : null;
    const colour = levelLines[i]?.colour ?? ink;
    return { items: place ? itemsOf(place, 'line', { colour, on: ground }) : [], box: place?.box ?? null };
  });
  const items: SceneItem[] = [];
  const labelled: LabelledMark[] = [];
  const dropped: DroppedLabel[] = lines.flatMap((wish, i) =>
    wish && !named[i]?.box ? [{ text: wish.texts[0]?.join(' ') ?? '', why: NO_ROOM, row: -1, layer: -1 }] : [],
  );
  marks.forEach(({ ask, layer, wish }, i) => {
    const place = places[asked.length + i];
    const own = layers[layer]?.layer as Layer;
    const at = { row: own.rows[ask.at] as number, layer };
    if (!place) return void dropped.push({ text: ask.text.replace('\n', ' '), why: wish.spots.length ? NO_ROOM : NO_MARK, ...at });
    const on = isBar(own) && wish.spots[place.spot]?.on && !place.leader ? (own.colours[ask.at] as string) : ground;
    items.push(...itemsOf(place, 'label', { on, colour: on === ground ? ink : readableOn(on, pixels.plan.livery) }));
    labelled.push({ box: place.box, ...at });
  });
  return { items: [...leadersOf(places, pixels), ...items], labelled, lines: named, dropped };
}

const NO_ROOM = 'no room beside other marks and labels';
const NO_MARK = 'its mark does not show';

interface Colours {
  readonly colour: string;
  readonly on: string;
}

/** A label's lines, each a text of its own. */
function itemsOf({ box, lines, size }: LabelPlace, role: TextRole, { colour, on }: Colours): SceneItem[] {
  const middle = box.left + box.width / 2;
  return lines
    .map(text => ({ text }))
    .map(({ text }, i): SceneItem => ({
      kind: 'text',
      role,
      text,
      x: lines.length === 1 || role === 'line' ? box.left : middle,
      y: box.top + size * (0.5 + i * LINE),
      font: { size, weight: WEIGHT },
      colour,
      align: lines.length === 1 || role === 'line' ? 'left' : 'centre',
      on,
    }));
}

/** Thin lines from labels that stand away from their marks. */
function leadersOf(places: readonly (LabelPlace | null)[], { plan }: PixelScales): SceneItem[] {
  const points = places.flatMap(place => (place?.leader ? [place.leader.x1, place.leader.y1, place.leader.x2, place.leader.y2] : []));
  return points.length ? [{ kind: 'segments', points: Float64Array.from(points), stroke: solid(plan.livery.soft, 1) }] : [];
}

function wantedOf(facts: LabelFacts, width: WidthAt): Wanted[] {
  const { layers, pixels, way, room } = facts;
  const count = layers.reduce((sum, { layer }) => sum + layer.labels.length, 0);
  if (count === 0) return [];
  const size = sizeFor(facts, width);
  const spots: SpotFacts = { pixels, layers, ofLayer: way.ofLayer, room };
  return layers.flatMap(({ layer }, nth) => {
    const extreme = extremesOf(layer);
    return layer.labels.map((ask): Wanted => {
      const texts = [ask.text, ...(ask.shorter ?? [])].map(text => text.split('\n'));
      return {
        ask,
        layer: nth,
        wish: {
          texts,
          spots: spotsOfTies(nth, ask, spots),
          size,
          smallest: SMALLEST,
          priority: (ask.rank ?? 0) + extreme(ask.at),
          steps: true,
          leads: count <= MOST_LED,
          pinned: false,
        },
      };
    });
  });
}

/** Marks that share a label may have it at any of them: the middle one first, then to both sides. */
function spotsOfTies(nth: number, ask: LabelAsk, facts: SpotFacts) {
  const { ties } = ask;
  if (!ties) return spotsOf(nth, ask, facts);
  const step = Math.max(1, Math.floor(ties.length / MOST_TIED));
  const some = ties.filter((_, i) => i % step === 0 && ties[i] !== ask.at);
  const near = some.sort((a, b) => Math.abs(a - ask.at) - Math.abs(b - ask.at) || a - b);
  return [ask.at, ...near].flatMap(at => spotsOf(nth, { ...ask, at }, facts));
}

/** How near a value lies to the middle of its layer's labelled ones: 0 for the highest and the lowest, below 1 for all others. */
function extremesOf({ labels, values }: Layer): (at: number) => number {
  let [low, high] = [Infinity, -Infinity];
  for (const { at } of labels) {
    const value = values[at] as number;
    if (value < low) low = value;
    if (value > high) high = value;
  }
  const [middle, half] = [(low + high) / 2, (high - low) / 2];
  return at => (half > 0 && Number.isFinite(half) ? 0.99 * (1 - Math.abs((values[at] as number) - middle) / half || 0) : 0);
}

/** Lying bars closer together than a line of text get smaller labels; so do upright ones closer than their labels are wide. */
function sizeFor({ pixels, layers }: LabelFacts, width: WidthAt): number {
  const { plan, layout } = pixels;
  const count = Math.max(1, plan.categories.length);
  const bars = layers.map(({ layer }) => layer).filter(isBar);
  const size = plan.horizontal ? Math.floor(layout.area.height / count / Math.max(1, bars[0]?.slots ?? 1)) : widthSize();
  return Math.max(SMALLEST, Math.min(LARGEST, Math.floor(size)));

  function widthSize(): number {
    const texts = bars.map(({ labels }) => labels.filter(({ where }) => where === 'end').map(({ text }) => text));
    // Labels here and there have room at their sides.
    if (!texts.some(({ length }) => length > count / 2)) return LARGEST;
    let widest = 1;
    for (const list of texts) for (const text of list) widest = Math.max(widest, width(text, LARGEST));
    return (LARGEST * (layout.area.width / count - SIDE)) / widest;
  }
}

/** From the value axis to the edges of the canvas: labels cover no tick and are never cut. */
export function labelRoom({ layout: { area, width, head } }: PixelScales): Box {
  const above = Math.max(head ? head.top + head.words.height : 0, area.top - heightOf(1, LARGEST) - 5);
  const top = Math.min(area.top, above);
  return { left: area.left, top, width: width - 4 - area.left, height: area.top + area.height - top };
}
