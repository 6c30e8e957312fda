import type { Chart, Plugin } from 'chart.js';
import { GAP_BEYOND, placeBarLabels, type BarEnd, type Box } from 'core/label';
import type { LabelAsk, Layer, Plan } from 'core/plan';
import { titleBoxes } from './axis-titles';
import { Geometry, isBar } from './geometry';
import { haloText, writeLevelLabels } from './level-labels';
import { GLYPH } from './glyph-painter';

// Label text in CSS pixels: as large as the bars allow, never too small to read.
const LARGEST = 13;
const SMALLEST = 10;
// Between neighbouring labels.
const SIDE = GAP_BEYOND + 1;
// Half the room of a line's point.
const POINT = 5;

/** Writes the labels that a plan asks for at the ends of their marks, never cut off by the edge. */
export const barLabels = (planNow: () => Plan): Plugin<'bar'> => ({
  id: 'barLabels',
  afterDatasetsDraw(chart) {
    const { ctx } = chart;
    const plan = planNow();
    ctx.save();
    const size = sizeFor(chart, plan);
    ctx.font = fontOf(size, plan);
    ctx.textAlign = 'left';
    ctx.textBaseline = 'middle';
    const geometry = new Geometry(chart, plan);
    // All layers of the drawing together, so that no label stands on another's.
    const wanted = plan.layers.flatMap(layer => wantedOf(chart, layer, plan, geometry, size));
    const titles = titleBoxes(chart, plan);
    const boxes = placeBarLabels(
      wanted.map(({ end }) => end),
      roomOf(chart),
      [...titles, ...pointsBeside(plan, geometry)],
    );
    // Lines may run behind a label.
    const crossed = plan.lines.length > 0 || plan.layers.some(layer => !isBar(layer));
    boxes.forEach((box, at) => {
      const { ask, onColour } = wanted[at] as Wanted;
      const [x, y] = [box.left, box.top + box.height / 2];
      if (onColour === null && crossed) haloText(ctx, ask.text, x, y, plan.livery.ground);
      ctx.fillStyle = onColour === null ? plan.livery.ink : readableOn(onColour, plan.livery);
      ctx.fillText(ask.text, x, y);
    });
    writeLevelLabels(chart, plan, geometry, [...titles, ...boxes]);
    ctx.restore();
  },
});

const OPPOSITE = { up: 'down', down: 'up', left: 'right', right: 'left' } as const;

/** A label with its place; `onColour` is the colour it stands on when that is a bar. */
interface Wanted {
  readonly ask: LabelAsk;
  readonly end: BarEnd;
  readonly onColour: string | null;
}

function wantedOf(chart: Chart, layer: Layer, plan: Plan, geometry: Geometry, size: number): Wanted[] {
  const glyphed = new Map(layer.glyphs.map(({ at, beyond }) => [at, beyond]));
  const stacked = layer.bases !== null && layer.shape !== 'span';
  return layer.labels.flatMap(({ at, ...rest }): Wanted[] => {
    const ask = { at, ...rest };
    if (Number.isNaN(layer.ends[at])) return [];
    const end = endOf(chart, layer, ask, { plan, geometry, size, beyond: glyphRoom(layer, glyphed.get(at)) });
    // In a stack, beyond a part's end lies the next part: its label stands inside it, where that is large enough.
    const wantsInside = ask.where === 'inside' || (stacked && layer.shape === 'column' && !isOnTop(plan, layer, at));
    const inside = wantsInside ? insideOf(layer, ask, end, geometry) : null;
    if (ask.where === 'inside' && !inside) return [];
    return [{ ask, end: inside ?? end, onColour: inside ? (layer.colours[at] ?? null) : null }];
  });
}

/** What a glyph takes between a mark and its label: none, its half on a point, or all of it above a bar. */
const glyphRoom = (layer: Layer, beyond: boolean | undefined): number =>
  beyond === undefined ? 0 : beyond || isBar(layer) ? 2 * GLYPH + 5 : GLYPH;

/** Nothing of the same stack begins where this mark ends. */
function isOnTop({ layers }: Plan, layer: Layer, at: number): boolean {
  const end = layer.ends[at] as number;
  const mates = layers.filter(other => other !== layer && other.panel === layer.panel && other.slot === layer.slot && other.bases);
  return mates.every(other => other.bases?.[at] !== end || other.ends[at] === end || Number.isNaN(other.ends[at]));
}

function insideOf(layer: Layer, ask: LabelAsk, end: BarEnd, geometry: Geometry): BarEnd | null {
  const [left, top, width, height] = geometry.box(layer, ask.at);
  if (width < end.width + 4 || height < end.height + 2) return null;
  return { ...end, x: left + width / 2, y: top + height / 2 + end.height / 2 + GAP_BEYOND, direction: 'up', fixed: true };
}

