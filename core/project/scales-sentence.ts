import { typedNumber } from 'core/cue';
import { choiceToken, plainOptions, textToken, type Option, type Sentence, type SentencePart, type Token } from 'core/sentence';
import { formatToken, type TableWords } from './brief';
import { unitOf } from './measure-names';
import type { Figure, NumberFormat } from './schema';
import { layerCount } from './shape-options';

export const AXIS_OPTIONS: readonly Option[] = [
  { value: 'first', label: 'on the first axis' },
  { value: 'second', label: 'on the second axis' },
];

const DECIMALS: readonly Option[] = [{ value: 'auto', label: 'fitting' }, ...plainOptions(['0', '1', '2', '3'])];

/** Units, decimals, gridlines; which axis each measure is read at; how each axis runs. */
export function scalesSentence(figure: Figure, table: TableWords | undefined, formats: readonly NumberFormat[]): Sentence {
  const { data, scales } = figure;
  const [measure] = data.measures;
  const own = (measure && table && unitOf(measure, table.units)) ?? '';
  const written = data.measures.flatMap(({ name, format }, i): SentencePart[] => [
    ` Write ${name} `,
    formatToken(`format:${i}`, name, format, formats),
    '.',
  ]);
  return [
    'Values stand in ',
    textToken('unit', 'Unit', scales.unit ?? own, 'no unit'),
    ' with ',
    choiceToken('decimals', 'Decimals', String(scales.decimals ?? 'auto'), DECIMALS),
    ' decimals and ',
    choiceToken('gridlines', 'Gridlines', String(scales.gridlines), [
      { value: 'true', label: 'hair-thin' },
      { value: 'false', label: 'no' },
    ]),
    ' gridlines.',
    ...(formats.length ? written : []),
    ...axesParts(figure),
  ];
}

function axesParts(figure: Figure): SentencePart[] {
  const { data, scales } = figure;
  const placed = data.measures.flatMap(({ name, axis }, i): SentencePart[] => [
    i ? ', ' : ' Read ',
    `${name} `,
    choiceToken(`measure-axis:${i}`, `Axis of ${name}`, axis, AXIS_OPTIONS),
  ]);
  const second = [...data.measures, ...data.helpers].some(column => column.axis === 'second') || figure.cues.some(usesSecond);
  return [
    ...(layerCount(figure) > 1 || second ? [...placed, '.'] : []),
    ...axisParts(figure, 'first', second ? 'The first axis' : 'The axis'),
    ...(second ? axisParts(figure, 'second', 'The second') : []),
    ...(second ? [' The two are ', choiceToken('between', 'Between the axes', scales.between, BETWEEN), '.'] : []),
  ];
}

const usesSecond = (cue: Figure['cues'][number]): boolean =>
  'axis' in cue && cue.axis === 'second' && (!('draw' in cue) || cue.draw !== 'none');

const BETWEEN: readonly Option[] = [
  { value: 'free', label: 'free' },
  { value: 'matched', label: 'matched: one scale' },
  { value: 'zeros', label: 'free, their zeros at one height' },
];

const ZERO: readonly Option[] = [
  { value: 'auto', label: 'starts as its shapes need' },
  { value: 'kept', label: 'keeps zero' },
  { value: 'out', label: 'leaves zero out' },
];

function axisParts({ scales }: Figure, which: 'first' | 'second', name: string): SentencePart[] {
  const { zero, low, high, numbers } = scales.axes[which];
  return [
    ` ${name} `,
    choiceToken(`axis:${which}:zero`, 'Zero', zero, ZERO),
    ', from ',
    boundToken(`axis:${which}:low`, 'Lower end', low),
    ' to ',
    boundToken(`axis:${which}:high`, 'Upper end', high),
    ', ',
    choiceToken(`axis:${which}:numbers`, 'Numbers of the axis', String(numbers), [
      { value: 'true', label: 'with numbers' },
      { value: 'false', label: 'without numbers' },
    ]),
    '.',
  ];
}

const BOUND_HINT = 'A number, or “fitting” to follow the data.';

function boundToken(key: string, about: string, bound: number | null): Token {
  const text = bound === null ? 'fitting' : bound.toLocaleString('en', { maximumFractionDigits: 12 });
  const check = (typed: string): string | null => (typed.trim() === 'fitting' || Number.isFinite(typedNumber(typed)) ? null : BOUND_HINT);
  return {
    key,
    about,
    text,
    input: { kind: 'entry', value: text, options: [{ value: 'fitting', label: 'fitting' }], hint: BOUND_HINT, check },
  };
}
