import { kindOf, readPen, typedNumber, type Cue } from 'core/cue';
import type { FigureData, Helper, LayerShape, Measure, Order } from 'core/frame';
import type { TableWords } from './brief';
import { firstFigure } from './first-figure';
import { readHelperScope } from './helper-sentence';
import { defaultTitle, partsOfMeasure, ROWS, simpleMeasure } from './measure-names';
import type { Figure, Mark, Scales } from './schema';
import { readOrder, readStep } from './shape-options';

type Change = Partial<Omit<Figure, 'id'>>;

/** What choosing `value` for a token of the brief changes in the figure. Throws on a token the brief does not have. */
export function changeFigure(figure: Figure, token: string, value: string, tables: readonly TableWords[]): Change {
  const { data, shape, scales, words } = figure;
  const [key = '', place] = token.split(':');
  const at = Number(place ?? 0);
  switch (key) {
    case 'table':
      return changeTable(figure, value, tables);
    case 'measure':
      return value === '' ? withoutMeasure(figure, at) : changeMeasure(figure, at, partsOf(data, at)?.summary ?? 'sum', value);
    case 'summary':
      return changeMeasure(figure, at, value, partsOf(data, at)?.column ?? ROWS);
    case 'layer':
      return changeMeasures(data, at, measure => ({ ...measure, shape: value === 'same' ? null : (value as LayerShape) }));
    case 'pen':
      return changeMeasures(data, at, measure => ({ ...measure, pen: readPen(measure.pen, value) }));
    case 'helper-pen':
      return changeHelpers(data, at, helper => ({ ...helper, pen: readPen(helper.pen, value) }));
    case 'format':
      return changeMeasures(data, at, measure => ({ ...measure, format: value || null }));
    case 'helper-scope':
      return changeHelpers(data, at, helper => ({ ...helper, scope: readHelperScope(value) }));
    case 'helper-shape':
      return changeHelpers(data, at, helper => ({ ...helper, shape: value ? (value as LayerShape) : null }));
    case 'helper-format':
      return changeHelpers(data, at, helper => ({ ...helper, format: value || null }));
    case 'category':
      return changeCategory(figure, value, tables);
    case 'step':
      return { data: { ...data, step: readStep(value), ...(value ? { order: { by: 'category', descending: false } as const } : {}) } };
    case 'bin':
      return { data: { ...data, step: { kind: 'bin', width: value === 'auto' ? null : Number(value) } } };
    case 'series':
      return { data: { ...data, series: value || null, panel: data.panel === value ? null : data.panel } };
    case 'panel':
      return value.startsWith('column:')
        ? { data: { ...data, panel: value.slice('column:'.length) }, shape: { ...shape, panels: 'one' } }
        : { data: { ...data, panel: null }, shape: { ...shape, panels: value as 'one' } };
    case 'order':
      return { data: { ...data, order: readOrder(value, data) } };
    case 'hand':
      return { data: { ...data, order: { by: 'hand', keys: JSON.parse(value) as (string | null)[] } } };
    case 'mark':
      return { shape: { ...shape, mark: value as Mark } };
    case 'arrange':
    case 'proportion':
      return { shape: { ...shape, [key]: value } };
    case 'measure-axis':
      return changeMeasures(data, at, measure => ({ ...measure, axis: value as 'first' }));
    case 'helper-axis':
      return changeHelpers(data, at, helper => ({ ...helper, axis: value as 'first' }));
    case 'axis':
      return { scales: { ...scales, axes: changeAxis(scales.axes, place as 'first', token.split(':')[2] ?? '', value) } };
    case 'between':
      return { scales: { ...scales, between: value as 'free' } };
    case 'unit':
      return { scales: { ...scales, unit: value } };
    case 'decimals':
      return { scales: { ...scales, decimals: value === 'auto' ? null : Number(value) } };
    case 'gridlines':
      return { scales: { ...scales, gridlines: value === 'true' } };
    case 'title':
    case 'subtitle':
      return { words: { ...words, [key]: value } };
    default:
      throw new RangeError(`the brief has no token ${token}`);
  }
}

/** One setting of one value axis; an empty bound fits the data. */
function changeAxis(axes: Scales['axes'], which: 'first' | 'second', setting: string, value: string): Scales['axes'] {
  const bound = value === 'fitting' ? null : typedNumber(value);
  const changed = {
    zero: { zero: value as 'auto' },
    low: { low: bound },
    high: { high: bound },
    numbers: { numbers: value === 'true' },
  }[setting];
  if (!changed) throw new RangeError(`an axis has no ${setting}`);
  return { ...axes, [which]: { ...axes[which], ...changed } };
}

const firstMeasure = (data: FigureData): Measure => data.measures[0] as Measure;
const partsOf = (data: FigureData, at: number): ReturnType<typeof partsOfMeasure> =>
  partsOfMeasure(data.measures[at] ?? firstMeasure(data));

