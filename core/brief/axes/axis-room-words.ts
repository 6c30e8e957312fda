import { AXIS_SCALES } from 'core/scale';
import { MOST_HEADROOM, type AxisChoice } from 'core/document';
import { typedNumber } from 'core/cue';
import { axisEntry, plainOption, type Typed } from './axis-entry';
import { aboutOf, AXIS_NAMES, axisAt, axisPart, changedAxis, plainAt, typedValue, written } from './axis-place';
import { choiceSetting, yesNo, type Setting, type Subject } from '../setting';

const NEEDED = 'as much as labels need';
const HEADROOM_HINT = 'A percent of the axis up to 90 %, a value such as 5, or “as much as labels need”.';
const NONE = 'none';
const FITTING = 'fitting';
const STEP_HINT = 'A value from number to number such as 5, “about 8” for so many steps, or “fitting”.';
const MOST_STEPS = 50;

type Headroom = AxisChoice['headroom'];
type Step = AxisChoice['step'];

/** Settings for room beyond the data, its limits, steps and direction. */
export const axisRoomSettings = {
  headroom: axisEntry({
    field: 'headroom',
    about: 'Headroom',
    search: 'axis room free space padding margin above',
    hint: HEADROOM_HINT,
    options: () => [plainOption(NEEDED), plainOption('0 %', 'nothing'), plainOption('5 %'), plainOption('10 %'), plainOption('20 %')],
    typed: headroomWords,
    read: readHeadroom,
  }),
  ceiling: limitSetting('ceiling'),
  floor: limitSetting('floor'),
  'axis-step': axisEntry({
    field: 'step',
    about: 'Steps of the axis',
    search: 'tick interval major numbers gridlines count',
    hint: STEP_HINT,
    isFor: ({ scale }) => AXIS_SCALES[scale].isStraight,
    options: () => [plainOption(FITTING), plainOption('about 3'), plainOption('about 8')],
    typed: step => (step === null ? FITTING : `${step.as === 'count' ? 'about ' : ''}${written(step.amount)}`),
    reads: step => (step === null ? 'fitting steps' : step.as === 'by' ? `steps of ${written(step.amount)}` : `about ${step.amount} steps`),
    read: readStep,
  }),
  reversed: choiceSetting({
    about: (_subject, place) => aboutOf('Direction of the axis', place),
    search: 'reverse reversed invert upside down flip',
    governs: place => [axisPart(place)],
    places: () => AXIS_NAMES,
    plain: (_subject, place) => String(plainAt(place).reversed),
    options: yesNo('from high to low', 'from low to high'),
    now: (subject, place) => String(axisAt(subject, place).reversed),
    set: (subject, place, reversed) => changedAxis(subject, place, { reversed }),
  }),
};

function headroomWords(headroom: Headroom): string {
  if (headroom === null) return NEEDED;
  return headroom.as === 'share' ? `${written(headroom.amount * 100)} %` : written(headroom.amount);
}

function readHeadroom(text: string): Typed<Headroom> {
  if (text.trim() === NEEDED) return { value: null };
  const percent = /^(.*\S)\s*%$/.exec(text.trim());
  const amount = typedNumber(percent ? (percent[1] as string) : text) / (percent ? 100 : 1);
  const fits = amount >= 0 && (percent ? amount <= MOST_HEADROOM : Number.isFinite(amount));
  return fits ? { value: { as: percent ? 'share' : 'value', amount } } : { fault: HEADROOM_HINT };
}

function readStep(text: string): Typed<Step> {
  if (text.trim() === FITTING) return { value: null };
  const about = /^about\s+(.*)$/.exec(text.trim());
  const amount = typedNumber(about ? (about[1] as string) : text);
  if (!(amount > 0) || !Number.isFinite(amount)) return { fault: STEP_HINT };
  if (about && (amount > MOST_STEPS || !Number.isInteger(amount))) return { fault: `A whole number of steps, ${MOST_STEPS} at most.` };
  return { value: { as: about ? 'count' : 'by', amount } };
}

/** The setting for a limit of the room, at one end. */
function limitSetting(end: 'ceiling' | 'floor'): Setting {
  const hint = `A number or a percent that headroom never passes, or “${NONE}”.`;
  return axisEntry({
    field: end,
    about: end === 'ceiling' ? 'Ceiling' : 'Floor',
    search: `axis cap limit ${end === 'ceiling' ? 'maximum 100 above' : 'minimum zero below'}`,
    hint,
    options: () => [plainOption(NONE), ...(end === 'ceiling' ? [plainOption('100 %')] : [plainOption('0')])],
    typed: bound => (bound === null ? NONE : written(bound)),
    reads: bound => (bound === null ? `no ${end}` : `a ${end} of ${written(bound)}`),
    read: (text, subject, place) => readLimit(text, subject, place, end, hint),
  });
}

function readLimit(text: string, subject: Subject, place: string, end: 'ceiling' | 'floor', hint: string): Typed<number | null> {
  if (text.trim() === NONE) return { value: null };
  const value = typedValue(subject, text);
  if (!Number.isFinite(value)) return { fault: hint };
  const axis = axisAt(subject, place);
  const [floor, ceiling] = end === 'floor' ? [value, axis.ceiling] : [axis.floor, value];
  if (floor === null || ceiling === null || floor < ceiling) return { value };
  return { fault: `The floor, ${written(floor)}, must lie below the ceiling, ${written(ceiling)}.` };
}
