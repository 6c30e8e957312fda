import { isTable, plainShape, shapeOfFigure, type FigureShape } from 'core/document';
import { FIGURE_FORMS, figureForms, shapes } from 'core/shape';
import { isOrdered } from '../data/column-roles';
import { crosstabClauses, crosstabSettings, nestedParts } from '../crosstab/crosstab-words';
import { layerCount } from '../data/layer-count';
import { dressClauses, dressSettings } from './dress-words';
import { deviationClauses, deviationSettings } from './deviation-words';
import { panelClauses, panelSettings } from './panel-words';
import { drawingClauses, measureParts, measureSettings } from '../data/measure-words';
import { orderParts, orderSettings } from '../data/order-words';
import { finerOf, saidOf, speakerOf, type Section } from '../section';
import { categoryParts, emptySentence, stepClauses, stepSettings } from '../data/step-words';
import { choices, choiceSetting, type Change, type Choice, type Subject } from '../setting';
import { offeredColumns, type ColumnFacts } from '../data/table-facts';

/** Settings of what is shown by what, and in which shape. */
export const shapeSettings = {
  ...measureSettings,
  ...dressSettings,
  ...stepSettings,
  ...crosstabSettings,
  mark: choiceSetting({
    about: 'Drawn as',
    search: 'shape chart columns bars line area points stems table crosstab pivot',
    plain: plainShape.mark,
    options: choices([...FIGURE_FORMS.map(name => [name, figureForms[name].choice] as const), ['crosstab', 'a crosstab'] as const]),
    now: ({ figure }) => figure.shape.mark,
    set: (subject, _place, mark) => ({ shape: { ...subject.figure.shape, mark }, ...naturalOrder(subject, mark) }),
  }),
  ...panelSettings,
  ...deviationSettings,
  ...orderSettings,
  series: choiceSetting<string | null>({
    about: 'Series',
    search: 'split colour group legend crosstab pivot columns',
    governs: () => ['legend'],
    places: inCharts,
    plain: '',
    options: subject => [
      { value: '', label: 'as one series', means: null },
      ...seriesChoices(subject).map(name => ({ value: name, label: `a series per ${name}`, means: name })),
    ],
    now: ({ figure }) => figure.data.series ?? '',
    set: ({ figure: { data } }, _place, series) => ({
      data: { ...data, series, seriesStep: null, panel: data.panel === series ? null : data.panel },
    }),
  }),
  panel: choiceSetting<Panels>({
    about: 'Panels',
    search: 'facets small multiples grid crosstab pivot',
    governs: () => ['panel'],
    places: inCharts,
    plain: plainShape.panels,
    options: panelChoices,
    now: ({ figure }) => (figure.data.panel === null ? figure.shape.panels : `column:${figure.data.panel}`),
    set: ({ figure }, _place, { column, panels }) => ({
      data: { ...figure.data, panel: column },
      shape: { ...figure.shape, panels },
    }),
  }),
  arrange: choiceSetting({
    about: 'Several series',
    search: 'stack stacked side by side hundred percent',
    governs: () => ['legend'],
    places: inCharts,
    plain: plainShape.arrange,
    options: choices([
      ['side', 'side by side'],
      ['stacked', 'stacked'],
      ['full', 'stacked to 100 %'],
    ]),
    now: ({ figure }) => figure.shape.arrange,
    set: ({ figure }, _place, arrange) => ({ shape: { ...figure.shape, arrange } }),
  }),
  proportion: choiceSetting({
    about: 'Proportions',
    search: 'size aspect ratio width height square',
    places: inCharts,
    plain: plainShape.proportion,
    options: choices([
      ['16:9', '16:9'],
      ['4:3', '4:3'],
      ['1:1', '1:1'],
    ]),
    now: ({ figure }) => figure.shape.proportion,
    set: ({ figure }, _place, proportion) => ({ shape: { ...figure.shape, proportion } }),
  }),
};

/** Places of a setting that crosstabs do not have. */
function inCharts(figure: Subject['figure']): string[] {
  return isTable(figure) ? [] : [''];
}

