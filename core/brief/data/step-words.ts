import { isAdditive, type FigureData, type Step } from 'core/frame';
import type { SentencePart } from 'core/sentence';
import { isOrdered } from './column-roles';
import { changeCategory } from './replace-measure';
import { choices, choiceSetting, columnNamed, plainChoices, type Subject } from '../setting';
import { binSetting, stepChoices, stepValue } from './step-choices';
import { speakerOf, type Clause } from '../section';
import { offeredColumns, type ColumnFacts } from './table-facts';

const isOrderedColumn = (column: ColumnFacts | undefined): boolean => column !== undefined && isOrdered(column);

/** Settings for the steps of the category and for empty periods. */
export const stepSettings = {
  category: choiceSetting({
    about: 'Category',
    search: 'group by rows axis',
    governs: () => ['categories', 'note'],
    plain: null,
    options: ({ table }) => plainChoices(offeredColumns(table).map(column => column.name)),
    now: ({ figure }) => figure.data.category,
    set: (subject, _place, category) => changeCategory(subject.figure, category, isOrderedColumn(columnNamed(subject, category))),
  }),
  step: choiceSetting({
    about: 'Steps',
    search: 'day week month quarter year bins histogram',
    governs: () => ['categories'],
    plain: '',
    options: subject => stepChoices(columnNamed(subject, subject.figure.data.category)),
    now: ({ figure }) => stepValue(figure.data.step),
    set: ({ figure }, _place, step) => ({
      data: { ...figure.data, step, ...(step ? { order: { by: 'category', descending: false } as const } : {}) },
    }),
  }),
  bin: binSetting('Width of a bin', {
    governs: 'categories',
    places: ({ data }) => (data.step?.kind === 'bin' ? [''] : []),
    now: ({ data }) => data.step,
    set: (data, _place, step) => ({ ...data, step }),
  }),
  empty: choiceSetting({
    about: ({ figure }) => `What an empty ${periodOf(figure.data.step)} is`,
    search: 'gaps missing zero period',
    governs: () => ['categories'],
    places: ({ data }) => (data.step === null ? [] : ['']),
    plain: 'missing',
    options: ({ figure }) => (adds(figure.data) ? EMPTY : EMPTY.filter(({ value }) => value !== 'zero')),
    now: ({ figure }) => figure.data.empty,
    set: ({ figure }, _place, empty) => ({ data: { ...figure.data, empty } }),
  }),
};

const EMPTY = choices([
  ['missing', 'is missing'],
  ['zero', 'counts as zero'],
  ['left-out', 'is left out, the gap closed up'],
]);

/** Whether a measure adds up, so that it may be zero over no rows. */
const adds = ({ measures }: FigureData): boolean => measures.some(({ formula }) => isAdditive(formula) && !/^\s*count/i.test(formula));

const periodOf = (step: Step): string => (step?.kind === 'grain' ? step.grain : 'bin');

const { say, clause } = speakerOf(stepSettings);

/** " by week month by month". */
export function categoryParts(subject: Subject): readonly SentencePart[] {
  const { category, step } = subject.figure.data;
  const steps = stepChoices(columnNamed(subject, category));
  return [
    ' by ',
    say('category', subject),
    ...(steps.length && step !== null ? [' ', say('step', subject)] : []),
    ...(step?.kind === 'bin' ? [' ', say('bin', subject)] : []),
  ];
}

/** "The categories go value by value", where steps are possible; "An empty week is missing", where the prose does not say it. */
export function stepClauses(subject: Subject): readonly Clause[] {
  const { step, category } = subject.figure.data;
  if (step === null) {
    const hasSteps = stepChoices(columnNamed(subject, category)).length > 0;
    return hasSteps ? [clause('step', subject, { said: ['', ''], finer: ['The categories go ', '.'] })] : [];
  }
  return emptySentence(subject).length ? [] : [clause('empty', subject, { said: ['', ''], finer: [`An empty ${periodOf(step)} `, '.'] })];
}

/** The meaning of a period without rows, when there are such periods. */
export function emptySentence(subject: Subject): readonly SentencePart[] {
  const { data } = subject.figure;
  if (data.step === null || (!adds(data) && data.empty === 'missing') || (subject.facts.emptyRows === 0 && data.empty === 'missing'))
    return [];
  return [` An empty ${periodOf(data.step)} `, say('empty', subject), '.'];
}
