import { shorterTexts } from 'core/format';
import { LINE, placeLabels, type Box, type LabelPlace, type LabelWish, type WidthAt } from 'core/label';
import type { LabelAsk, Layer } from 'core/plan';
import { isBar } from 'core/shape';
import { nameWishes } from '../axes/beside-names';
import type { InTheWay } from './in-the-way';
import { pinnedSpot, spotsOf, type SpotFacts } from './label-spots';
import { lineWishes } from './line-labels';
import { solid } from '../marks/looks';
import type { PlacedLayer, PixelScales } from '../pixel-scales';
import { readableOn } from './readable-on';
import { sizesOf } from '../head/type-sizes';
import type { DroppedLabel, LabelledMark, MarkAt, SceneItem, TextRole, TextWidth, WrittenName } from '../scene';
import { seriesNames, type SeriesName } from './series-names';

/** Font weight of labels. */
const WEIGHT = 650;
/** Smallest letters of a label, in CSS pixels. */
export const SMALLEST = 10;
// Between neighbouring labels.
const SIDE = 6;
// Where more labels than this are asked for, none stands away from its mark: lines that lead to hundreds tell nothing.
const MOST_LED = 24;
// Marks that share one label may have it at any of so many of them.
const MOST_TIED = 7;
// Around a label above the plot, and between a label and the edge of the canvas; in CSS pixels.
const [ABOVE, EDGE] = [6, 4];
// Level lines are few, and named before the marks are.
const BEFORE_ALL = -1;

/** Inputs of label placement. */
export interface LabelFacts {
  readonly pixels: PixelScales;
  readonly layers: readonly PlacedLayer[];
  readonly width: TextWidth;
  readonly way: InTheWay;
  /** The area that labels must stay inside. */
  readonly room: Box;
}

/** The label of a level line: its items, and its box; null where it has none. */
export interface PlacedLine {
  readonly items: readonly SceneItem[];
  readonly box: Box | null;
}

/** Labels of marks and of level lines, and those left out. */
export interface Labels {
  readonly items: readonly SceneItem[];
  readonly labelled: readonly LabelledMark[];
  /** For each level line, in the order of the plan. */
  readonly lines: readonly PlacedLine[];
  /** Names of categories placed at their bars. */
  readonly named: readonly WrittenName[];
  /** Names of series placed at their marks, one per series. */
  readonly series: ReadonlyMap<string, Box>;
  readonly dropped: readonly DroppedLabel[];
}

/** A label of a mark before placement. */
interface Wanted {
  readonly wish: LabelWish;
  readonly ask: LabelAsk;
  readonly layer: number;
}

/** A label before placement, and what happens once it has a position or none. */
interface Asked {
  readonly wish: LabelWish;
  readonly role: TextRole;
  /** Its colour, and the colour behind it. */
  readonly colours: (place: LabelPlace) => Colours;
  readonly mark: MarkAt;
}

/** Places all labels of a figure together: none overlaps another, a mark that is not its own, a line, or an edge. */
export function labelsOf(facts: LabelFacts): Labels {
  const { pixels, way, room, layers } = facts;
  const width: WidthAt = (text, size, weight) => facts.width(text, { size, weight });
  const names = nameWishes(pixels, layers, width).map(wish => askedName(wish, pixels));
  const lines = linesAsked(pixels, width);
  const series = seriesNames(pixels, layers, way.ofLayer).map(item => askedSeries(item, facts));
  const marks = wantedOf(facts, width).map(item => askedMark(item, facts));
  const asked = [...names, ...lines.filter(line => line !== null), ...series, ...marks];
  const places = placeLabels(
    asked.map(({ wish }) => wish),
    { obstacles: way.obstacles, room, width },
  );
  // In the order in which they were asked for; hundreds of marks, so nothing is looked up.
  let next = 0;
  const inTurn = (some: readonly Asked[]): WithPlace[] => some.map(item => ({ item, place: places[next++] ?? null }));
  const placedNames = inTurn(names);
  const placedLines = lines.map(line => (line ? inTurn([line])[0] : undefined));
  const [placedSeries, placedMarks] = [inTurn(series), inTurn(marks)];
  return {
    items: [...leadersOf(places, pixels), ...written(placedNames), ...written(placedSeries), ...written(placedMarks)],
    labelled: placedMarks.flatMap(({ item, place }) => (place ? [{ box: place.box, ...item.mark }] : [])),
    lines: placedLines.map(line => ({ items: line ? written([line]) : [], box: line?.place?.box ?? null })),
    series: new Map(
      placedSeries
        .flatMap(({ item, place }) => (place ? [[item.wish.lines.join(' '), place.box] as const] : []))
        // Of several places of one name the first counts.
        .reverse(),
    ),
    named: placedNames.flatMap(({ place }, at) => (place ? [{ at, box: place.box }] : [])),
    dropped: asked.flatMap(({ wish, mark }, i) =>
      places[i] ? [] : [{ text: wish.lines.join(' '), why: wish.spots.length ? NO_ROOM : NO_MARK, row: mark.row, layer: mark.layer }],
    ),
  };
}

/** A label with its position. */
interface WithPlace {
  readonly item: Asked;
  readonly place: LabelPlace | null;
}

const written = (some: readonly WithPlace[]): SceneItem[] =>
  some.flatMap(({ item, place }) => (place ? itemsOf(place, item.role, item.colours(place)) : []));

const NO_ONE: MarkAt = { row: -1, layer: -1 };

const askedName = (wish: LabelWish, { plan: { livery } }: PixelScales): Asked => ({
  wish,
  role: 'category',
  colours: () => ({ colour: livery.ink, on: livery.ground }),
  mark: NO_ONE,
});

