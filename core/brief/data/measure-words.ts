import { shapeOfFigure } from 'core/document';
import { partsOfMeasure, ROWS, SUMMARIES, type Measure } from 'core/frame';
import type { SentencePart } from 'core/sentence';
import { changedMeasure, isLine, measureAt, penSetting, perMeasure, SHAPE_CHOICES } from './columns';
import { formulaWord } from './formula-word';
import { speakerOf, type Clause } from '../section';
import { changeMeasure, withoutMeasure } from './replace-measure';
import { choiceSetting, choices, plainChoices, type Choice, type Subject } from '../setting';
import { offeredColumns } from './table-facts';

/** Settings of measures. */
export const measureSettings = {
  measure: choiceSetting({
    about: 'Measure',
    search: 'value column number',
    governs: () => ['note', 'axis title', 'legend'],
    places: perMeasure,
    plain: null,
    options: (subject, place) => [
      ...measureChoices(subject, summaryOf(subject, place)).filter(({ value }) => !isShown(subject, place, value)),
      ...(place === '0' ? [] : [{ value: '', label: 'leave it out', means: '' }]),
    ],
    now: (subject, place) => columnOf(subject, place),
    set: (subject, place, column) =>
      column === ''
        ? withoutMeasure(subject.figure, Number(place))
        : changeMeasure(subject.figure, Number(place), summaryOf(subject, place), column),
  }),
  summary: choiceSetting({
    about: 'Summed how',
    search: 'aggregate sum average mean median count lowest highest',
    places: perMeasure,
    plain: 'sum',
    options: (subject, place) => summaryChoices(subject, columnOf(subject, place)),
    now: (subject, place) => summaryOf(subject, place),
    set: (subject, place, summary) => changeMeasure(subject.figure, Number(place), summary, columnOf(subject, place)),
  }),
  layer: choiceSetting<Measure['shape']>({
    about: (subject, place) => `Draw ${measureAt(subject, place).name}`,
    search: 'shape combine columns line points',
    places: perMeasure,
    plain: 'same',
    options: [
      { value: 'same', label: 'like the figure', means: null },
      ...SHAPE_CHOICES,
      { value: 'none', label: 'in the ledger only', means: 'none' },
    ],
    now: (subject, place) => measureAt(subject, place).shape ?? 'same',
    set: (subject, place, shape) => changedMeasure(subject, place, { shape }),
  }),
  pen: penSetting('measures', changedMeasure),
};

const { say, clause } = speakerOf(measureSettings);

/** Whether another measure already summarises a column in the same way. */
const isShown = (subject: Subject, place: string, column: string): boolean =>
  subject.figure.data.measures.some((measure, i) => {
    const parts = partsOfMeasure(measure);
    return String(i) !== place && parts?.column === column && parts.summary === summaryOf(subject, place);
  });

const columnOf = (subject: Subject, place: string): string => partsOfMeasure(measureAt(subject, place))?.column ?? ROWS;
const summaryOf = (subject: Subject, place: string): string => partsOfMeasure(measureAt(subject, place))?.summary ?? 'sum';

// Text can be counted, nothing else: the other summaries are not offered for it.
function summaryChoices({ table }: Subject, column: string): readonly Choice<string>[] {
  const isNumber = table?.columns.find(item => item.name === column)?.type === 'number';
  const offered = isNumber ? SUMMARIES : SUMMARIES.filter(item => item.value === 'count');
  return choices(offered.map(({ value, label }) => [value, label] as const));
}

function measureChoices({ table }: Subject, summary: string): readonly Choice<string>[] {
  const usable = offeredColumns(table).filter(column => column.type === 'number' || summary === 'count');
  return [...plainChoices(usable.map(column => column.name)), { value: ROWS, label: 'the number of rows', means: ROWS }];
}

/** "milk summed and fat averaged as a line": the shape is named where it differs from the figure's. */
export const measureParts = (subject: Subject): readonly SentencePart[] =>
  subject.figure.data.measures.flatMap((measure, i, all) => [
    ...(i === 0 ? [] : [i === all.length - 1 ? ' and ' : ', ']),
    ...oneMeasure(subject, String(i)),
    ...(all.length > 1 && measure.shape !== null ? [' ', say('layer', subject, i)] : []),
  ]);

function oneMeasure(subject: Subject, place: string): SentencePart[] {
  const measure = measureAt(subject, place);
  const parts = partsOfMeasure(measure);
  if (!parts) return [formulaWord(`formula:${place}`, 'Measure', measure, 'measure')];
  return [say('measure', subject, place), ...(parts.column === ROWS ? [] : [' ', say('summary', subject, place)])];
}

/** Clauses about the shapes of several measures, and about lines. */
export function drawingClauses(subject: Subject): readonly Clause[] {
  const { data, shape } = subject.figure;
  const several = data.measures.length > 1;
  return data.measures.flatMap(({ name, shape: own }, place) => [
    // Decided, it stands behind its measure.
    ...(several && own === null ? [clause('layer', subject, { place, said: ['', ''], finer: [`${name} is drawn `, '.'] })] : []),
    ...(isLine(own ?? shapeOfFigure(shape))
      ? [
          clause('pen', subject, {
            place,
            said: [several ? ` The line of ${name} is ` : ' Lines are ', '.'],
            finer: [several ? `The line of ${name} is ` : 'Lines are ', '.'],
          }),
        ]
      : []),
  ]);
}
