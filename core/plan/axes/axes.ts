import type { AxisChoice, Figure, Scales } from 'core/document';
import { powerText } from 'core/format';
import { hasEvenTicks, makeScale, powerAt, scaleTimes, zerosAligned, type ValueScale, type ZeroChoice } from 'core/scale';
import { shapeOf } from 'core/shape';
import { numberIn } from './bounds';
import type { AxisPlan, BandPlan, Layer, LevelLine, PanelAxes } from '../plan';
import type { ValueWriter } from 'core/words';

/** Inputs for fitting value axes. */
export interface AxesRequest {
  readonly figure: Figure;
  readonly titles: readonly string[];
  readonly layers: readonly Layer[];
  readonly lines: readonly LevelLine[];
  readonly bands: readonly BandPlan[];
  readonly write: ValueWriter;
  /** Layers with labels at their marks, which need room beyond the marks. */
  readonly labelled: boolean;
}

// Room beyond the tallest bar for a value written at its end, as a share of the axis.
const LABEL_HEADROOM = 0.1;
// In a low panel full room for labels would leave none for what they speak of.
const MOST_HEADROOM = 0.4;

/** The value axes of every panel, fitted around what is read at them. Cost: a scale that panels share is made once. */
export function axesOf(request: AxesRequest): PanelAxes[] {
  const shared = new Map<number, Shared>();
  return request.titles.map((title, panel) => {
    const held = heldWith(request.figure, panel, request.titles.length);
    const here = within(request, item => item.panel === panel);
    // Panels of one measure are compared with each other: they share their scales unless the analyst says otherwise.
    let scales = held === null ? undefined : shared.get(held);
    if (!scales) {
      scales = sharedIn(
        held === null ? here : within(request, item => heldWith(request.figure, item.panel, request.titles.length) === held),
      );
      if (held !== null) shared.set(held, scales);
    }
    const { places, of, second } = scales;
    return { title, axes: places.map((axis, i) => axisPlan(here, axis, of[i] as ValueScale, second)) };
  });
}

/** The drawn values and places that axes depend on, without colours. Arrays are compared by identity, so unchanged axes stay the same objects. */
export const readAtAxes = ({ layers, lines, bands }: Pick<AxesRequest, 'layers' | 'lines' | 'bands'>): unknown[] => [
  ...layers.flatMap(({ ends, bases, axis, panel, shape, measure, as, name }) => [ends, bases, axis, panel, shape, measure, as, name]),
  'lines',
  ...lines.flatMap(({ values, axis, panel }) => [values, axis, panel]),
  'bands',
  ...bands.flatMap(({ low, high, axis, panel }) => [low, high, axis, panel]),
];

/** The axes of panels that are held to one scale. */
interface Shared {
  readonly second: boolean;
  readonly places: readonly number[];
  readonly of: readonly ValueScale[];
}

function sharedIn(seen: AxesRequest): Shared {
  const second = [...seen.layers, ...seen.lines, ...seen.bands].some(item => item.axis === 1);
  const places = second ? [0, 1] : [0];
  return { second, places, of: scalesOf(seen, places) };
}

function within(request: AxesRequest, keeps: (item: { readonly panel: number }) => boolean): AxesRequest {
  return { ...request, layers: request.layers.filter(keeps), lines: request.lines.filter(keeps), bands: request.bands.filter(keeps) };
}

/** The group that a panel shares its scale with: the number of its row or column in the grid, one number for all, or null for a scale of its own. */
function heldWith(figure: Figure, panel: number, count: number): number | null {
  if (figure.data.panel === null || figure.scales.panels === 'free') return null;
  if (figure.scales.panels === 'matched') return 0;
  const columns = gridColumns(figure, count) ?? count;
  return figure.scales.panels === 'rows' ? Math.floor(panel / columns) : panel % columns;
}

/** How many panels stand beside each other: as chosen; where rows or columns of them share a scale, as many as make a square grid. */
export function gridColumns({ shape, scales, data }: Figure, count: number): number | null {
  if (shape.columns !== null) return shape.columns;
  const isHeld = data.panel !== null && (scales.panels === 'rows' || scales.panels === 'columns');
  return isHeld ? Math.ceil(Math.sqrt(count)) : null;
}

/** Whether the panels of a figure show values of one column and share a scale, all of them or some. */
export const sharesPanels = ({ data, scales }: Figure): boolean => data.panel !== null && scales.panels !== 'free';

interface Ends {
  readonly low: number | null;
  readonly high: number | null;
}

/** The settings that an axis follows. Of two axes that are held together, the second follows the first, and each takes the other's bounds. */
function choiceOf({ figure }: AxesRequest, axes: readonly number[]): Omit<AxisChoice, 'zero' | 'low' | 'high'> & Ends {
  const [first, second = first] = axes.map(axis => figure.scales.axes[nameOf(axis)]) as [AxisChoice, AxisChoice?];
  return {
    ...first,
    low: numberIn(first.low ?? second.low),
    high: numberIn(first.high ?? second.high),
    ceiling: first.ceiling ?? second.ceiling,
    floor: first.floor ?? second.floor,
  };
}

const nameOf = (axis: number): 'first' | 'second' => (axis === 0 ? 'first' : 'second');

/**
 * The scale of an axis. Zero is included for bars and areas, which are read by their length; lines, points and spans fit their data. `tie`: factor
 * from values of the second axis to the first.
 */
