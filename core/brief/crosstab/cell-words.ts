import { MOST_WIDTH, plainCrosstab, type CrosstabChoice, type Figure } from 'core/document';
import { changed, inTables, once } from './in-tables';
import { speakerOf, type Clause } from '../section';
import { choices, choiceSetting, type Change, type Choice, type Subject } from '../setting';

const perMeasure = inTables(({ data }) => data.measures.map((_, i) => String(i)));

const measureName = ({ figure }: Subject, place: string): string => figure.data.measures[Number(place)]?.name ?? '';

/** A setting per measure; only values other than the default are stored. */
function forMeasure<K extends 'drawings' | 'aligns' | 'widths'>(
  { figure }: Subject,
  place: string,
  key: K,
  entry: CrosstabChoice[K][number] | null,
): Change {
  const name = figure.data.measures[Number(place)]?.name ?? '';
  const others = (figure.crosstab[key] as readonly { readonly measure: string }[]).filter(({ measure }) => measure !== name);
  return { crosstab: { ...figure.crosstab, [key]: entry ? [...others, entry] : others } };
}

/** Settings for the colours, drawings and layout of cells. */
export const cellSettings = {
  paints: choiceSetting<CrosstabChoice['paints']>({
    about: 'What cues colour',
    search: 'cell background text colour highlight conditional',
    governs: () => ['columns'],
    places: once,
    plain: plainCrosstab.paints,
    options: choices([
      ['ground', 'the cells'],
      ['text', 'their text'],
    ]),
    now: ({ figure }) => figure.crosstab.paints,
    set: (subject, _place, paints) => changed(subject, { paints }),
  }),
  drawing: choiceSetting<CrosstabChoice['drawings'][number]['as']>({
    about: (subject, place) => `How ${measureName(subject, place)} shows in its cells`,
    search: 'small bar spark line in cell length trend',
    governs: () => ['columns'],
    places: perMeasure,
    plain: 'numbers',
    options: ({ figure }) => [
      ...choices([
        ['numbers', 'as numbers'],
        ['bars', 'as numbers with small bars'],
      ]),
      ...(figure.data.series === null ? [] : choices([['trend', 'as numbers, with a small line along the row']])),
    ],
    now: ({ figure }, place) =>
      figure.crosstab.drawings.find(({ measure }) => measure === figure.data.measures[Number(place)]?.name)?.as ?? 'numbers',
    set: (subject, place, as) =>
      forMeasure(subject, place, 'drawings', as === 'numbers' ? null : { measure: measureName(subject, place), as }),
  }),
  rules: choiceSetting<CrosstabChoice['lines']>({
    about: 'Lines between rows',
    search: 'zebra stripes hair lines borders banding rows',
    governs: () => ['categories'],
    places: once,
    plain: plainCrosstab.lines,
    options: choices([
      ['hair', 'hair lines'],
      ['zebra', 'stripes'],
      ['none', 'nothing'],
    ]),
    now: ({ figure }) => figure.crosstab.lines,
    set: (subject, _place, lines) => changed(subject, { lines }),
  }),
  'row-names': choiceSetting<NonNullable<CrosstabChoice['names']>>({
    about: 'Long names of rows',
    search: 'wrap two lines cut off ellipsis long row names',
    governs: () => ['categories'],
    places: once,
    plain: 'cut',
    options: choices([
      ['cut', 'cut off'],
      ['wrapped', 'wrapped onto two lines'],
    ]),
    now: ({ figure }) => figure.crosstab.names ?? 'cut',
    set: (subject, _place, names) => changed(subject, { names }),
  }),
  align: choiceSetting<CrosstabChoice['aligns'][number]['align']>({
    about: (subject, place) => `Alignment of ${measureName(subject, place)}`,
    search: 'align left right centre middle text cells',
    governs: () => ['columns'],
    places: perMeasure,
    plain: 'right',
    options: choices([
      ['right', 'to the right'],
      ['middle', 'in the middle'],
      ['left', 'to the left'],
    ]),
    now: ({ figure }, place) =>
      figure.crosstab.aligns.find(({ measure }) => measure === figure.data.measures[Number(place)]?.name)?.align ?? 'right',
    set: (subject, place, align) =>
      forMeasure(subject, place, 'aligns', align === 'right' ? null : { measure: measureName(subject, place), align }),
  }),
  width: choiceSetting<number | null>({
    about: (subject, place) => `Width of the columns of ${measureName(subject, place)}`,
    search: 'column width wide narrow pixels',
    governs: () => ['columns'],
    places: perMeasure,
    plain: '',
    options: ({ figure }, place) => widthChoices(widthOf(figure, place)),
    now: ({ figure }, place) => String(widthOf(figure, place) ?? ''),
    set: (subject, place, width) =>
      forMeasure(subject, place, 'widths', width === null ? null : { measure: measureName(subject, place), width }),
  }),
};

const widthOf = ({ data, crosstab }: Figure, place: string): number | undefined =>
  crosstab.widths.find(({ measure }) => measure === data.measures[Number(place)]?.name)?.width;

const WIDTHS: readonly number[] = [48, 60, 72, 90, 120, 160, 220];

function widthChoices(now: number | undefined): readonly Choice<number | null>[] {
  const own = now === undefined || WIDTHS.includes(now) ? [] : [Math.min(now, MOST_WIDTH)];
  return [
    { value: '', label: 'as wide as their content', means: null },
    ...[...own, ...WIDTHS].map(width => ({ value: String(width), label: `${width} pixels wide`, means: width })),
  ];
}

const { clause } = speakerOf(cellSettings);

/** Clauses about cells. */
export function cellClauses(subject: Subject): readonly Clause[] {
  const measures = subject.figure.data.measures.map(({ name }, place) => ({ name, place }));
  const several = measures.length > 1;
  return [
    clause('paints', subject, { said: [' Cues colour ', '.'], finer: ['Cues colour ', '.'] }),
    ...measures.map(({ name, place }) =>
      clause('drawing', subject, { place, said: [` ${several ? name : 'Cells'} show `, '.'], finer: [`${name} shows `, '.'] }),
    ),
    clause('rules', subject, { said: [' Between rows stand ', '.'], finer: ['Between rows stand ', '.'] }),
    clause('row-names', subject, { said: [' Long names are ', '.'], finer: ['Long names are ', '.'] }),
    ...measures.flatMap(({ name, place }) => [
      clause('align', subject, { place, said: [` ${name} is set `, '.'], finer: [`${name} is set `, '.'] }),
      clause('width', subject, { place, said: [` Columns of ${name} are `, '.'], finer: [`Columns of ${name} are `, '.'] }),
    ]),
  ];
}
