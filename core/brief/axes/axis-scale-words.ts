import { MOST_BASE, type AxisChoice } from 'core/document';
import { powerText } from 'core/format';
import { baseWord, AXIS_SCALES, SCALE_NAMES, type ScaleName } from 'core/scale';
import { typedNumber } from 'core/cue';
import { axisEntry, plainOption } from './axis-entry';
import { aboutOf, AXIS_NAMES, axisAt, axisPart, changedAxis, plainAt, written } from './axis-place';
import { choices, choiceSetting } from '../setting';

const BASE_HINT = 'A number above 1, such as 2 or 10, or e.';
const FITTING = 'fitting';
const EVERY_HINT = 'A whole number of powers from one number to the next, or “fitting”.';
const MOST_POWERS = 100;
const NO_POWER = 'plain values';
const MOST_POWER = 30;
const POWER_HINT = `A whole power of ten up to 30, such as 5, or “${NO_POWER}”.`;
const OWN_TITLE = 'what is read there';
const MOST_TITLE = 200;

const hasBase = ({ scale }: AxisChoice): boolean => AXIS_SCALES[scale].hasBase;
/** A bound that is defined on a scale, else null, which fits the axis to the data. */
const boundOn = (scale: ScaleName, bound: AxisChoice['low']): AxisChoice['low'] =>
  typeof bound === 'number' && !AXIS_SCALES[scale].isDefinedAt(bound) ? null : bound;

/** Settings for the kind of scale. */
export const axisScaleSettings = {
  scale: choiceSetting({
    about: (_subject, place) => aboutOf('Scale of the axis', place),
    search: 'linear log logarithmic exponential powers orders of magnitude symmetric',
    governs: place => [axisPart(place)],
    places: () => AXIS_NAMES,
    plain: (_subject, place) => plainAt(place).scale,
    options: choices(SCALE_NAMES.map(name => [name, AXIS_SCALES[name].words] as const)),
    now: (subject, place) => axisAt(subject, place).scale,
    // A bound without a place on the scale would stand in the sentence without a meaning.
    set: (subject, place, scale) => {
      const { low, high } = axisAt(subject, place);
      return changedAxis(subject, place, { scale, low: boundOn(scale, low), high: boundOn(scale, high) });
    },
  }),
  base: axisEntry({
    field: 'base',
    about: 'Base of the logarithm',
    search: 'log powers ten two e natural',
    hint: BASE_HINT,
    isFor: hasBase,
    options: () => ['2', 'e', '10'].map(base => plainOption(base)),
    typed: baseWord,
    read(text) {
      const base = text.trim() === 'e' ? Math.E : typedNumber(text);
      return base > 1 && base <= MOST_BASE ? { value: base } : { fault: `${BASE_HINT} At most ${written(MOST_BASE)}.` };
    },
  }),
  every: axisEntry({
    field: 'every',
    about: 'Numbers of a log axis',
    search: 'log powers labels ticks every',
    hint: EVERY_HINT,
    isFor: hasBase,
    options: () => [plainOption(FITTING, 'as many powers as fit'), plainOption('1', 'every power'), plainOption('2'), plainOption('3')],
    typed: every => (every === null ? FITTING : String(every)),
    reads: every => (every === null ? 'as many powers as fit' : every === 1 ? 'every power' : `one power in ${every}`),
    read(text) {
      if (text.trim() === FITTING) return { value: null };
      const every = typedNumber(text);
      return Number.isInteger(every) && every >= 1 && every <= MOST_POWERS ? { value: every } : { fault: EVERY_HINT };
    },
  }),
  power: axisEntry({
    field: 'power',
    about: 'Power of ten that the axis counts in',
    search: 'axis title scientific exponent thousands millions unit',
    hint: POWER_HINT,
    options: () => [plainOption(NO_POWER), ...[3, 5, 6].map(power => plainOption(String(power), powerText(10, power)))],
    typed: power => (power === null ? NO_POWER : String(power)),
    reads: power => (power === null ? NO_POWER : `in ${powerText(10, power)}`),
    read(text) {
      if (text.trim() === NO_POWER) return { value: null };
      const power = typedNumber(text);
      return Number.isInteger(power) && Math.abs(power) <= MOST_POWER ? { value: power } : { fault: POWER_HINT };
    },
  }),
  'axis-title': axisEntry({
    field: 'title',
    about: 'Title of the axis',
    search: 'axis name label words unit',
    hint: `Any words, or “${OWN_TITLE}”.`,
    options: () => [plainOption(OWN_TITLE)],
    typed: title => title ?? OWN_TITLE,
    read(text) {
      const title = text.trim();
      if (title === OWN_TITLE || title === '') return { value: null };
      return title.length <= MOST_TITLE ? { value: title } : { fault: `A title has ${MOST_TITLE} characters at most.` };
    },
  }),
  written: choiceSetting({
    about: (_subject, place) => aboutOf('How the axis writes its numbers', place),
    search: 'tick labels unit powers superscript exponent',
    governs: place => [axisPart(place)],
    places: () => AXIS_NAMES,
    plain: (_subject, place) => plainAt(place).written,
    options: choices([
      ['plain', 'plain'],
      ['unit', 'with their unit'],
      ['powers', 'as powers of the base'],
    ]),
    now: (subject, place) => axisAt(subject, place).written,
    set: (subject, place, way) => changedAxis(subject, place, { written: way }),
  }),
};
