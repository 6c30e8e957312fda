import { levelsOf } from 'core/crosstab';
import { isTable, plainCrosstab, type CrosstabChoice } from 'core/document';
import type { FigureData, Step } from 'core/frame';
import type { SentencePart } from 'core/sentence';
import { isMoment } from '../data/column-roles';
import { cellClauses, cellSettings } from './cell-words';
import { changed, inTables, once } from './in-tables';
import { speakerOf, type Clause } from '../section';
import { choices, choiceSetting, columnNamed, type Choice, type Subject } from '../setting';
import { binSetting, handSetting, stepChoices, stepValue } from '../data/step-choices';
import { offeredColumns, type ColumnFacts } from '../data/table-facts';

/** Places of the outer levels, and one more that can be added. */
const perOuter = inTables(({ data }) => [...data.outer.map((_, i) => String(i)), String(data.outer.length)]);
const perStep = inTables(({ data }) => data.outer.map((_, i) => String(i)));
const perLevel = inTables(({ data }) => levelsOf(data).map((_, i) => String(i)));
const perPart = inTables(({ data }) =>
  levelsOf(data)
    .slice(0, -1)
    .map((_, i) => String(i)),
);

const TOTALS = choices([
  ['last', 'behind them'],
  ['first', 'before them'],
  ['none', 'left out'],
]);
type Place = CrosstabChoice['totals']['rows'];

/** Columns of the table that are not used in the crosstab yet. */
function freeColumns({ table, figure: { data } }: Subject, except: string | null): readonly ColumnFacts[] {
  const taken = [data.category, data.series, data.panel, ...data.outer.map(({ column }) => column)].filter(name => name !== except);
  return offeredColumns(table).filter(({ name }) => !taken.includes(name));
}

/** The first step of a level: months for dates. */
const firstStep = (column: ColumnFacts | undefined): Step => (isMoment(column) ? { kind: 'grain', grain: 'month' } : null);

/** The data part with another step at an outer level. */
function withOuterStep(data: FigureData, place: string, step: Step): FigureData {
  return { ...data, outer: data.outer.map((level, i) => (String(i) === place ? { ...level, step } : level)) };
}

