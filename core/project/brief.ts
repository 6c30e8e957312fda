import { penWord } from 'core/cue';
import { PLAIN_LINE, withPen, type Helper, type Measure } from 'core/frame';
import { choiceToken, plainOptions, textToken, type Option, type Sentence, type SentencePart, type Token } from 'core/sentence';
import type { ColumnType } from 'core/table';
import { helperSentence } from './helper-sentence';
import { partsOfMeasure, ROWS, SUMMARIES } from './measure-names';
import { scalesSentence } from './scales-sentence';
import type { Figure, NumberFormat } from './schema';
import {
  binOptions,
  LAYER_OPTIONS,
  layerCount,
  MARK_OPTIONS,
  orderOptions,
  orderValue,
  panelOptions,
  panelValue,
  stepOptions,
  stepValue,
} from './shape-options';

/** What the brief may know of a table: enough to offer the choices that make sense. */
export interface TableWords {
  readonly id: string;
  readonly name: string;
  readonly rowCount: number;
  readonly units: Readonly<Record<string, string>>;
  /** Derived columns among them, with their formula. */
  readonly columns: readonly ColumnWords[];
}

export interface ColumnWords {
  readonly name: string;
  readonly type: ColumnType;
  readonly formula?: string;
}

/** The brief's own sections; cues have sentences of their kinds. */
export interface Brief {
  readonly data: Sentence;
  readonly shape: Sentence;
  /** One sentence per helper column by hand. */
  readonly helpers: readonly Sentence[];
  readonly scales: Sentence;
  readonly words: Sentence;
}

