import { typedNumber } from 'core/cue';
import { alongClauses, alongSettings } from './along-words';
import { isTable, isLying, plainScales } from 'core/document';
import { unitOf } from 'core/frame';
import { failure, success } from 'core/result';
import { written } from './axis-place';
import { axisClauses, axisSettings } from './axis-words';
import { AXIS_CHOICES, changedMeasure, firstMeasure, formatChoices, measureAt, perMeasure } from '../data/columns';
import { layerCount } from '../data/layer-count';
import { finerOf, proseOf, speakerOf, type Clause, type Section } from '../section';
import { choices, choiceSetting, textSetting, yesNo, type Choice, type Setting, type Subject } from '../setting';

const DECIMALS: readonly Choice<number | null>[] = [
  { value: 'auto', label: 'fitting', means: null },
  ...[0, 1, 2, 3].map(count => ({ value: String(count), label: String(count), means: count })),
];
const LEFT_RIGHT = choices([
  ['near', 'on the left'],
  ['far', 'on the right'],
]);
const BELOW_ABOVE = choices([
  ['near', 'below'],
  ['far', 'above'],
]);
const decimalsWord = (decimals: number | null): string => String(decimals ?? 'auto');

const TIE_HINT = 'A number above zero: what one of the first axis is worth at the second.';

/** The setting for the factor between the second axis and the first. */
const tieSetting: Setting = {
  about: () => 'Factor between the axes',
  search: 'dual second tied ratio exchange convert',
  governs: () => ['axis second', 'axis title second'],
  places: figure => (figure.scales.between === 'tied' ? [''] : []),
  plain: () => written(plainScales.tie),
  word: ({ figure }, _place, key) => ({
    key,
    about: 'Factor between the axes',
    text: written(figure.scales.tie),
    input: {
      kind: 'entry',
      value: written(figure.scales.tie),
      options: ['0.1', '10', '1,000'].map(value => ({ value, label: value })),
      hint: TIE_HINT,
      check: text => (isTie(typedNumber(text)) ? null : TIE_HINT),
    },
  }),
  choose: ({ figure }, _place, text) =>
    isTie(typedNumber(text))
      ? success({ scales: { ...figure.scales, tie: typedNumber(text) } })
      : failure({ code: 'setting-entry', words: TIE_HINT }),
};

const isTie = (factor: number): boolean => factor > 0 && Number.isFinite(factor);

/** Settings for number formats and axes. */
export const scalesSettings = {
  unit: textSetting({
    about: 'Unit',
    search: 'measure currency suffix',
    governs: () => ['note', 'axis'],
    plain: unitOfFirst,
    nothing: 'no unit',
    now: subject => subject.figure.scales.unit ?? unitOfFirst(subject),
    set: ({ figure }, unit) => ({ scales: { ...figure.scales, unit } }),
  }),
  decimals: choiceSetting({
    about: 'Decimals',
    search: 'digits precision round',
    governs: () => ['axis'],
    plain: decimalsWord(plainScales.decimals),
    options: DECIMALS,
    now: ({ figure }) => decimalsWord(figure.scales.decimals),
    set: ({ figure }, _place, decimals) => ({ scales: { ...figure.scales, decimals } }),
  }),
  gridlines: choiceSetting({
    about: 'Gridlines',
    search: 'lines background hair',
    governs: () => ['axis'],
    plain: String(plainScales.gridlines),
    options: yesNo('hair-thin', 'no'),
    now: ({ figure }) => String(figure.scales.gridlines),
    set: ({ figure }, _place, gridlines) => ({ scales: { ...figure.scales, gridlines } }),
  }),
  'zero-line': choiceSetting({
    about: 'Line at zero',
    search: 'zero baseline bold axis line gridlines',
    governs: () => ['axis'],
    plain: plainScales.zeroLine,
    options: choices([
      ['auto', 'stronger than the gridlines where values lie on both sides'],
      ['bold', 'bold'],
      ['none', 'like the gridlines'],
    ]),
    now: ({ figure }) => figure.scales.zeroLine,
    set: ({ figure }, _place, zeroLine) => ({ scales: { ...figure.scales, zeroLine } }),
  }),
  format: choiceSetting({
    about: (subject, place) => `How ${measureAt(subject, place).name} is written`,
    search: 'number format percent thousands',
    governs: () => ['axis'],
    places: perMeasure,
    plain: '',
    options: ({ formats }) => formatChoices(formats),
    now: (subject, place) => measureAt(subject, place).format ?? '',
    set: (subject, place, format) => changedMeasure(subject, place, { format }),
  }),
  'measure-axis': choiceSetting({
    about: (subject, place) => `Axis of ${measureAt(subject, place).name}`,
    search: 'second axis dual two axes right',
    governs: () => ['axis', 'axis title'],
    places: perMeasure,
    plain: 'first',
    options: AXIS_CHOICES,
    now: (subject, place) => measureAt(subject, place).axis,
    set: (subject, place, axis) => changedMeasure(subject, place, { axis }),
  }),
  between: choiceSetting({
    about: 'Between the axes',
    search: 'dual second matched zeros align',
    governs: () => ['axis', 'axis title'],
    plain: plainScales.between,
    options: choices([
      ['free', 'free'],
      ['matched', 'matched: one scale'],
      ['tied', 'tied by a factor'],
      ['zeros', 'free, their zeros at one height'],
    ]),
    now: ({ figure }) => figure.scales.between,
    set: ({ figure }, _place, between) => ({ scales: { ...figure.scales, between } }),
  }),
  tie: tieSetting,
  'panel-scales': choiceSetting({
    about: 'Scales of the panels',
    search: 'shared same small multiples',
    governs: () => ['axis', 'panel'],
    plain: plainScales.panels,
    options: choices([
      ['matched', 'share one scale'],
      ['rows', 'share a scale with those beside them'],
      ['columns', 'share a scale with those above and below'],
      ['free', 'have a scale each'],
    ]),
    now: ({ figure }) => figure.scales.panels,
    set: ({ figure }, _place, panels) => ({ scales: { ...figure.scales, panels } }),
  }),
  'axis-side': choiceSetting({
    about: 'Side of the axis',
    search: 'left right above below position opposite',
    governs: () => ['axis', 'axis second'],
    plain: plainScales.side,
    options: ({ figure }) => (isLying(figure.shape) ? BELOW_ABOVE : LEFT_RIGHT),
    now: ({ figure }) => figure.scales.side,
    set: ({ figure }, _place, side) => ({ scales: { ...figure.scales, side } }),
  }),
  ...axisSettings,
  ...alongSettings,
};

