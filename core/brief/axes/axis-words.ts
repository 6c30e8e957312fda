import { MOST_BOUND, type AxisChoice } from 'core/document';
import { compileFormula } from 'core/formula';
import type { FigureData } from 'core/frame';
import { messageFor } from 'core/result/words';
import { AXIS_SCALES } from 'core/scale';
import { speakerOf, type Clause } from '../section';
import { axisBreakSettings } from './axis-break-words';
import { axisEntry, plainOption, type Typed } from './axis-entry';
import { aboutOf, AXIS_NAMES, axisAt, axisPart, changedAxis, plainAt, typedValue, written, type AxisName } from './axis-place';
import { axisRoomSettings } from './axis-room-words';
import { axisScaleSettings } from './axis-scale-words';
import { choices, choiceSetting, columnNamed, yesNo, type Setting, type Subject } from '../setting';

/** The word for an end that follows the data. */
const FITTING = 'fitting';
const HINT = 'A number, a percent, a formula such as “0.8 * min(…)”, or “fitting” to follow the data.';

/** All settings of a value axis. */
export const axisSettings = {
  ...axisScaleSettings,
  zero: choiceSetting({
    about: (_subject, place) => aboutOf('Zero', place),
    search: 'axis baseline start origin negative',
    governs: place => [axisPart(place)],
    places: () => AXIS_NAMES,
    plain: (_subject, place) => plainAt(place).zero,
    options: choices([
      ['auto', 'starts as its shapes need'],
      ['kept', 'keeps zero'],
      ['out', 'leaves zero out'],
    ]),
    now: (subject, place) => axisAt(subject, place).zero,
    set: (subject, place, zero) => changedAxis(subject, place, { zero }),
  }),
  low: boundSetting('low'),
  high: boundSetting('high'),
  ...axisRoomSettings,
  ...axisBreakSettings,
  numbers: choiceSetting({
    about: (_subject, place) => aboutOf('Numbers of the axis', place),
    search: 'tick labels hide show',
    governs: place => [axisPart(place)],
    places: () => AXIS_NAMES,
    plain: (_subject, place) => String(plainAt(place).numbers),
    options: yesNo('with numbers', 'without numbers'),
    now: (subject, place) => String(axisAt(subject, place).numbers),
    set: (subject, place, numbers) => changedAxis(subject, place, { numbers }),
  }),
};

/** The setting for one end of an axis: a number, a formula, or as the data needs it. */
function boundSetting(end: 'low' | 'high'): Setting {
  return axisEntry({
    field: end,
    about: end === 'low' ? 'Lower end' : 'Upper end',
    search: 'axis bound limit minimum maximum range from to negative formula',
    hint: HINT,
    options: () => [plainOption(FITTING)],
    typed: bound => (bound === null ? FITTING : typeof bound === 'string' ? bound : written(bound)),
    read: (text, subject, place) => readBound(text, subject, place, end),
  });
}

/** Reads a typed end, given the other end and the scale. */
function readBound(text: string, subject: Subject, place: string, end: 'low' | 'high'): Typed<AxisChoice['low']> {
  if (text.trim() === FITTING) return { value: null };
  const axis = axisAt(subject, place);
  const bound = typedValue(subject, text);
  if (!Number.isFinite(bound)) return readFormula(text.trim(), subject);
  const { isDefinedAt, axisWords } = AXIS_SCALES[axis.scale];
  if (!isDefinedAt(bound)) return { fault: `${opening(axisWords)} axis has no place for ${written(bound)}: its ends lie above zero.` };
  const [low, high] = end === 'low' ? [bound, axis.high] : [axis.low, bound];
  // What a formula gives is known when it is computed.
  if (typeof low !== 'number' || typeof high !== 'number' || low < high) return { value: bound };
  return {
    fault: `The axis would run backwards: its lower end, ${written(low)}, must lie below its upper end, ${written(high)}.`,
  };
}

/** A formula over the figure's measures and helper columns; names and types are checked. */
function readFormula(text: string, subject: Subject): Typed<string> {
  const { data } = subject.figure;
  if (text === '' || text.length > MOST_BOUND) return { fault: HINT };
  const category = columnNamed(subject, data.category);
  const scope = new Map([...(category ? [[category.name, category.type] as const] : []), ...numbersOf(data)]);
  const compiled = compileFormula(text, scope, 'measure');
  return compiled.ok ? { value: text } : { fault: [...compiled.problems.map(messageFor), HINT].join(' ') };
}

const opening = (words: string): string => `${words.charAt(0).toUpperCase()}${words.slice(1)}`;

const numbersOf = ({ measures, helpers }: FigureData): (readonly [string, 'number'])[] =>
  [...measures, ...helpers].map(({ name }) => [name, 'number'] as const);

const { clause } = speakerOf(axisSettings);

/** "The axis is a log scale. It begins at 10. It has no numbers." */
export function axisClauses(subject: Subject, place: AxisName, name: string): readonly Clause[] {
  const { scale, breaks } = axisAt(subject, place);
  const of = (setting: keyof typeof axisSettings, said: string, after = '.'): Clause =>
    clause(setting, subject, { place, said: [` ${name} ${said} `, after], finer: [`${name} ${said} `, after] });
  const { isStraight, hasBase } = AXIS_SCALES[scale];
  return [
    of('scale', 'is'),
    ...(hasBase ? [of('base', 'has the base'), of('every', 'has a number at')] : []),
    ...(isStraight ? [clause('zero', subject, { place, said: [` ${name} `, '.'], finer: [`${name} `, '.'] })] : []),
    clause('low', subject, { place, said: [` ${name} begins at `, '.'], finer: [`${name} begins at a `, ' value.'] }),
    clause('high', subject, { place, said: [` ${name} ends at `, '.'], finer: [`${name} ends at a `, ' value.'] }),
    of('headroom', 'keeps', ' free beyond the data.'),
    of('ceiling', 'has'),
    of('floor', 'has'),
    ...(isStraight ? [of('axis-step', 'has'), of('breaks', 'leaves out')] : []),
    ...(breaks.length && isStraight ? [of('shares', 'gives its stretches room')] : []),
    of('reversed', 'runs'),
    clause('numbers', subject, { place, said: [` ${name} stands `, '.'], finer: [`${name} stands `, '.'] }),
    of('written', 'writes its numbers'),
    of('power', 'counts'),
    of('axis-title', 'is titled'),
  ];
}
