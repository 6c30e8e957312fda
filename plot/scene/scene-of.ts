import { grown } from 'core/label';
import type { ChartPlan } from 'core/plan';
import { levelIn } from 'core/table';
import { numberItems } from './axes/axis-numbers';
import { axisTitles } from './axes/axis-titles';
import { bandItems } from './marks/bands';
import { barCuts, breakSigns, groundStrips, isArea } from './axes/breaks';
import { decluttered } from './labels/declutter';
import { edgeSigns } from './axes/edge-signs';
import { footItems } from './head/figure-foot';
import { headItems } from './head/figure-head';
import { baseLines, gridLines } from './axes/grid-lines';
import { glyphItems } from './marks/glyphs';
import { inTheWay } from './labels/in-the-way';
import { labelRoom, labelsOf, type Labels } from './labels/labels';
import type { PlotLayout } from './layout';
import { levelItems } from './marks/level-lines';
import { FULL, type Sizes } from './marks/looks';
import type { Marks } from './marks/mark-maker';
import { marksOf } from './marks/marks';
import { minorLines } from './axes/minor-lines';
import { writtenNames, nameItems } from './axes/name-items';
import { partsOf } from './parts';
import { PixelScales, type PlacedLayer } from './pixel-scales';
import type { LineHandle, Scene, SceneGroup, SceneItem, ScenePart, Target, TextWidth } from './scene';
import { sideItems } from './legend/side-legend';

// Points at the edge of the plot are not cut; what lies far outside the axis does not show.
const SLACK = 8;
// Labels keep so far from other words, in CSS pixels to their sides and above and below.
const BESIDE_WORDS = [2, 1] as const;
const BASE_LINES = 'base lines';

/**
 * Every mark, line, band, glyph and label of a plan in pixels, and what can be pointed at. Pure: the same plan, layout and text widths give the same
 * scene, with or without a screen. Cost: O(marks), and for each label its neighbours.
 */
export function sceneOf(plan: ChartPlan, layout: PlotLayout, width: TextWidth, sizes: Sizes = FULL): Scene {
  const pixels = new PixelScales(plan, layout);
  const layers = plan.panels.flatMap(panel => panel.layers).map(layer => pixels.placed(layer));
  const drawn = groupsOf(pixels, layers, sizes);
  const words = sizes.words ? wordsOf(pixels, layers, width, drawn) : NO_WORDS;
  let parts: readonly ScenePart[] | undefined;
  return {
    width: layout.width,
    height: layout.height,
    ground: plan.livery.ground,
    ink: plan.livery.ink,
    family: plan.livery.font,
    pictures: plan.pictures,
    groups: [...drawn, ...words.groups].filter(({ items }) => items.length > 0),
    area: layout.area,
    horizontal: plan.horizontal,
    first: layout.first,
    perCategory: layout.perCategory,
    count: plan.categories.length,
    places: plan.along.places,
    named: sizes.words ? [...writtenNames(pixels), ...words.labels.named] : [],
    targets: layers.map(placed => targetOf(placed, pixels)),
    handles: handlesOf(pixels),
    labelled: words.labels.labelled,
    dropped: words.labels.dropped,
    // Only who points at them asks: a picture does not.
    get parts() {
      return (parts ??= sizes.words ? partsOf(pixels, words.labels, width) : []);
    },
  };
}

/** Everything except words, in the order of drawing. */
function groupsOf(pixels: PixelScales, layers: readonly PlacedLayer[], sizes: Sizes): SceneGroup[] {
  const { plan, layout } = pixels;
  const facts = { pixels, sizes };
  const marks = layers.map(placed => marksOf(placed, facts));
  const room = {
    left: layout.area.left - SLACK,
    top: layout.area.top - SLACK,
    width: layout.area.width + 2 * SLACK,
    height: layout.area.height + 2 * SLACK,
  };
  // Clipping costs as much as a line does: only where something leaves the plot.
  const depth = (name: keyof Marks): SceneGroup => {
    const items = marks.flatMap(item => item[name] ?? []);
    return { name, clip: items.some(item => leaves(item, room)) ? room : null, items };
  };
  const broken = plan.panels.some((_, panel) => [0, 1].some(axis => pixels.breaksOf(panel, axis).length > 0));
  const cut = (items: () => SceneItem[]): SceneItem[] => (broken ? items() : []);
  return [
    { name: 'gridlines', clip: null, items: sizes.words ? gridLines(pixels) : [] },
    { name: BASE_LINES, clip: null, items: sizes.words ? baseLines(pixels) : [] },
    { name: 'minor lines', clip: null, items: minorLines(pixels) },
    { name: 'bands', clip: layout.area, items: plan.panels.flatMap(panel => panel.bands).flatMap(band => bandItems(band, pixels)) },
    {
      name: 'breaks of bands',
      clip: null,
      items: cut(() => groundStrips(pixels, (panel, axis) => plan.panels[panel]?.bands.some(band => band.axis === axis) ?? false)),
    },
    depth('areas'),
    {
      name: 'breaks of areas',
      clip: null,
      items: cut(() =>
        groundStrips(pixels, (panel, axis) => layers.some(item => isArea(item) && item.layer.panel === panel && item.layer.axis === axis)),
      ),
    },
    { name: 'break signs', clip: null, items: cut(() => (sizes.words ? breakSigns(pixels) : [])) },
    { ...depth('bars'), clip: null },
    { name: 'breaks of bars', clip: null, items: cut(() => layers.flatMap(placed => barCuts(placed, pixels))) },
    depth('lines'),
    depth('points'),
    {
      name: 'level lines',
      clip: null,
      items: plan.panels.flatMap(panel => panel.levelLines).flatMap(line => levelItems(line, pixels, sizes)),
    },
    { name: 'glyphs', clip: null, items: layers.flatMap(placed => glyphItems(placed, facts)) },
    { name: 'beyond', clip: null, items: sizes.words ? layers.flatMap(placed => edgeSigns(placed, pixels)) : [] },
  ];
}