/** Columns with few values, and the present series, which may have more in a crosstab. */
function seriesChoices(subject: Subject): readonly string[] {
  const { category, series } = subject.figure.data;
  const offered = splitsBeside(subject, [category]);
  return series !== null && !offered.includes(series) ? [...offered, series] : offered;
}

/**
 * The order for a shape: where marks are joined, ordered categories are ascending and others in table order. The earlier order by size is kept for
 * going back.
 */
function naturalOrder({ figure: { data }, table }: Subject, mark: FigureShape): Change {
  const { order } = data;
  if (!isJoined(mark)) {
    const was = 'was' in order ? order.was : undefined;
    return was ? { data: { ...data, order: was } } : {};
  }
  if (order.by !== 'measure') return {};
  const column = table?.columns.find(({ name }) => name === data.category);
  const natural = column && isOrdered(column) ? ({ by: 'category', descending: false } as const) : ({ by: 'table' } as const);
  return { data: { ...data, order: { ...natural, was: order } } };
}

const isJoined = (mark: FigureShape): boolean => {
  const shape = shapeOfFigure({ mark });
  return shape !== null && shapes[shape].isJoined;
};

/** Panels by a column's values, by measure, or one. */
interface Panels {
  readonly column: string | null;
  readonly panels: 'one' | 'measures';
}

function panelChoices(subject: Subject): readonly Choice<Panels>[] {
  const { category, series } = subject.figure.data;
  return [
    { value: 'one', label: 'one panel', means: { column: null, panels: 'one' } },
    ...(layerCount(subject.figure) > 1
      ? [{ value: 'measures', label: 'a panel per measure', means: { column: null, panels: 'measures' } } as const]
      : []),
    ...splitsBeside(subject, [category, series]).map(name => ({
      value: `column:${name}`,
      label: `a panel per ${name}`,
      means: { column: name, panels: 'one' } as const,
    })),
  ];
}

/** Columns that can make series or panels and are not used otherwise in the figure. */
const splitsBeside = ({ table }: Subject, taken: readonly (string | null)[]): string[] =>
  offeredColumns(table)
    .filter(column => canSplit(column) && !taken.includes(column.name))
    .map(column => column.name);

const canSplit = ({ type }: ColumnFacts): boolean => type === 'text' || type === 'boolean';

const { say, clause } = speakerOf(shapeSettings);

/** "Show milk summed by hut as columns, largest first, a series per valley." */
export function shapeSection(subject: Subject): Section {
  const several = layerCount(subject.figure) > 1 || subject.figure.data.series !== null;
  if (isTable(subject.figure)) return tableSection(subject);
  const splits = [
    clause('series', subject, { said: [', ', ''], finer: ['It is shown ', '.'] }),
    clause('panel', subject, { said: [', in ', ''], finer: ['It has ', '.'] }),
    ...(several ? [clause('arrange', subject, { said: [', ', ''], finer: ['Several series stand ', '.'] })] : []),
  ];
  const more = [
    ...deviationClauses(subject),
    ...panelClauses(subject),
    clause('proportion', subject, { said: [' Draw it ', '.'], finer: ['It is drawn ', '.'] }),
    ...drawingClauses(subject),
    ...dressClauses(subject),
  ];
  const shown = ['Show ', ...measureParts(subject), ...categoryParts(subject), ' as ', say('mark', subject), ...orderParts(subject)];
  return {
    said: [...shown, ...saidOf(splits), '.', ...emptySentence(subject), ...saidOf(more)],
    finer: [...finerOf(stepClauses(subject)), ...finerOf(splits), ...finerOf(more)],
  };
}

/** "Show milk summed by hut within valley, across week month by month as a crosstab, largest first." */
function tableSection(subject: Subject): Section {
  const more = [...crosstabClauses(subject), ...dressClauses(subject)];
  const by = [...categoryParts(subject), ...nestedParts(subject)];
  const shown = ['Show ', ...measureParts(subject), ...by, ' as ', say('mark', subject), ...orderParts(subject)];
  return {
    said: [...shown, '.', ...emptySentence(subject), ...saidOf(more)],
    finer: [...finerOf(stepClauses(subject)), ...finerOf(more)],
  };
}
