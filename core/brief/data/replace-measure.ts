import { kindOf, type Cue } from 'core/cue';
import { withAxis, type AxisChoice, type Figure, type Scales } from 'core/document';
import { renameNames } from 'core/formula';
import { partsOfMeasure, ROWS, simpleMeasure, type FigureData, type Helper, type Measure, type Order } from 'core/frame';
import { AXIS_NAMES } from '../axes/axis-place';
import { firstMeasure } from './columns';
import type { Change } from '../setting';

/** Gives a measure another formula or name; order, cues and helper columns that refer to it are adjusted. */
export function replaceMeasure(figure: Figure, at: number, next: Measure, category = figure.data.category): Change {
  const { data } = figure;
  const old = data.measures[at]?.name ?? '';
  return {
    data: {
      ...data,
      category,
      measures: data.measures.map((measure, i) => (i === at ? next : measure)),
      helpers: data.helpers.map(helper => followHelper(helper, old, next.name)),
      order: followed(data.order, old, next.name),
      whatIfs:
        data.measures[at]?.formula === next.formula
          ? data.whatIfs.map(item => (item.measure === old ? { ...item, measure: next.name } : item))
          : data.whatIfs,
    },
    cues: figure.cues.map(cue => follow(cue, old, next.name)),
    scales: followScales(figure.scales, old, next.name),
  };
}

/** Gives a measure another summary or column; shape and format stay. */
export function changeMeasure(figure: Figure, at: number, summary: string, column: string): Change {
  const { data } = figure;
  const old = data.measures[at] ?? firstMeasure(figure);
  const wasRows = partsOfMeasure(old)?.column === ROWS;
  const next = {
    ...simpleMeasure(wasRows && summary === 'count' ? 'sum' : summary, column, namesBeside(data, data.category, at)),
    ...drawnAs(old),
    ...(old.pen ? { pen: old.pen } : {}),
  };
  const changed = replaceMeasure(figure, at, next);
  return at === 0 ? { ...changed, scales: { ...(changed.scales ?? figure.scales), unit: null } } : changed;
}

/** The figure without a measure; what referred to it refers to the first that remains. */
export function withoutMeasure(figure: Figure, at: number): Change {
  const { data } = figure;
  const gone = data.measures[at]?.name ?? '';
  const measures = data.measures.filter((_, i) => i !== at);
  const first = measures[0]?.name ?? '';
  return {
    data: { ...data, measures, order: followed(data.order, gone, first) },
    cues: figure.cues.map(cue => follow(cue, gone, first)),
    scales: followScales(figure.scales, gone, first),
  };
}

/** Adds columns as measures; those already measured are unchanged. */
export function addColumns(figure: Figure, columns: readonly string[]): Change {
  const { data } = figure;
  const summary = partsOfMeasure(firstMeasure(figure))?.summary ?? 'sum';
  const there = new Set(data.measures.map(measure => partsOfMeasure(measure)?.column));
  const taken = [data.category, ...data.measures.map(measure => measure.name), ...data.helpers.map(helper => helper.name)];
  const added = columns.filter(column => !there.has(column)).map(column => simpleMeasure(summary, column, taken));
  return { data: { ...data, measures: [...data.measures, ...added] } };
}

/** Changes the category. A measure with the same name is renamed; a formula by the analyst stays. */
export function changeCategory(figure: Figure, category: string, isOrdered: boolean): Change {
  const { data } = figure;
  const measure = firstMeasure(figure);
  const parts = partsOfMeasure(measure);
  const next = parts ? { ...simpleMeasure(parts.summary, parts.column, namesBeside(data, category, 0)), ...drawnAs(measure) } : measure;
  const replaced = replaceMeasure(figure, 0, next, category);
  const changed = replaced.data ?? data;
  const free = (name: string | null): string | null => (name === category ? null : name);
  return {
    ...replaced,
    data: { ...changed, step: null, order: orderBy(changed.order, isOrdered), series: free(data.series), panel: free(data.panel) },
  };
}

/** The order for a new category: ascending for dates, years and numbers. An order by hand named the old values and is dropped. */
function orderBy(order: Order, isOrdered: boolean): Order {
  if (isOrdered) return { by: 'category', descending: false };
  return order.by === 'hand' ? { by: 'table' } : order;
}

const drawnAs = ({ shape, axis, format }: Measure): Pick<Measure, 'shape' | 'axis' | 'format'> => ({ shape, axis, format });

const namesBeside = (data: FigureData, category: string, at: number): string[] => [
  category,
  ...data.measures.filter((_, i) => i !== at).map(measure => measure.name),
  ...data.helpers.map(helper => helper.name),
];

/** A helper column by hand that refers to the new measure instead of the old one. */
export function followHelper(helper: Helper, from: string, to: string): Helper {
  if (from === to) return helper;
  const follows = (name: string): string => (name === from ? to : name);
  const { scope } = helper;
  const formula = renameNames(helper.formula, new Map([[from, to]]));
  if (scope.kind === 'within') return { ...helper, formula, scope: { ...scope, columns: scope.columns.map(follows) } };
  if (scope.kind === 'along')
    return { ...helper, formula, scope: { ...scope, column: follows(scope.column), within: scope.within.map(follows) } };
  return { ...helper, formula };
}

/** The order by a measure under its new name. */
export function followed(order: Order, from: string, to: string): Order {
  if (order.by === 'measure') return order.measure === from ? { ...order, measure: to } : order;
  return 'was' in order && order.was?.measure === from ? { ...order, was: { ...order.was, measure: to } } : order;
}

/** Formulas for ends of axes, with the measure's new name. */
export function followScales(scales: Scales, from: string, to: string): Scales {
  const named = (end: AxisChoice['low']): AxisChoice['low'] => (typeof end === 'string' ? renameNames(end, new Map([[from, to]])) : end);
  return AXIS_NAMES.reduce((all, name) => {
    const { low, high } = all.axes[name];
    return typeof low === 'string' || typeof high === 'string' ? withAxis(all, name, { low: named(low), high: named(high) }) : all;
  }, scales);
}

/** A cue with the measure's new name. */
export const follow = (cue: Cue, from: string, to: string): Cue => kindOf(cue).renamed(cue, from, to);