/** Ink or ground, whichever is further from a colour in lightness. */
function readableOn(colour: string, { ink, ground }: Plan['livery']): string {
  const light = (hex: string): number =>
    [1, 3, 5].reduce((sum, at, i) => sum + parseInt(hex.slice(at, at + 2), 16) * ([0.3, 0.59, 0.11][i] as number), 0);
  return Math.abs(light(colour) - light(ink)) >= Math.abs(light(colour) - light(ground)) ? ink : ground;
}

const fontOf = (size: number, { livery }: Plan): string => `650 ${size}px ${livery.font}`;

/** Lying bars closer together than a line of text get smaller labels; so do upright ones closer than their labels are wide. */
function sizeFor({ chartArea, ctx }: Chart, plan: Plan): number {
  const count = Math.max(1, plan.categories.length);
  const size = plan.lying ? Math.floor((chartArea.bottom - chartArea.top) / count) : widthSize();
  return Math.max(SMALLEST, Math.min(LARGEST, size));

  function widthSize(): number {
    const texts = plan.layers.filter(isBar).map(({ labels }) => labels.filter(({ where }) => where === 'end').map(({ text }) => text));
    // Labels here and there have room at their sides.
    if (!texts.some(({ length }) => length > count / 2)) return LARGEST;
    ctx.font = fontOf(LARGEST, plan);
    const widest = Math.max(...texts.flat().map(text => ctx.measureText(text).width));
    return (LARGEST * ((chartArea.right - chartArea.left) / count - SIDE)) / widest;
  }
}

/** The points of lines, where another layer's mark is labelled: no label stands on them. */
function pointsBeside({ layers }: Plan, geometry: Geometry): Box[] {
  return layers
    .filter(line => !isBar(line))
    .flatMap(line => {
      const others = layers.filter(other => other !== line && other.panel === line.panel);
      const at = new Set(others.flatMap(other => other.labels.map(label => label.at)));
      return [...at].flatMap((at): Box[] => {
        const { x, y } = geometry.end(line, at, line.ends[at]);
        return Number.isNaN(y + x) ? [] : [{ left: x - POINT, top: y - POINT, width: 2 * POINT, height: 2 * POINT }];
      });
    });
}

interface EndFacts {
  readonly plan: Plan;
  readonly geometry: Geometry;
  readonly size: number;
  /** Room that a glyph takes between the mark and its label. */
  readonly beyond: number;
}

function endOf(chart: Chart, layer: Layer, { at, text, where }: LabelAsk, { plan: { lying }, geometry, size, beyond }: EndFacts): BarEnd {
  const falls = isBar(layer) ? layer.shape !== 'span' && (layer.values[at] as number) < 0 : isDip(layer, at);
  const back = where === 'base' ? !falls : falls;
  const direction = lying ? (back ? 'left' : 'right') : back ? 'down' : 'up';
  const value = where === 'base' ? (layer.bases?.[at] as number) : (layer.ends[at] as number);
  const { x, y } = geometry.end(layer, at, value);
  // A point reaches beyond its middle, a stem has a head.
  const reach = beyond || (isBar(layer) && layer.shape !== 'stem' ? 0 : 5);
  // Digits have no descenders: lines may stand as close as their heights.
  const height = lying ? size - 2 : size + 2;
  const side = (direction: BarEnd['direction']): Pick<BarEnd, 'x' | 'y' | 'direction'> => {
    const [across, down] = { up: [0, -reach], down: [0, reach], left: [-reach, 0], right: [reach, 0] }[direction] as [number, number];
    return { x: x + across, y: y + down, direction };
  };
  const end = { ...side(direction), width: chart.ctx.measureText(text).width, height };
  // Beside a point there is room on either side.
  return isBar(layer) ? end : { ...end, other: side(OPPOSITE[direction]) };
}

/** A point that lies below its neighbours is labelled below: above it runs the line. */
function isDip({ ends }: Layer, at: number): boolean {
  const beside = [ends[at - 1], ends[at + 1]].filter((value): value is number => value !== undefined && !Number.isNaN(value));
  return beside.length > 0 && beside.every(value => value >= (ends[at] as number)) && beside.some(value => value > (ends[at] as number));
}

/** From the value axis to the edges of the canvas: labels cover no tick and are never cut. */
function roomOf({ chartArea, width }: Chart): Box {
  return {
    left: chartArea.left,
    top: chartArea.top - LARGEST,
    width: width - 4 - chartArea.left,
    height: chartArea.bottom - chartArea.top + LARGEST,
  };
}
