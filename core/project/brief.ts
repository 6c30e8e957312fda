import { choiceToken, plainOptions, textToken, type Option, type Sentence } from 'core/sentence';
import type { ColumnType } from 'core/table';
import { partsOfMeasure, ROWS, SUMMARIES, unitOf } from './measure-names';
import type { Figure } from './schema';

/** What the brief may know of a table: enough to offer the choices that make sense. */
export interface TableWords {
  readonly id: string;
  readonly name: string;
  readonly rowCount: number;
  readonly units: Readonly<Record<string, string>>;
  readonly columns: readonly { readonly name: string; readonly type: ColumnType }[];
}

/** The brief's own sections; cues have sentences of their kinds. */
export interface Brief {
  readonly data: Sentence;
  readonly shape: Sentence;
  readonly scales: Sentence;
  readonly words: Sentence;
}

/** The figure written out as sentences whose words are the controls. */
export function briefOf(figure: Figure, tables: readonly TableWords[]): Brief {
  const table = tables.find(item => item.id === figure.data.table);
  return {
    data: dataSentence(figure, tables, table),
    shape: shapeSentence(figure, table),
    scales: scalesSentence(figure, table),
    words: [
      'Call it ',
      textToken('title', 'Title', figure.words.title, 'no title'),
      ', and say ',
      textToken('subtitle', 'Subtitle', figure.words.subtitle, 'nothing'),
      ' below.',
    ],
  };
}

function dataSentence({ data }: Figure, tables: readonly TableWords[], table: TableWords | undefined): Sentence {
  const options = tables.map(item => ({ value: item.id, label: item.name }));
  const rows = table ? `, ${table.rowCount.toLocaleString('en')} rows` : '';
  const kept = data.filters.length
    ? `, kept by ${data.filters.length === 1 ? 'the filter' : `${data.filters.length} filters`} above the figure`
    : '';
  return ['Take ', choiceToken('table', 'Table', data.table, options), `${rows}${kept}.`];
}

function shapeSentence({ data, shape }: Figure, table: TableWords | undefined): Sentence {
  const [measure] = data.measures;
  const parts = measure && partsOfMeasure(measure);
  const columns = table?.columns ?? [];
  return [
    'Show ',
    choiceToken('measure', 'Measure', parts?.column ?? measure?.formula ?? '', measureOptions(columns, parts?.summary)),
    ...(parts && parts.column !== ROWS
      ? [' ', choiceToken('summary', 'Summed how', parts.summary, summaryOptions(columns, parts.column))]
      : []),
    ' by ',
    choiceToken('category', 'Category', data.category, plainOptions(columns.map(column => column.name))),
    ' as ',
    choiceToken('mark', 'Drawn as', shape.mark, MARKS),
    ', ',
    choiceToken('order', 'Order', orderValue(data.order), orderOptions(data.category)),
    '. Draw it ',
    choiceToken('proportion', 'Proportions', shape.proportion, plainOptions(['16:9', '4:3', '1:1'])),
    '.',
  ];
}

const MARKS: readonly Option[] = [
  { value: 'column', label: 'columns' },
  { value: 'bar', label: 'lying bars' },
];

// Text can be counted, nothing else: the other summaries are not offered for it.
function summaryOptions(columns: TableWords['columns'], column: string): readonly Option[] {
  const isNumber = columns.find(item => item.name === column)?.type === 'number';
  return isNumber ? SUMMARIES : SUMMARIES.filter(item => item.value === 'count');
}

function measureOptions(columns: TableWords['columns'], summary: string | undefined): Option[] {
  const usable = columns.filter(column => column.type === 'number' || summary === 'count');
  return [...plainOptions(usable.map(column => column.name)), { value: ROWS, label: 'the number of rows' }];
}

function orderOptions(category: string): Option[] {
  return [
    { value: 'measure:desc', label: 'largest first' },
    { value: 'measure:asc', label: 'smallest first' },
    { value: 'table', label: 'in table order' },
    { value: 'category:asc', label: `by ${category}, rising` },
    { value: 'category:desc', label: `by ${category}, falling` },
  ];
}

function orderValue(order: Figure['data']['order']): string {
  return order.by === 'table' ? 'table' : `${order.by}:${order.descending ? 'desc' : 'asc'}`;
}

function scalesSentence({ data, scales }: Figure, table: TableWords | undefined): Sentence {
  const [measure] = data.measures;
  const own = (measure && table && unitOf(measure, table.units)) ?? '';
  return [
    'Values start at zero, in ',
    textToken('unit', 'Unit', scales.unit ?? own, 'no unit'),
    ' with ',
    choiceToken('decimals', 'Decimals', String(scales.decimals ?? 'auto'), DECIMALS),
    ' decimals and ',
    choiceToken('gridlines', 'Gridlines', String(scales.gridlines), [
      { value: 'true', label: 'hair-thin' },
      { value: 'false', label: 'no' },
    ]),
    ' gridlines.',
  ];
}

const DECIMALS: readonly Option[] = [{ value: 'auto', label: 'fitting' }, ...plainOptions(['0', '1', '2', '3'])];