interface Words {
  readonly groups: readonly SceneGroup[];
  readonly labels: Labels;
}

const NO_WORDS: Words = { groups: [], labels: { items: [], labelled: [], lines: [], named: [], series: new Map(), dropped: [] } };

/** All words: first those with fixed positions, then the labels around them. */
function wordsOf(pixels: PixelScales, layers: readonly PlacedLayer[], width: TextWidth, drawn: readonly SceneGroup[]): Words {
  const { plan, layout } = pixels;
  const all: SceneGroup[] = [
    { name: 'names', clip: null, items: nameItems(pixels, width) },
    { name: 'axis numbers', clip: null, items: numberItems(pixels, width) },
    { name: 'axis titles', clip: null, items: axisTitles(pixels, width) },
    {
      name: 'head',
      clip: null,
      items: [
        ...(layout.head ? headItems(layout.head.words, plan, layout.head.left, layout.head.top) : []),
        ...(layout.side ? sideItems(layout.side, plan) : []),
        ...(layout.foot ? footItems(layout.foot, plan) : []),
      ],
    },
  ];
  const { groups: fixed, boxes, dropped } = decluttered(all, layout, width);
  const asked =
    plan.panels.some(
      ({ layers: own, levelLines }) => own.some(layer => layer.labels.length > 0 || layer.isNamed) || levelLines.some(line => line.label),
    ) || plan.along.beside !== 'axis';
  if (!asked) return { groups: fixed, labels: { ...NO_WORDS.labels, dropped } };
  const way = inTheWay(pixels, layers, {
    baseLines: drawn.flatMap(({ name, items }) => (name === BASE_LINES ? items : [])),
    items: drawn.flatMap(({ name, items }) => items.filter(item => isInTheWay(name, item))),
    words: boxes.map(box => grown(box, ...BESIDE_WORDS)),
  });
  const labels = labelsOf({ pixels, layers, width, way, room: labelRoom(pixels) });
  const lines = labels.lines.flatMap(({ items }) => items);
  return {
    groups: [...fixed, { name: 'labels', clip: null, items: [...labels.items, ...lines] }],
    labels: { ...labels, dropped: [...labels.dropped, ...dropped] },
  };
}

/**
 * Whether an item is an obstacle for labels here. Bars and the lines that they begin at are added separately; hairlines behind all marks are none.
 */
const isInTheWay = (group: string, { kind }: SceneItem): boolean =>
  group !== 'gridlines' &&
  group !== BASE_LINES &&
  group !== 'minor lines' &&
  !group.endsWith('of bands') &&
  !group.endsWith('of areas') &&
  !(group === 'bars' && kind === 'rects');

/** Whether any point of an item is outside a box. */
function leaves(item: SceneItem, { left, top, width, height }: { left: number; top: number; width: number; height: number }): boolean {
  if (item.kind !== 'path' && item.kind !== 'dots') return false;
  const { points } = item;
  for (let i = 0; i < points.length; i += 2) {
    const [x, y] = [points[i] as number, points[i + 1] as number];
    if (x < left || x > left + width || y < top || y > top + height) return true;
  }
  return false;
}

const targetOf = ({ layer, ends, bases, boxes }: PlacedLayer, pixels: PixelScales): Target => ({
  rows: layer.rows,
  ends,
  bases,
  boxes,
  reach: pixels.reach(layer.panel),
});

/** Draggable handles: lines and band edges at one level that belong to a number of their cue, and ends of breaks. */
function handlesOf(pixels: PixelScales): LineHandle[] {
  const { panels } = pixels.plan;
  const lines = panels.flatMap(panel => panel.levelLines);
  const edges = panels
    .flatMap(panel => panel.bands)
    .flatMap(({ panel, axis, low, high, dragLow, dragHigh }) => [
      { panel, axis, values: low, drag: dragLow },
      { panel, axis, values: high, drag: dragHigh },
    ]);
  const breaks = panels.flatMap((_, panel) =>
    [0, 1].flatMap(axis =>
      pixels.breaksOf(panel, axis).flatMap(({ low, high }, nth): LineHandle[] => {
        const edge = (end: 'from' | 'to', at: number): LineHandle => ({
          target: { axis: axis === 0 ? 'first' : 'second', nth, end },
          panel,
          axis,
          at,
        });
        return [edge('from', low), edge('to', high)];
      }),
    ),
  );
  const levels = [...lines, ...edges].flatMap(({ panel, axis, values, drag }): LineHandle[] => {
    const level = levelIn(values);
    return drag && typeof level === 'number' ? [{ target: drag, panel, axis, at: pixels.value(panel, axis, level) }] : [];
  });
  return [...levels, ...breaks];
}
