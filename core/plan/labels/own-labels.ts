import { treatmentsOf } from 'core/cue';
import { type Labels } from 'core/document';
import { shapeOf } from 'core/shape';
import { compileFormula, Evaluator, scopeOf } from 'core/formula';
import { categoryAt } from 'core/frame';
import { textAt } from 'core/table';
import { withHelpers } from './label-text';
import { says, type Said } from './label-says';
import type { LabelAsk, LabelWhere, Layer } from '../plan';
import type { LayoutRequest } from '../requests';

/**
 * The layers with the labels that the figure's own settings ask for, beside those of its cues, at the chosen places. Cost: O(marks) where any are
 * asked for.
 */
export function withOwnLabels(layers: readonly Layer[], request: LayoutRequest): Layer[] {
  const { labels } = request.figure;
  const asked = labels.what === 'cued' ? layers : labels.what === 'none' ? layers.map(bare) : withAsked(layers, request);
  return asked.map(layer => dressed(layer, request));
}

const bare = (layer: Layer): Layer => (layer.labels.length ? { ...layer, labels: [] } : layer);

// The figure's own labels give way to those of cues.
const OWN_RANK = 1_000;

function withAsked(layers: readonly Layer[], request: LayoutRequest): Layer[] {
  const { labels } = request.figure;
  const keeps = choosers[labels.what](request);
  if (labels.of === 'totals') return withTotals(layers, request, keeps);
  const wholes = wholesOf(layers);
  return layers.map((layer, i) => {
    if (!isMeasured(layer, request)) return layer;
    const said = says[labels.says]({ request, layer, wholes: wholes[i] as Float64Array });
    const taken = new Set(layer.labels.map(({ at }) => at));
    const own = chosen(layer, keeps(layer), labels).flatMap(at => (taken.has(at) ? [] : askAt(at, layer, said, labels)));
    return own.length ? { ...layer, labels: [...layer.labels, ...own].sort((a, b) => a.at - b.at) } : layer;
  });
}

/** Whether a layer shows a measure: its own marks, or marks that a cue draws instead. What a cue draws in addition is labelled by the cue. */
const isMeasured = ({ cue, measure }: Layer, { applied }: LayoutRequest): boolean =>
  cue === null || treatmentsOf(applied, 'instead').some(({ item, from }) => from.cue.id === cue && item.measure === measure);

function askAt(at: number, { values, rows }: Layer, { text, numbers }: Said, { missing }: Labels): LabelAsk[] {
  if (Number.isNaN(values[at])) return missing ? [{ at, text: '–', where: 'end', rank: OWN_RANK }] : [];
  const words = text(at);
  const value = numbers?.data[rows[at] as number];
  const number = numbers && value !== undefined ? { number: { before: '', value, style: numbers.style } } : {};
  return words ? [{ at, text: words, where: 'end', rank: OWN_RANK, ...number }] : [];
}

/** Items to label. A part of a stack that is zero, or a missing value, has no mark to label. */
function chosen(layer: Layer, keeps: (at: number) => boolean, { zeros, missing }: Labels): number[] {
  const stacked = layer.bases !== null;
  return Array.from(layer.values.keys()).filter(at => {
    const value = layer.values[at] as number;
    if (Number.isNaN(value)) return missing && keeps(at);
    return (zeros || !stacked || value !== 0) && keeps(at);
  });
}

type Keeps = (layer: Layer) => (at: number) => boolean;

/** Which items each choice of the setting labels. */
const choosers: { readonly [W in Labels['what']]: (request: LayoutRequest) => Keeps } = {
  cued: () => () => () => false,
  none: () => () => () => false,
  all: () => () => () => true,
  ends: () => layer => {
    const first = layer.values.findIndex(value => value === value);
    const last = layer.values.findLastIndex(value => value === value);
    return at => at === first || at === last;
  },
  nth:
    ({ figure: { labels } }) =>
    () =>
    at =>
      at % labels.every === 0,
  where(request) {
    const rows = rowsWhere(request);
    return layer => at => rows.has(layer.rows[at] as number);
  },
};

/** Rows of the frame for which the figure's formula is true; empty while the formula has a fault. */
function rowsWhere(request: LayoutRequest): ReadonlySet<number> {
  const table = withHelpers(request.frame.table, request.applied);
  const compiled = compileFormula(request.figure.labels.where, scopeOf(table));
  if (!compiled.ok) return new Set();
  const values = new Evaluator(table).values(compiled.value);
  const holds = (row: number): boolean => (values.type === 'boolean' ? values.data[row] === 1 : textAt(values, row) === 'true');
  return new Set(Array.from({ length: table.rowCount }, (_, row) => row).filter(holds));
}