/** The figure written out as sentences whose words are the controls. */
export function briefOf(figure: Figure, tables: readonly TableWords[], formats: readonly NumberFormat[] = []): Brief {
  const table = tables.find(item => item.id === figure.data.table);
  return {
    data: dataSentence(figure, tables, table),
    shape: shapeSentence(figure, table),
    helpers: figure.data.helpers.map((helper, i) => helperSentence(helper, i, figure, table, formats)),
    scales: scalesSentence(figure, table, formats),
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
  const derived = table?.columns.filter(column => column.formula !== undefined) ?? [];
  const kept = data.filters.length
    ? `, kept by ${data.filters.length === 1 ? 'the filter' : `${data.filters.length} filters`} above the figure`
    : '';
  return [
    'Take ',
    choiceToken('table', 'Table', data.table, options),
    `${rows}${kept}.`,
    ...derived.flatMap(({ name, formula = '' }): SentencePart[] => [
      ' Compute ',
      formulaToken(`derived:${name}`, 'Derived column', name, name, formula, 'derived'),
      '.',
    ]),
  ];
}

/** A word that opens its formula. */
function formulaToken(key: string, about: string, text: string, name: string, formula: string, place: 'derived' | 'measure') {
  return { key, about, text, input: { kind: 'formula' as const, value: formula, name, place } };
}

function shapeSentence(figure: Figure, table: TableWords | undefined): Sentence {
  const { data, shape } = figure;
  const columns = table?.columns ?? [];
  const steps = stepOptions(columns.find(column => column.name === data.category)?.type);
  return [
    'Show ',
    ...measureParts(figure, columns),
    ' by ',
    choiceToken('category', 'Category', data.category, plainOptions(columns.map(column => column.name))),
    ...(steps.length ? [' ', choiceToken('step', 'Steps', stepValue(data.step), steps)] : []),
    ...(data.step?.kind === 'bin'
      ? [' ', choiceToken('bin', 'Width of a bin', String(data.step.width ?? 'auto'), binOptions(data.step.width))]
      : []),
    ' as ',
    choiceToken('mark', 'Drawn as', shape.mark, MARK_OPTIONS),
    ', ',
    choiceToken('order', 'Order', orderValue(data.order, data), orderOptions(data)),
    ...(data.order.by === 'hand'
      ? [
          ' ',
          {
            key: 'hand',
            about: 'Order by hand',
            text: 'as arranged',
            input: { kind: 'arrange' as const, value: JSON.stringify(data.order.keys), items: data.order.keys },
          },
        ]
      : []),
    ', ',
    choiceToken('series', 'Series', data.series ?? '', seriesOptions(data.category, columns)),
    ' in ',
    choiceToken('panel', 'Panels', panelValue(figure), panelOptions(figure, columns)),
    ...(layerCount(figure) > 1 || data.series !== null ? [', ', choiceToken('arrange', 'Several series', shape.arrange, ARRANGE)] : []),
    '. Draw it ',
    choiceToken('proportion', 'Proportions', shape.proportion, plainOptions(['16:9', '4:3', '1:1'])),
    '.',
    ...lineSentences(figure),
  ];
}

/** How each measure that is a line is drawn. */
function lineSentences({ data, shape }: Figure): SentencePart[] {
  const lines = data.measures.map((measure, i) => ({ measure, i })).filter(({ measure }) => isLine(measure.shape ?? shape.mark));
  if (lines.length === 0) return [];
  if (data.measures.length === 1) return lines.flatMap(({ measure }): SentencePart[] => [' Lines are ', penToken('pen:0', measure), '.']);
  const parts = lines.flatMap(({ measure, i }, at): SentencePart[] => [
    at ? `, of ${measure.name} ` : ` The line of ${measure.name} is `,
    penToken(`pen:${i}`, measure),
  ]);
  return [...parts, '.'];
}

export const isLine = (shape: string | null): boolean => shape === 'line' || shape === 'step';

/** "2 px wide, solid". */
export const penToken = (key: string, { name, pen }: Measure | Helper): Token => penWord(key, `Line of ${name}`, withPen(PLAIN_LINE, pen));

const ARRANGE: readonly Option[] = [
  { value: 'side', label: 'side by side' },
  { value: 'stacked', label: 'stacked' },
  { value: 'full', label: 'stacked to 100 %' },
];

function seriesOptions(category: string, columns: TableWords['columns']): Option[] {
  const usable = columns.filter(column => column.name !== category && (column.type === 'text' || column.type === 'boolean'));
  return [{ value: '', label: 'as one series' }, ...usable.map(({ name }) => ({ value: name, label: `a series per ${name}` }))];
}

function measureParts({ data }: Figure, columns: TableWords['columns']): SentencePart[] {
  return data.measures.flatMap((measure, i): SentencePart[] => {
    const parts = partsOfMeasure(measure);
    const at = i === 0 ? '' : `:${i}`;
    const joint = i === 0 ? [] : [i === data.measures.length - 1 ? ' and ' : ', '];
    const layer =
      data.measures.length > 1 ? [' ', choiceToken(`layer:${i}`, `Draw ${measure.name}`, measure.shape ?? 'same', LAYER_OPTIONS)] : [];
    if (!parts)
      return [...joint, formulaToken(`formula:${i}`, 'Measure', measure.name, measure.name, measure.formula, 'measure'), ...layer];
    const options = [...measureOptions(columns, parts.summary), ...(i > 0 ? [{ value: '', label: 'leave it out' }] : [])];
    return [
      ...joint,
      choiceToken(`measure${at}`, 'Measure', parts.column, options),
      ...(parts.column === ROWS
        ? []
        : [' ', choiceToken(`summary${at}`, 'Summed how', parts.summary, summaryOptions(columns, parts.column))]),
      ...layer,
    ];
  });
}

// Text can be counted, nothing else: the other summaries are not offered for it.
function summaryOptions(columns: TableWords['columns'], column: string): readonly Option[] {
  const isNumber = columns.find(item => item.name === column)?.type === 'number';
  return isNumber ? SUMMARIES : SUMMARIES.filter(item => item.value === 'count');
}

function measureOptions(columns: TableWords['columns'], summary: string | undefined): Option[] {
  const usable = columns.filter(column => column.type === 'number' || summary === 'count');
  return [...plainOptions(usable.map(column => column.name)), { value: ROWS, label: 'the number of rows' }];
}

export function formatToken(key: string, name: string, format: string | null, formats: readonly NumberFormat[]) {
  return choiceToken(key, `How ${name} is written`, format ?? '', [
    { value: '', label: 'as it comes' },
    ...formats.map(item => ({ value: item.name, label: `as ${item.name}` })),
  ]);
}