/** Settings for nesting, columns and totals. */
export const crosstabSettings = {
  ...cellSettings,
  outer: choiceSetting<string | null>({
    about: (_subject, place) => `Rows nested in, level ${Number(place) + 1}`,
    search: 'nest hierarchy group rows levels drill crosstab pivot',
    governs: () => ['categories'],
    places: perOuter,
    plain: '',
    options: (subject, place) => {
      const now = subject.figure.data.outer[Number(place)]?.column ?? null;
      return [
        { value: '', label: now === null ? 'nothing further' : 'nothing', means: null },
        ...freeColumns(subject, now).map(({ name }) => ({ value: name, label: name, means: name })),
      ];
    },
    now: ({ figure }, place) => figure.data.outer[Number(place)]?.column ?? '',
    set: (subject, place, column) => {
      const { data } = subject.figure;
      const level = column === null ? [] : [{ column, step: firstStep(columnNamed(subject, column)) }];
      return { data: { ...data, outer: data.outer.toSpliced(Number(place), 1, ...level) } };
    },
  }),
  'outer-step': choiceSetting<Step>({
    about: ({ figure }, place) => `Steps of ${figure.data.outer[Number(place)]?.column ?? ''}`,
    search: 'day week month quarter year bins nested',
    governs: () => ['categories'],
    places: perStep,
    plain: '',
    options: (subject, place) => stepChoices(columnNamed(subject, subject.figure.data.outer[Number(place)]?.column ?? '')),
    now: ({ figure }, place) => stepValue(figure.data.outer[Number(place)]?.step ?? null),
    set: ({ figure: { data } }, place, step) => ({ data: withOuterStep(data, place, step) }),
  }),
  'outer-bin': binSetting('Width of a bin of a level', {
    governs: 'categories',
    places: inTables(({ data }) => data.outer.flatMap(({ step }, i) => (step?.kind === 'bin' ? [String(i)] : []))),
    now: ({ data }, place) => data.outer[Number(place)]?.step ?? null,
    set: withOuterStep,
  }),
  across: choiceSetting<string | null>({
    about: 'Columns',
    search: 'crosstab pivot across columns series',
    governs: () => ['columns'],
    places: once,
    plain: '',
    options: subject => [
      { value: '', label: 'its measures alone', means: null },
      ...freeColumns(subject, subject.figure.data.series).map(({ name }) => ({ value: name, label: name, means: name })),
    ],
    now: ({ figure }) => figure.data.series ?? '',
    set: (subject, _place, series) => ({
      data: { ...subject.figure.data, series, seriesStep: series === null ? null : firstStep(columnNamed(subject, series)) },
    }),
  }),
  'across-step': choiceSetting<Step>({
    about: 'Steps of the columns',
    search: 'day week month quarter year bins across',
    governs: () => ['columns'],
    places: inTables(({ data }) => (data.series === null ? [] : [''])),
    plain: '',
    options: subject => stepChoices(columnNamed(subject, subject.figure.data.series ?? '')),
    now: ({ figure }) => stepValue(figure.data.seriesStep),
    set: ({ figure: { data } }, _place, seriesStep) => ({ data: { ...data, seriesStep } }),
  }),
  'across-bin': binSetting('Width of a bin of the columns', {
    governs: 'columns',
    places: inTables(({ data }) => (data.series !== null && data.seriesStep?.kind === 'bin' ? [''] : [])),
    now: ({ data }) => data.seriesStep,
    set: (data, _place, seriesStep) => ({ ...data, seriesStep }),
  }),
  'across-order': choiceSetting<CrosstabChoice['columns']>({
    about: 'Order of the columns',
    search: 'sort columns across order',
    governs: () => ['columns'],
    places: inTables(({ data }) => (data.series === null ? [] : [''])),
    plain: 'name',
    options: ({ figure }) => orders(figure.crosstab.columns),
    now: ({ figure }) => orderValue(figure.crosstab.columns),
    set: (subject, _place, columns) => changed(subject, { columns }),
  }),
  'across-hand': handSetting('Order of the columns by hand', {
    places: inTables(({ crosstab }) => (crosstab.columns.by === 'hand' ? [''] : [])),
    now: ({ crosstab }) => crosstab.columns.keys,
    set: ({ crosstab }, keys) => ({ crosstab: { ...crosstab, columns: { by: 'hand', descending: false, keys } } }),
  }),
  'row-totals': choiceSetting<Place>({
    about: 'Totals of rows',
    search: 'sum grand total column crosstab',
    governs: () => ['columns'],
    places: inTables(({ data }) => (data.series === null ? [] : [''])),
    plain: plainCrosstab.totals.rows,
    options: TOTALS,
    now: ({ figure }) => figure.crosstab.totals.rows,
    set: (subject, _place, rows) => changed(subject, { totals: { ...subject.figure.crosstab.totals, rows } }),
  }),
  'column-totals': choiceSetting<Place>({
    about: 'Totals of columns',
    search: 'sum grand total row crosstab',
    governs: () => ['categories'],
    places: once,
    plain: plainCrosstab.totals.columns,
    options: TOTALS,
    now: ({ figure }) => figure.crosstab.totals.columns,
    set: (subject, _place, columns) => changed(subject, { totals: { ...subject.figure.crosstab.totals, columns } }),
  }),
  'part-totals': choiceSetting<Place>({
    about: ({ figure }, place) => `Subtotals of each ${levelsOf(figure.data)[Number(place)]?.column ?? ''}`,
    search: 'subtotal sum nested level',
    governs: () => ['categories'],
    places: perPart,
    plain: 'none',
    options: TOTALS,
    now: ({ figure }, place) => figure.crosstab.totals.parts[Number(place)] ?? 'none',
    set: (subject, place, where) => {
      const { totals } = subject.figure.crosstab;
      const parts = Array.from({ length: Math.max(totals.parts.length, Number(place) + 1) }, (_, i) =>
        String(i) === place ? where : (totals.parts[i] ?? 'none'),
      );
      return changed(subject, { totals: { ...totals, parts } });
    },
  }),
  top: choiceSetting<number | null>({
    about: ({ figure }, place) => `How many of each ${levelsOf(figure.data)[Number(place)]?.column ?? ''} are kept`,
    search: 'top n largest others rest limit fold',
    governs: () => ['categories'],
    places: perLevel,
    plain: '',
    options: ({ figure }, place) => topChoices(figure.crosstab.top.find(({ level }) => String(level) === place)?.n),
    now: ({ figure }, place) => String(figure.crosstab.top.find(({ level }) => String(level) === place)?.n ?? ''),
    set: (subject, place, n) => {
      const others = subject.figure.crosstab.top.filter(({ level }) => String(level) !== place);
      return changed(subject, { top: n === null ? others : [...others, { level: Number(place), n }] });
    },
  }),
};