const { clause } = speakerOf(scalesSettings);

/** The unit of the first measure from its columns; empty where it has none. */
function unitOfFirst({ figure, table }: Subject): string {
  return (table && unitOf(firstMeasure(figure), table.units)) ?? '';
}

/** The section about units, decimals, gridlines, the axis of each measure, the axes and the categories. */
export function scalesSection(subject: Subject): Section {
  // A table has no axes: how its values are written is all there is to say.
  const clauses = isTable(subject.figure)
    ? valueClauses(subject)
    : [...writingClauses(subject), ...axesClauses(subject), ...alongClauses(subject)];
  return { said: proseOf(clauses), finer: finerOf(clauses) };
}

function valueClauses(subject: Subject): Clause[] {
  const { measures } = subject.figure.data;
  const formats = subject.formats.length ? measures : [];
  return [
    clause('unit', subject, { said: ['Values stand in ', '.'], finer: ['Values stand in ', '.'] }),
    clause('decimals', subject, { said: [' Numbers have ', ' decimals.'], finer: ['Numbers have ', ' decimals.'] }),
    ...formats.map(({ name }, place) =>
      clause('format', subject, { place, said: [` Write ${name} `, '.'], finer: [`${name} is written `, '.'] }),
    ),
  ];
}

function writingClauses(subject: Subject): Clause[] {
  return [
    ...valueClauses(subject),
    clause('zero-line', subject, { said: [' The line at zero is ', '.'], finer: ['The line at zero is ', '.'] }),
    clause('gridlines', subject, { said: [' There are ', ' gridlines.'], finer: ['Gridlines are ', '.'] }),
  ];
}

function axesClauses(subject: Subject): Clause[] {
  const { data, cues } = subject.figure;
  const second = [...data.measures, ...data.helpers].some(column => column.axis === 'second') || cues.some(usesSecond);
  const several = layerCount(subject.figure) > 1 || second;
  return [
    ...(several ? data.measures : []).map(({ name }, place) =>
      clause('measure-axis', subject, { place, said: [` Read ${name} `, '.'], finer: [`${name} is read `, '.'] }),
    ),
    ...axisClauses(subject, 'first', second ? 'The first axis' : 'The axis'),
    clause('axis-side', subject, {
      said: [` ${second ? 'The first axis' : 'The axis'} stands `, '.'],
      finer: [`${second ? 'The first axis' : 'The axis'} stands `, '.'],
    }),
    ...(second ? axisClauses(subject, 'second', 'The second axis') : []),
    ...(second ? [clause('between', subject, { said: [' The two axes are ', '.'], finer: ['The two axes are ', '.'] })] : []),
    ...(second && subject.figure.scales.between === 'tied'
      ? [
          clause('tie', subject, {
            said: [' The second stands for ', ' times the first.'],
            finer: ['The second axis stands for ', ' times the first.'],
          }),
        ]
      : []),
    ...(data.panel === null ? [] : [clause('panel-scales', subject, { said: [' The panels ', '.'], finer: ['The panels ', '.'] })]),
  ];
}

const usesSecond = (cue: Subject['figure']['cues'][number]): boolean =>
  'axis' in cue && cue.axis === 'second' && (!('draw' in cue) || cue.draw !== 'none');