/** For each level line; null for one without a label. */
function linesAsked(pixels: PixelScales, width: WidthAt): (Asked | null)[] {
  const { livery, panels } = pixels.plan;
  const levelLines = panels.flatMap(panel => panel.levelLines);
  return lineWishes(pixels, width).map(
    (wish, i): Asked | null =>
      wish && {
        wish: { ...wish, priority: BEFORE_ALL },
        role: 'line',
        colours: () => ({ colour: levelLines[i]?.colour ?? livery.ink, on: livery.ground }),
        mark: NO_ONE,
      },
  );
}

function askedSeries({ wish, layer }: SeriesName, { layers, pixels }: LabelFacts): Asked {
  const { livery } = pixels.plan;
  const { colour } = layers[layer]?.layer as Layer;
  const inside = (place: LabelPlace): boolean => wish.spots[place.spot]?.on !== undefined && !place.leader;
  return {
    wish,
    role: 'legend',
    colours: place => (inside(place) ? { on: colour, colour: readableOn(colour, livery) } : { on: livery.ground, colour }),
    mark: NO_ONE,
  };
}

function askedMark({ wish, ask, layer }: Wanted, { layers, pixels }: LabelFacts): Asked {
  const { livery } = pixels.plan;
  const own = layers[layer]?.layer as Layer;
  return {
    wish,
    role: 'label',
    colours(place) {
      const on = isBar(own) && wish.spots[place.spot]?.on && !place.leader ? (own.colours[ask.at] as string) : livery.ground;
      return { on, colour: on === livery.ground ? livery.ink : readableOn(on, livery) };
    },
    mark: { row: own.rows[ask.at] as number, layer },
  };
}

const NO_ROOM = 'no room beside other marks and labels';
const NO_MARK = 'its mark does not show';

interface Colours {
  readonly colour: string;
  readonly on: string;
}

/** The lines of a label, each an item. */
function itemsOf({ box, lines, size, weight }: LabelPlace, role: TextRole, { colour, on }: Colours): SceneItem[] {
  const middle = box.left + box.width / 2;
  return lines.map((text, i): SceneItem => ({
    kind: 'text',
    role,
    text,
    x: lines.length === 1 || role === 'line' ? box.left : middle,
    y: box.top + size * (0.5 + i * LINE),
    font: { size, weight },
    colour,
    align: lines.length === 1 || role === 'line' ? 'left' : 'centre',
    on,
  }));
}

/** Thin lines from labels that are away from their marks. */
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
      return {
        ask,
        layer: nth,
        wish: {
          lines: ask.text.split('\n'),
          shorter: shorterOf(ask),
          spots: ask.pin ? pinnedSpot(nth, ask, spots) : spotsOfTies(nth, ask, spots),
          size,
          smallest: SMALLEST,
          weight: WEIGHT,
          priority: (ask.rank ?? 0) + extreme(ask.at),
          steps: true,
          leads: count <= MOST_LED,
          pinned: ask.pin !== undefined,
        },
      };
    });
  });
}

const nothing = (): readonly string[][] => [];

/** Shorter forms of a number, each in one line. */
function shorterOf({ number }: LabelAsk): LabelWish['shorter'] {
  return number ? () => shorterTexts(number.value, number.style).map(text => [number.before + text]) : nothing;
}

/** Candidate positions of a shared label: at the middle one of its marks first, then outwards. */
function spotsOfTies(nth: number, ask: LabelAsk, facts: SpotFacts) {
  const { ties } = ask;
  if (!ties) return spotsOf(nth, ask, facts);
  const step = Math.max(1, Math.floor(ties.length / MOST_TIED));
  const some = ties.filter((_, i) => i % step === 0 && ties[i] !== ask.at);
  const near = some.sort((a, b) => Math.abs(a - ask.at) - Math.abs(b - ask.at) || a - b);
  return [ask.at, ...near].flatMap(at => spotsOf(nth, { ...ask, at }, facts));
}

/** Priority among a layer's labels: 0 for the highest and lowest value, nearer to 1 towards the middle. */
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

/**
 * The largest letter size that the marks allow, never too small to read: bars closer together than a line of text, or than labels are wide, get
 * smaller labels.
 */
function sizeFor({ pixels, layers }: LabelFacts, width: WidthAt): number {
  const { plan, layout } = pixels;
  const { label: largest } = sizesOf(plan.livery);
  const count = Math.max(1, plan.categories.length);
  const bars = layers.map(({ layer }) => layer).filter(isBar);
  const size = plan.horizontal ? Math.floor(layout.area.height / count / Math.max(1, bars[0]?.slots ?? 1)) : widthSize();
  return Math.max(SMALLEST, Math.min(largest, Math.floor(size)));

  function widthSize(): number {
    const texts = bars.map(({ labels }) => labels.filter(({ where }) => where === 'end').map(({ text }) => text));
    // Labels here and there have room at their sides.
    if (!texts.some(({ length }) => length > count / 2)) return largest;
    let widest = 1;
    for (const list of texts) for (const text of list) widest = Math.max(widest, width(text, largest, WEIGHT));
    return (largest * (layout.area.width / count - SIDE)) / widest;
  }
}

/** The area for labels: from the value axis to the edges of the canvas, and a line above the plot, so that labels cover no tick and are never cut. */
export function labelRoom({ plan, layout: { area, width, names } }: PixelScales): Box {
  const top = Math.max(0, area.top - sizesOf(plan.livery).label - ABOVE);
  // Names that do not stand at the axis leave their room to all.
  const left = plan.horizontal && plan.along.beside !== 'axis' ? EDGE : area.left;
  const below = !plan.horizontal && plan.along.beside !== 'axis' ? (names?.room ?? 0) : 0;
  return { left, top, width: width - EDGE - left, height: area.top + area.height + below - top };
}
