import type { FigureData, Order } from 'core/frame';
import { speakerOf } from '../section';
import { choiceSetting, type Choice, type Subject } from '../setting';
import { handSetting } from './step-choices';
import type { SentencePart } from 'core/sentence';

/** Settings of the order of rows. */
export const orderSettings = {
  order: choiceSetting({
    about: 'Order',
    search: 'sort biggest largest smallest first rank reversed backward',
    governs: () => ['categories'],
    plain: null,
    options: ({ figure }) => orderChoices(figure.data),
    now: ({ figure }) => orderValue(figure.data),
    set: ({ figure }, _place, order) => ({ data: { ...figure.data, order } }),
  }),
  hand: handSetting('Order by hand', {
    places: () => [''],
    now: ({ data }) => (data.order.by === 'hand' ? data.order.keys : []),
    set: ({ data }, keys) => ({ data: { ...data, order: { by: 'hand', keys } } }),
  }),
};

/** Choices of order. The first measure reads "largest first"; others and helper columns are named. "By hand" keeps the present order. */
function orderChoices(data: FigureData): readonly Choice<Order>[] {
  const names = [...data.measures, ...data.helpers].map(column => column.name);
  const bySize = names.flatMap((name, i): Choice<Order>[] => [
    {
      value: i === 0 ? 'measure:desc' : `measure:desc:${name}`,
      label: i === 0 ? 'largest first' : `largest ${name} first`,
      means: { by: 'measure', measure: name, descending: true },
    },
    {
      value: i === 0 ? 'measure:asc' : `measure:asc:${name}`,
      label: i === 0 ? 'smallest first' : `smallest ${name} first`,
      means: { by: 'measure', measure: name, descending: false },
    },
  ]);
  return [
    ...bySize,
    { value: 'table', label: 'in table order', means: { by: 'table' } },
    { value: 'table:backward', label: 'last row first', means: { by: 'table', backward: true } },
    { value: 'category:asc', label: `by ${data.category}, rising`, means: { by: 'category', descending: false } },
    { value: 'category:desc', label: `by ${data.category}, falling`, means: { by: 'category', descending: true } },
    { value: 'hand', label: 'by hand', means: data.order.by === 'hand' ? data.order : { by: 'hand', keys: [] } },
  ];
}

function orderValue({ order, measures }: FigureData): string {
  if (order.by === 'hand') return order.by;
  if (order.by === 'table') return order.backward ? 'table:backward' : 'table';
  const direction = order.descending ? 'desc' : 'asc';
  if (order.by === 'category') return `category:${direction}`;
  return order.measure === measures[0]?.name ? `measure:${direction}` : `measure:${direction}:${order.measure}`;
}

const { say } = speakerOf(orderSettings);

/** ", by hand as arranged". */
export const orderParts = (subject: Subject): readonly SentencePart[] => [
  ', ',
  say('order', subject),
  ...(subject.figure.data.order.by === 'hand' ? [' ', say('hand', subject)] : []),
];
