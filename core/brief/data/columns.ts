import { penWord, readPen } from 'core/cue';
import type { Figure, NumberFormat } from 'core/document';
import { PLAIN_LINE, withPen, type Helper, type LayerShape, type Measure } from 'core/frame';
import { OFFERED_SHAPES, shapes, type ShapeName } from 'core/shape';
import { success } from 'core/result';
import { choices, refused, type Change, type Choice, type Setting, type Subject } from '../setting';

/** The two lists of a figure's columns. */
type List = 'measures' | 'helpers';

/** Places of the settings of measures: their indexes. */
export const perMeasure = ({ data }: Figure): readonly string[] => data.measures.map((_, i) => String(i));
/** Places of the settings of helper columns: their indexes. */
export const perHelper = ({ data }: Figure): readonly string[] => data.helpers.map((_, i) => String(i));

/** The measure that a setting is about. */
export const measureAt = ({ figure }: Subject, place: string): Measure => figure.data.measures[Number(place)] ?? firstMeasure(figure);
/** The measure that a figure is named after. */
export const firstMeasure = ({ data }: Figure): Measure => data.measures[0] as Measure;

/** The helper column at a place, which must exist. */
export const helperAt = ({ figure }: Subject, place: string): Helper => figure.data.helpers[Number(place)] as Helper;

/** A change of one measure. */
export const changedMeasure = ({ figure }: Subject, place: string, change: Partial<Measure>): Change => ({
  data: { ...figure.data, measures: figure.data.measures.map((item, i) => (String(i) === place ? { ...item, ...change } : item)) },
});
/** A change of one helper column. */
export const changedHelper = ({ figure }: Subject, place: string, change: Partial<Helper>): Change => ({
  data: { ...figure.data, helpers: figure.data.helpers.map((item, i) => (String(i) === place ? { ...item, ...change } : item)) },
});

/** The value axes that a column may be read at. */
export const AXIS_CHOICES = choices([
  ['first', 'on the first axis'],
  ['second', 'on the second axis'],
]);

/** Shapes that one column among several may take. */
export const SHAPE_CHOICES = choices(OFFERED_SHAPES.map(shape => [shape, shapes[shape].words] as const));

/** Whether a shape is a line, drawn with a pen. */
export const isLine = (shape: LayerShape | ShapeName | null): boolean => shape !== null && shape !== 'none' && shapes[shape].isLine;

/** The project's number formats, for one column. */
export const formatChoices = (formats: readonly NumberFormat[]): readonly Choice<string | null>[] => [
  { value: '', label: 'as it comes', means: null },
  ...formats.map(({ name }) => ({ value: name, label: `as ${name}`, means: name })),
];

/** The setting for a column's line as one token: "2 px wide, solid". */
export function penSetting(list: List, change: (subject: Subject, place: string, pen: Pick<Measure, 'pen'>) => Change): Setting {
  const columnAt = (subject: Subject, place: string): Measure | Helper =>
    list === 'measures' ? measureAt(subject, place) : helperAt(subject, place);
  const about: Setting['about'] = (subject, place) => `Line of ${columnAt(subject, place).name}`;
  const word: Setting['word'] = (subject, place, key) =>
    penWord(key, about(subject, place), withPen(PLAIN_LINE, columnAt(subject, place).pen));
  return {
    about,
    search: 'width lines dash dotted marker stroke thickness',
    places: list === 'measures' ? perMeasure : perHelper,
    plain: () => null,
    decided: (subject, place) => columnAt(subject, place).pen !== undefined,
    word,
    choose(subject, place, value) {
      const { input } = word(subject, place, '');
      const options = input.kind === 'choice' ? input.options : [];
      return options.some(option => option.value === value)
        ? success(change(subject, place, { pen: readPen(columnAt(subject, place).pen, value) }))
        : refused(about(subject, place), value, options);
    },
  };
}
