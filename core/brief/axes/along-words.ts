import { shapeOfFigure, type AlongChoice } from 'core/document';
import { isBar } from 'core/shape';
import { LANGUAGES } from 'core/format';
import { timeNames } from 'core/scale';
import { isMoment } from '../data/column-roles';
import { speakerOf, type Clause } from '../section';
import { choices, choiceSetting, columnNamed, type Choice, type Subject } from '../setting';
import type { ColumnFacts } from '../data/table-facts';

const categoryOf = (subject: Subject): ColumnFacts | undefined => columnNamed(subject, subject.figure.data.category);

/** Whether the categories may be to scale: the figure is ordered by time or by a number. */
const isAlong = ({ figure: { data } }: Subject): boolean => data.order.by === 'category' || data.order.by === 'table';

const changed = ({ figure }: Subject, change: Partial<AlongChoice>) => ({
  scales: { ...figure.scales, along: { ...figure.scales.along, ...change } },
});

const SPACED = choices([
  ['even', 'side by side'],
  ['scaled', 'to scale'],
]);

/** Settings for the positions and names of categories along their axis. */
export const alongSettings = {
  spacing: choiceSetting({
    about: subject => `How values of ${subject.figure.data.category} are spaced`,
    search: 'time axis gaps to scale closed up distance date',
    governs: () => ['categories'],
    plain: subject => (isMoment(categoryOf(subject)) ? 'scaled' : 'even'),
    options: SPACED,
    now: subject => spacingNow(subject),
    set: (subject, _place, spacing) => changed(subject, { spacing }),
  }),
  names: choiceSetting({
    about: 'Names of the categories',
    search: 'labels axis rotate turn wrap',
    governs: () => ['categories'],
    plain: 'fitting',
    options: choices([
      ['fitting', 'as fits the room'],
      ['level', 'level'],
      ['turned', 'turned'],
    ]),
    now: ({ figure }) => figure.scales.along.names,
    set: (subject, _place, names) => changed(subject, { names }),
  }),
  'names-beside': choiceSetting({
    about: 'Where the names of the categories stand',
    search: 'labels axis names opposite negative bars zero beside',
    governs: () => ['categories'],
    plain: 'axis',
    options: choices([
      ['axis', 'at the axis'],
      ['bars', 'where their bars are not'],
      ['zero', 'at the line of zero'],
    ]),
    now: ({ figure }) => figure.scales.along.beside,
    set: (subject, _place, beside) => changed(subject, { beside }),
  }),
  weeks: choiceSetting({
    about: 'Names of weeks',
    search: 'week number calendar iso',
    governs: () => ['categories'],
    plain: 'monday',
    options: choices([
      ['monday', 'by their Monday'],
      ['number', 'by their number'],
    ]),
    now: ({ figure }) => figure.scales.along.weeks,
    set: (subject, _place, weeks) => changed(subject, { weeks }),
  }),
  'date-language': choiceSetting({
    about: 'Language of months and weeks',
    search: 'locale date month names',
    governs: () => ['categories'],
    plain: 'en',
    options: LANGUAGES.map(language => languageChoice(language)),
    now: ({ figure }) => figure.scales.along.language,
    set: (subject, _place, language) => changed(subject, { language }),
  }),
};

/** The names of months in a language, as the choice shows them: "Jan, May, Dec". */
function languageChoice(language: AlongChoice['language']): Choice<AlongChoice['language']> {
  const { month } = timeNames(language);
  const name = new Intl.DisplayNames('en', { type: 'language' }).of(language) ?? language;
  return { value: language, label: `${name}: ${[0, 4, 11].map(month).join(', ')}`, means: language };
}

/** The value that `auto` resolves to. */
function spacingNow(subject: Subject): 'even' | 'scaled' {
  const { spacing } = subject.figure.scales.along;
  return spacing === 'auto' ? (isMoment(categoryOf(subject)) ? 'scaled' : 'even') : spacing;
}

const { clause } = speakerOf(alongSettings);

/** "The values of day lie to scale", and how months, weeks and names are written, where the axis has them. */
export function alongClauses(subject: Subject): readonly Clause[] {
  const column = categoryOf(subject);
  const { data } = subject.figure;
  const isTime = isMoment(column);
  const spaced = isAlong(subject) && data.step?.kind !== 'bin' && (isTime || column?.type === 'number');
  const lie = `The values of ${data.category} lie `;
  return [
    ...(spaced ? [clause('spacing', subject, { said: [` ${lie}`, '.'], finer: [lie, '.'] })] : []),
    clause('names', subject, { said: [' Their names stand ', '.'], finer: ['Names of the categories stand ', '.'] }),
    ...(isBars(subject) ? [clause('names-beside', subject, { said: [' Names stand ', '.'], finer: ['Names stand ', '.'] })] : []),
    ...(isTime && hasWeeks(data) ? [clause('weeks', subject, { said: [' Weeks are named ', '.'], finer: ['Weeks are named ', '.'] })] : []),
    ...(isTime
      ? [
          clause('date-language', subject, {
            said: [' Months and weeks are written in ', '.'],
            finer: ['Months and weeks are written in ', '.'],
          }),
        ]
      : []),
  ];
}

/** Whether marks are bars, which have a side without a bar for names. */
function isBars({ figure }: Subject): boolean {
  const shape = shapeOfFigure(figure.shape);
  return shape !== null && isBar({ shape });
}

/** Whether the axis can show weeks: steps of months and years have none. */
const hasWeeks = ({ step }: Subject['figure']['data']): boolean => step?.kind !== 'grain' || step.grain === 'week' || step.grain === 'day';
