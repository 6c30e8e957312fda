import type { FigureData, Order, Step } from 'core/frame';
import type { Option } from 'core/sentence';
import type { ColumnType } from 'core/table';
import type { ColumnWords } from './brief';
import type { Figure } from './schema';

export const MARK_OPTIONS: readonly Option[] = [
  { value: 'column', label: 'columns' },
  { value: 'bar', label: 'lying bars' },
  { value: 'stem', label: 'stems with heads' },
  { value: 'lying-stem', label: 'lying stems with heads' },
  { value: 'line', label: 'a line' },
  { value: 'step', label: 'a stepped line' },
  { value: 'area', label: 'an area' },
  { value: 'step-area', label: 'a stepped area' },
  { value: 'points', label: 'points' },
];

/** Shapes of one measure among several. */
export const LAYER_OPTIONS: readonly Option[] = [
  { value: 'same', label: 'like the figure' },
  { value: 'column', label: 'in columns' },
  { value: 'stem', label: 'as stems with heads' },
  { value: 'line', label: 'as a line' },
  { value: 'step', label: 'as a stepped line' },
  { value: 'area', label: 'as an area' },
  { value: 'step-area', label: 'as a stepped area' },
  { value: 'points', label: 'as points' },
  { value: 'none', label: 'in the ledger only' },
];

const GRAINS: readonly Option[] = [
  { value: '', label: 'value by value' },
  { value: 'day', label: 'day by day' },
  { value: 'week', label: 'week by week' },
  { value: 'month', label: 'month by month' },
  { value: 'quarter', label: 'quarter by quarter' },
  { value: 'year', label: 'year by year' },
];

const BINS: readonly Option[] = [
  { value: '', label: 'value by value' },
  { value: 'bin', label: 'in bins' },
];

/** Steps that make sense for a category of a type; none for text. */
export function stepOptions(type: ColumnType | undefined): readonly Option[] {
  if (type === 'date' || type === 'timestamp') return GRAINS;
  return type === 'number' ? BINS : [];
}

export const stepValue = (step: Step): string => (step === null ? '' : step.kind === 'grain' ? step.grain : 'bin');

export function readStep(value: string): Step {
  if (value === '') return null;
  return value === 'bin' ? { kind: 'bin', width: null } : { kind: 'grain', grain: value as 'day' };
}

const WIDTHS = ['0.1', '0.5', '1', '2', '5', '10', '20', '50', '100', '200', '500', '1000', '5000', '10000'];

export function binOptions(width: number | null): Option[] {
  const own = width === null || WIDTHS.includes(String(width)) ? [] : [String(width)];
  return [{ value: 'auto', label: 'of a fitting width' }, ...[...own, ...WIDTHS].map(value => ({ value, label: `of ${value}` }))];
}

/** The first measure is "largest first"; others, and helper columns, are named. */
export function orderOptions(data: FigureData): Option[] {
  const names = [...data.measures.map(measure => measure.name), ...data.helpers.map(helper => helper.name)];
  const bySize = names.flatMap((name, i): Option[] => [
    { value: i === 0 ? 'measure:desc' : `measure:desc:${name}`, label: i === 0 ? 'largest first' : `largest ${name} first` },
    { value: i === 0 ? 'measure:asc' : `measure:asc:${name}`, label: i === 0 ? 'smallest first' : `smallest ${name} first` },
  ]);
  return [
    ...bySize,
    { value: 'table', label: 'in table order' },
    { value: 'category:asc', label: `by ${data.category}, rising` },
    { value: 'category:desc', label: `by ${data.category}, falling` },
    { value: 'hand', label: 'by hand' },
  ];
}

export function orderValue(order: Order, data: FigureData): string {
  if (order.by === 'table' || order.by === 'hand') return order.by;
  const direction = order.descending ? 'desc' : 'asc';
  if (order.by === 'category') return `category:${direction}`;
  return order.measure === data.measures[0]?.name ? `measure:${direction}` : `measure:${direction}:${order.measure}`;
}

/** An order by its option's value; `hand` without its keys keeps those it has. */
export function readOrder(value: string, data: FigureData): Order {
  const [by, direction, ...name] = value.split(':');
  if (by === 'table') return { by };
  if (by === 'hand') return data.order.by === 'hand' ? data.order : { by: 'hand', keys: [] };
  const descending = direction === 'desc';
  if (by === 'category') return { by, descending };
  return { by: 'measure', measure: name.join(':') || (data.measures[0]?.name ?? ''), descending };
}

/** How many measures and helper columns are drawn. */
export const layerCount = ({ data }: Figure): number =>
  data.measures.filter(measure => measure.shape !== 'none').length + data.helpers.filter(helper => helper.shape !== null).length;

export function panelOptions(figure: Figure, columns: readonly ColumnWords[]): Option[] {
  const usable = columns.filter(
    ({ name, type }) => name !== figure.data.category && name !== figure.data.series && (type === 'text' || type === 'boolean'),
  );
  return [
    { value: 'one', label: 'one panel' },
    ...(layerCount(figure) > 1 ? [{ value: 'measures', label: 'a panel per measure' }] : []),
    ...usable.map(({ name }) => ({ value: `column:${name}`, label: `a panel per ${name}` })),
  ];
}

export const panelValue = ({ data, shape }: Figure): string => (data.panel === null ? shape.panels : `column:${data.panel}`);