const TOPS: readonly number[] = [3, 5, 10, 20, 50];

function topChoices(now: number | undefined): readonly Choice<number | null>[] {
  const own = now === undefined || TOPS.includes(now) ? [] : [now];
  return [
    { value: '', label: 'all of them', means: null },
    ...[...own, ...TOPS].map(n => ({ value: String(n), label: `the ${n} largest, the others together`, means: n })),
  ];
}

const orderValue = ({ by, descending }: CrosstabChoice['columns']): string =>
  by === 'hand' || by === 'table' ? by : `${by}${descending ? ':falling' : ''}`;

const orders = ({ keys }: CrosstabChoice['columns']): readonly Choice<CrosstabChoice['columns']>[] => [
  { value: 'name', label: 'rising', means: { by: 'name', descending: false, keys } },
  { value: 'name:falling', label: 'falling', means: { by: 'name', descending: true, keys } },
  { value: 'total:falling', label: 'largest total first', means: { by: 'total', descending: true, keys } },
  { value: 'total', label: 'smallest total first', means: { by: 'total', descending: false, keys } },
  { value: 'table', label: 'in table order', means: { by: 'table', descending: false, keys } },
  { value: 'hand', label: 'by hand', means: { by: 'hand', descending: false, keys } },
];

const { say, clause } = speakerOf(crosstabSettings);

/** " within valley across week month by month". */
export function nestedParts(subject: Subject): readonly SentencePart[] {
  const { data, crosstab } = subject.figure;
  if (!isTable(subject.figure)) return [];
  const hasSteps = (column: string): boolean => stepChoices(columnNamed(subject, column)).length > 0;
  // What makes panels in other shapes is the outermost level here.
  const [outermost, ...inner] = levelsOf(data);
  const isPanel = data.panel !== null && inner.length > 0 && outermost?.column === data.panel;
  return [
    ...(isPanel ? [` within ${data.panel}`] : []),
    ...data.outer.flatMap(({ column, step }, i) => [
      i === 0 && !isPanel ? ' within ' : ', ',
      say('outer', subject, i),
      ...(hasSteps(column) ? [' ', say('outer-step', subject, i)] : []),
      ...(step?.kind === 'bin' ? [' ', say('outer-bin', subject, i)] : []),
    ]),
    ...(data.series === null
      ? []
      : [
          ', across ',
          say('across', subject),
          ...(hasSteps(data.series) ? [' ', say('across-step', subject)] : []),
          ...(data.seriesStep?.kind === 'bin' ? [' ', say('across-bin', subject)] : []),
          ...(crosstab.columns.by === 'hand' ? [' ', say('across-hand', subject)] : []),
        ]),
  ];
}

/** Clauses about a crosstab. */
export function crosstabClauses(subject: Subject): readonly Clause[] {
  const { figure } = subject;
  if (!isTable(figure)) return [];
  const { data } = figure;
  const levels = levelsOf(data);
  return [
    ...(data.outer.length < 4
      ? [
          {
            ...clause('outer', subject, { place: data.outer.length, said: ['', ''], finer: ['Rows are nested in ', '.'] }),
            isDecided: false,
          },
        ]
      : []),
    ...(data.series === null ? [clause('across', subject, { said: ['', ''], finer: ['Its columns are ', '.'] })] : []),
    ...(data.series === null
      ? []
      : [
          clause('across-order', subject, { said: [' Columns stand ', '.'], finer: ['Columns stand ', '.'] }),
          clause('row-totals', subject, { said: [' Totals of rows are ', '.'], finer: ['Totals of rows are ', '.'] }),
        ]),
    clause('column-totals', subject, { said: [' Totals of columns are ', '.'], finer: ['Totals of columns are ', '.'] }),
    ...levels.slice(0, -1).map(({ column }, place) =>
      clause('part-totals', subject, {
        place,
        said: [` Subtotals of each ${column} are `, '.'],
        finer: [`Subtotals of each ${column} are `, '.'],
      }),
    ),
    ...levels.map(({ column }, place) =>
      clause('top', subject, { place, said: [` Of ${column} keep `, '.'], finer: [`Of ${column} it keeps `, '.'] }),
    ),
    ...cellClauses(subject),
  ];
}