/** For each item of a layer the total at its place: of the stack, or, for marks that are not stacked, of the category. */
function wholesOf(layers: readonly Layer[]): Float64Array[] {
  const keyOf = ({ panel, slot, axis, bases, measure }: Layer): string => [panel, axis, bases ? `stack ${slot}` : measure].join();
  const wholes = new Map<string, Float64Array>();
  for (const layer of layers) {
    const whole = wholes.get(keyOf(layer)) ?? new Float64Array(layer.values.length);
    layer.values.forEach((value, at) => {
      if (value === value) whole[at] = (whole[at] as number) + Math.abs(value);
    });
    wholes.set(keyOf(layer), whole);
  }
  return layers.map(layer => wholes.get(keyOf(layer)) as Float64Array);
}

/** One label for each stack, beyond its topmost part: the total of its parts. */
function withTotals(layers: readonly Layer[], request: LayoutRequest, keeps: Keeps): Layer[] {
  const { labels } = request.figure;
  const stacks = new Map<string, number[]>();
  layers.forEach(({ bases, panel, slot, axis }, i) => {
    const key = [panel, axis, slot].join();
    if (bases) stacks.set(key, [...(stacks.get(key) ?? []), i]);
  });
  const out = [...layers];
  for (const members of stacks.values()) {
    const parts = members.map(i => layers[i] as Layer);
    const whole = totalOf(parts);
    const said = says[labels.says === 'part' ? 'value' : labels.says]({
      request: withColumn(request, whole),
      layer: whole,
      wholes: whole.values,
    });
    const keep = keeps(whole);
    whole.values.forEach((value, at) => {
      if (Number.isNaN(value) || !keep(at)) return;
      const top = topAt(parts, at);
      const i = members[top] as number;
      const layer = out[i] as Layer;
      const ask = askAt(at, whole, said, labels);
      out[i] = { ...layer, labels: [...layer.labels.filter(item => item.at !== at || item.where !== 'end'), ...ask] };
    });
  }
  return out;
}

// What the total of a stack is called among the columns of the frame.
const TOTAL = 'total of the stack';

/** A layer of the sums of some parts, so that labels can speak of totals. */
function totalOf(parts: readonly Layer[]): Layer {
  const [first] = parts as [Layer];
  const values = Float64Array.from(first.values, (_, at) => {
    const there = parts.map(({ values: own }) => own[at] as number).filter(value => !Number.isNaN(value));
    return there.length ? there.reduce((sum, value) => sum + value, 0) : NaN;
  });
  return { ...first, values, ends: values, bases: null, name: TOTAL, labels: [] };
}

/** The part whose end is furthest from zero on the side of the total. */
function topAt(parts: readonly Layer[], at: number): number {
  let top = 0;
  parts.forEach(({ ends, values }, i) => {
    const best = parts[top]?.ends[at] as number;
    if (Number.isNaN(best) || (values[at] !== 0 && (ends[at] as number) > best)) top = i;
  });
  return top;
}

/** The request with the layer's values in the column of its measure, so that label texts speak of the totals. */
function withColumn(request: LayoutRequest, { measure, values, rows }: Layer): LayoutRequest {
  const { frame } = request;
  const data = new Float64Array(frame.table.rowCount).fill(NaN);
  rows.forEach((row, at) => {
    if (row !== -1) data[row] = values[at] as number;
  });
  const columns = frame.table.columns.map(column => (column.name === measure && column.type === 'number' ? { ...column, data } : column));
  return { ...request, applied: [], frame: { ...frame, table: { ...frame.table, columns } } };
}

const WHERE: { readonly [P in Exclude<Labels['place'], 'auto'>]: LabelWhere } = {
  outside: 'end',
  end: 'inside end',
  middle: 'inside',
  base: 'inside base',
  above: 'above',
  below: 'below',
  left: 'left',
  right: 'right',
};

/** Labels at the places that the figure's settings say, and labels pinned by hand. */
function dressed(layer: Layer, { figure: { labels }, frame }: LayoutRequest): Layer {
  const { place, offset, pins, zeros } = labels;
  const stacked = layer.bases !== null && shapeOf(layer).base === 'zero';
  const some = zeros || !stacked ? layer.labels : layer.labels.filter(({ at, where }) => layer.values[at] !== 0 || where === 'end');
  if (place === 'auto' && offset.amount === 0 && pins.length === 0)
    return some.length === layer.labels.length ? layer : { ...layer, labels: some };
  const own = pins.filter(pin => pin.measure === layer.measure && (pin.series === null || pin.series === layer.name));
  const pinAt = (at: number) => {
    const name = categoryAt(frame, layer.rows[at] as number);
    return own.find(pin => pin.category === name);
  };
  const asks = some.map((ask): LabelAsk => {
    const pin = own.length ? pinAt(ask.at) : undefined;
    return {
      ...ask,
      where: place === 'auto' || shapeOf(layer).base === 'own' ? ask.where : WHERE[place],
      ...(offset.amount ? { offset } : {}),
      ...(pin ? { pin: { across: pin.across, down: pin.down } } : {}),
    };
  });
  return { ...layer, labels: asks };
}