function scaleOf(request: AxesRequest, axes: readonly number[], tie = 1): ValueScale {
  const { layers, lines, bands, figure, titles, labelled } = request;
  const reads = ({ axis }: { readonly axis: number }): boolean => axes.includes(axis);
  const counted = ({ axis }: { readonly axis: number }, list: Float64Array): Float64Array =>
    tie === 1 || axis === 0 ? list : list.map(value => value / tie);
  const own = layers.filter(reads);
  const choice = choiceOf(request, axes);
  const lists = [
    ...own.flatMap(layer =>
      (layer.bases && (shapeOf(layer).base === 'own' || own.length > 1) ? [layer.ends, layer.bases] : [layer.ends]).map(list =>
        counted(layer, list),
      ),
    ),
    ...lines.filter(reads).map(line => counted(line, line.values)),
    ...bands.filter(reads).flatMap(band => [counted(band, band.low), counted(band, band.high)]),
  ];
  const lengths = own.some(layer => shapeOf(layer).byLength);
  const full = figure.shape.arrange === 'full' && lengths;
  // A panel of lines needs room on both sides.
  const share = titles.length === 1 ? 1 : titles.length * (lengths ? 1.5 : 1.8);
  const { headroom, step } = choice;
  return makeScale(choice.scale, lists.length === 1 ? (lists[0] as Float64Array) : concatenated(lists), {
    ...choice,
    lengths,
    step: step?.as === 'by' ? step.amount : null,
    ...(step?.as === 'count' ? { steps: step.amount } : {}),
    headroom: headroom?.as === 'share' ? headroom.amount : labelled ? Math.min(MOST_HEADROOM, LABEL_HEADROOM * share) : 0,
    headroomBy: headroom?.as === 'value' ? headroom.amount : null,
    zero: zeroOf(
      axes.map(axis => figure.scales.axes[nameOf(axis)].zero),
      lengths,
    ),
    high: full ? (choice.high ?? 1) : choice.high,
    // Shares of a whole would no longer add up.
    breaks: full ? [] : choice.breaks,
  });
}

/** Whether zero belongs to the axis: bars and areas are read from zero. Of two axes held together, one that needs zero is enough. */
function zeroOf(choices: readonly ('auto' | 'kept' | 'out')[], lengths: boolean): ZeroChoice {
  if (choices.includes('kept') || (lengths && choices.includes('auto'))) return 'kept';
  return choices.every(choice => choice === 'out') ? 'out' : 'free';
}

type Held = (request: AxesRequest, places: readonly number[]) => readonly ValueScale[];

const free: Held = (request, places) => places.map(axis => scaleOf(request, [axis]));

/** The ways in which two value axes can be held together. */
const holds: { readonly [B in Scales['between']]: Held } = {
  free,
  matched(request, places) {
    const both = scaleOf(request, places);
    return places.map(() => both);
  },
  tied(request, places) {
    const { tie } = request.figure.scales;
    const first = scaleOf(request, places, tie);
    return [first, scaleTimes(first, tie)];
  },
  zeros(request, places) {
    const { first, second } = request.figure.scales.axes;
    const [one, other] = free(request, places) as [ValueScale, ValueScale];
    const by = ({ step }: AxisChoice): number | null => (step?.as === 'by' ? step.amount : null);
    return zerosAligned(one, other, [by(first), by(second)]);
  },
};

/** The scales of one value axis, or of two, independent or held together. */
const scalesOf = (request: AxesRequest, places: readonly number[]): readonly ValueScale[] =>
  (places.length > 1 ? holds[request.figure.scales.between] : free)(request, places);

/** The title of an axis with its unit. Words by hand may leave the unit out, but never the power, without which the numbers would be wrong. */
function titleOf(read: string, counts: string, isAlone: boolean): string {
  if (!read) return isAlone ? counts : '';
  return counts && !read.includes(counts) ? `${read} (${counts})` : read;
}

function axisPlan({ layers, figure, write }: AxesRequest, axis: number, scale: ValueScale, second: boolean): AxisPlan {
  const own = layers.filter(layer => layer.axis === axis);
  const measure = own[0]?.measure ?? figure.data.measures[0]?.name ?? '';
  // Numbers of an axis are those of what is read there first.
  const as = own[0]?.as ?? undefined;
  const names = [...new Set(own.map(layer => layer.name))];
  const unit = as === undefined ? write.unit(measure) : undefined;
  const { numbers, reversed, written, power, title } = figure.scales.axes[nameOf(axis)];
  const factor = power === null ? 1 : 10 ** power;
  const ticks = factor === 1 ? scale.ticks : scale.ticks.map(tick => tick / factor);
  const writeTick = write.ticks(measure, ticks, as ?? null, hasEvenTicks(scale));
  const plain = (value: number): string => writeTick(value / factor);
  const texts = { plain, unit: (value: number) => `${plain(value)}${unit ? ` ${unit}` : ''}`, powers: inPowers(scale, plain) };
  const counts = [power === null ? '' : `×${powerText(10, power)}`, unit ?? ''].filter(Boolean).join(' ');
  const read = title ?? (second ? names.slice(0, 2).join(', ') : '');
  return {
    scale,
    tickLabels: scale.ticks.map(texts[written]),
    title: titleOf(read, title === null || power !== null ? counts : '', power !== null),
    numbers,
    reversed,
    side: (axis === 0) === (figure.scales.side === 'near') ? 'near' : 'far',
  };
}

/** A tick as a power of the scale's base where it is one; any other tick as a plain number. */
const inPowers =
  (scale: ValueScale, plain: (value: number) => string) =>
  (value: number): string => {
    const power = powerAt(scale, Math.abs(value));
    return power ? `${value < 0 ? '−' : ''}${powerText(power.base, power.exponent)}` : plain(value);
  };

function concatenated(lists: readonly Float64Array[]): Float64Array {
  const out = new Float64Array(lists.reduce((sum, list) => sum + list.length, 0));
  let at = 0;
  for (const list of lists) {
    out.set(list, at);
    at += list.length;
  }
  return out;
}