const changeMeasures = (data: FigureData, at: number, change: (measure: Measure) => Measure): Change => ({
  data: { ...data, measures: data.measures.map((measure, i) => (i === at ? change(measure) : measure)) },
});

const changeHelpers = (data: FigureData, at: number, change: (helper: Helper) => Helper): Change => ({
  data: { ...data, helpers: data.helpers.map((helper, i) => (i === at ? change(helper) : helper)) },
});

/** A measure gives way to another; order, cues and the words that spoke of it speak of the new one. */
function changeMeasure(figure: Figure, at: number, summary: string, column: string): Change {
  const { data } = figure;
  const old = data.measures[at] as Measure;
  const wasRows = partsOfMeasure(old)?.column === ROWS;
  const next = {
    ...simpleMeasure(wasRows && summary === 'count' ? 'sum' : summary, column, namesBeside(data, data.category, at)),
    shape: old.shape,
    axis: old.axis,
    format: old.format,
    ...(old.pen ? { pen: old.pen } : {}),
  };
  return { ...replaceMeasure(figure, at, next, data.category), ...(at === 0 ? { scales: { ...figure.scales, unit: null } } : {}) };
}

/** Another formula or name for a measure; everything that named the old one follows. */
export const replaceMeasure = (figure: Figure, at: number, next: Measure, category = figure.data.category): Change => {
  const { data, words } = figure;
  const old = data.measures[at]?.name ?? '';
  // A name or title that still is the given one follows the figure; one that the analyst wrote stays.
  const given = defaultTitle(firstMeasure(data).name, data.category);
  const first = at === 0 ? next.name : firstMeasure(data).name;
  const follows = (text: string): string => (text === given ? defaultTitle(first, category) : text);
  return {
    name: follows(figure.name),
    data: {
      ...data,
      category,
      measures: data.measures.map((measure, i) => (i === at ? next : measure)),
      order: followed(data.order, old, next.name),
    },
    cues: figure.cues.map(cue => follow(cue, old, next.name)),
    words: { ...words, title: follows(words.title) },
  };
};

function withoutMeasure(figure: Figure, at: number): Change {
  const { data } = figure;
  const gone = data.measures[at]?.name ?? '';
  const first = data.measures.filter((_, i) => i !== at)[0] as Measure;
  return {
    data: { ...data, measures: data.measures.filter((_, i) => i !== at), order: followed(data.order, gone, first.name) },
    cues: figure.cues.map(cue => follow(cue, gone, first.name)),
  };
}

/** Columns chosen at once become measures side by side; those that are there already stay as they are. */
export function addColumns({ data }: Figure, columns: readonly string[]): Change {
  const summary = partsOfMeasure(firstMeasure(data))?.summary ?? 'sum';
  const there = new Set(data.measures.map(measure => partsOfMeasure(measure)?.column));
  const taken = [data.category, ...data.measures.map(measure => measure.name), ...data.helpers.map(helper => helper.name)];
  const added = columns.filter(column => !there.has(column)).map(column => simpleMeasure(summary, column, taken));
  return { data: { ...data, measures: [...data.measures, ...added] } };
}

/** A measure whose name the new category takes is named anew; a formula of the analyst's own stays as it is. */
function changeCategory(figure: Figure, category: string, tables: readonly TableWords[]): Change {
  const { data } = figure;
  const measure = firstMeasure(data);
  const parts = partsOfMeasure(measure);
  const next = parts
    ? {
        ...simpleMeasure(parts.summary, parts.column, namesBeside(data, category, 0)),
        shape: measure.shape,
        axis: measure.axis,
        format: measure.format,
      }
    : measure;
  const changed = replaceMeasure(figure, 0, next, category).data as FigureData;
  const type = tables.find(table => table.id === data.table)?.columns.find(column => column.name === category)?.type;
  const order: Order =
    type === 'date' || type === 'timestamp'
      ? { by: 'category', descending: false }
      : changed.order.by === 'hand'
        ? { by: 'table' }
        : changed.order;
  const free = (name: string | null): string | null => (name === category ? null : name);
  return {
    ...replaceMeasure(figure, 0, next, category),
    data: { ...changed, step: null, order, series: free(data.series), panel: free(data.panel) },
  };
}

const namesBeside = (data: FigureData, category: string, at: number): string[] => [
  category,
  ...data.measures.filter((_, i) => i !== at).map(measure => measure.name),
  ...data.helpers.map(helper => helper.name),
];

const followed = (order: Order, from: string, to: string): Order =>
  order.by === 'measure' && order.measure === from ? { ...order, measure: to } : order;

const follow = (cue: Cue, from: string, to: string): Cue => kindOf(cue).renamed(cue, from, to);

function changeTable(figure: Figure, table: string, tables: readonly TableWords[]): Change {
  const words = tables.find(item => item.id === table);
  if (!words || table === figure.data.table) return {};
  const { id: _id, name: _name, ...fresh } = firstFigure(figure.id, words);
  return { ...fresh, shape: figure.shape, view: figure.view };
}
