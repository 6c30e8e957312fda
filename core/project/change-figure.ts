import { kindOf, type Cue } from 'core/cue';
import type { FigureData, Measure, Order } from 'core/frame';
import type { TableWords } from './brief';
import { firstFigure } from './first-figure';
import { defaultTitle, partsOfMeasure, ROWS, simpleMeasure } from './measure-names';
import type { Figure } from './schema';

type Change = Partial<Omit<Figure, 'id'>>;

/** What choosing `value` for a token of the brief changes in the figure. Throws on a token the brief does not have. */
export function changeFigure(figure: Figure, token: string, value: string, tables: readonly TableWords[]): Change {
  const { data, shape, scales, words } = figure;
  switch (token) {
    case 'table':
      return changeTable(figure, value, tables);
    case 'measure':
      return changeMeasure(figure, partsOfMeasure(firstMeasure(data))?.summary ?? 'sum', value);
    case 'summary':
      return changeMeasure(figure, value, partsOfMeasure(firstMeasure(data))?.column ?? ROWS);
    case 'category':
      return changeCategory(figure, value);
    case 'order':
      return { data: { ...data, order: readOrder(value, firstMeasure(data).name) } };
    case 'mark':
    case 'proportion':
      return { shape: { ...shape, [token]: value } };
    case 'unit':
      return { scales: { ...scales, unit: value } };
    case 'decimals':
      return { scales: { ...scales, decimals: value === 'auto' ? null : Number(value) } };
    case 'gridlines':
      return { scales: { ...scales, gridlines: value === 'true' } };
    case 'title':
    case 'subtitle':
      return { words: { ...words, [token]: value } };
    default:
      throw new RangeError(`the brief has no token ${token}`);
  }
}

const firstMeasure = (data: FigureData): Measure => data.measures[0] as Measure;

function readOrder(value: string, measure: string): Order {
  const [by, direction] = value.split(':');
  if (by === 'table') return { by };
  const descending = direction === 'desc';
  return by === 'category' ? { by, descending } : { by: 'measure', measure, descending };
}

/** The first measure gives way to another; order, cues and the words that spoke of it speak of the new one. */
function changeMeasure(figure: Figure, summary: string, column: string): Change {
  const wasRows = partsOfMeasure(firstMeasure(figure.data))?.column === ROWS;
  const next = simpleMeasure(wasRows && summary === 'count' ? 'sum' : summary, column, namesBeside(figure.data, figure.data.category));
  return { ...withMeasure(figure, next, figure.data.category), scales: { ...figure.scales, unit: null } };
}

/** A measure whose name the new category takes is named anew; a formula of the analyst's own stays as it is. */
function changeCategory(figure: Figure, category: string): Change {
  const measure = firstMeasure(figure.data);
  const parts = partsOfMeasure(measure);
  return withMeasure(figure, parts ? simpleMeasure(parts.summary, parts.column, namesBeside(figure.data, category)) : measure, category);
}

const namesBeside = (data: FigureData, category: string): string[] => [category, ...data.measures.slice(1).map(measure => measure.name)];

function withMeasure(figure: Figure, next: Measure, category: string): Change {
  const { data, words } = figure;
  const old = firstMeasure(data).name;
  // A name or title that still is the given one follows the figure; one that the analyst wrote stays.
  const given = defaultTitle(old, data.category);
  const follows = (text: string): string => (text === given ? defaultTitle(next.name, category) : text);
  return {
    name: follows(figure.name),
    data: { ...data, category, measures: [next, ...data.measures.slice(1)], order: followed(data.order, old, next.name) },
    cues: figure.cues.map(cue => follow(cue, old, next.name)),
    words: { ...words, title: follows(words.title) },
  };
}

const followed = (order: Order, from: string, to: string): Order =>
  order.by === 'measure' && order.measure === from ? { ...order, measure: to } : order;

const follow = (cue: Cue, from: string, to: string): Cue => (cue.measure === from ? kindOf(cue).change(cue, 'measure', to) : cue);

function changeTable(figure: Figure, table: string, tables: readonly TableWords[]): Change {
  const words = tables.find(item => item.id === table);
  if (!words || table === figure.data.table) return {};
  const { id: _id, name: _name, ...fresh } = firstFigure(figure.id, words);
  return { ...fresh, shape: figure.shape, view: figure.view };
}
