import { MOST_BREAKS, type AxisChoice } from 'core/document';
import { typedNumber } from 'core/cue';
import { proposeBreaks, AXIS_SCALES, type Break } from 'core/scale';
import type { Option } from 'core/sentence';
import { axisEntry, plainOption, type Typed } from './axis-entry';
import { axisAt, typedValue, written } from './axis-place';
import type { Subject } from '../setting';

const NOTHING = 'nothing';
const BREAK_HINT = 'From value to value, such as “100 to 900”, several joined by “and”, or “nothing”.';
const BY_LENGTH = 'by their lengths';
const SHARE_HINT = 'A share for each stretch from the low end, such as “70 : 30”, or “by their lengths”.';

const isStraight = ({ scale }: AxisChoice): boolean => AXIS_SCALES[scale].isStraight;
const rangeWords = ({ from, to }: Break): string => `${written(from)} to ${written(to)}`;

/** Settings for values that an axis leaves out, and for the room of its parts. */
export const axisBreakSettings = {
  breaks: axisEntry({
    field: 'breaks',
    about: 'Values left out',
    search: 'break broken axis cut gap dwarf outlier skip',
    hint: BREAK_HINT,
    isFor: isStraight,
    options: offers,
    typed: breaks => (breaks.length ? breaks.map(rangeWords).join(' and ') : NOTHING),
    read: readBreaks,
  }),
  shares: axisEntry({
    field: 'shares',
    about: 'Room of the stretches',
    search: 'break broken axis share height proportion',
    hint: SHARE_HINT,
    isFor: axis => isStraight(axis) && axis.breaks.length > 0,
    options: () => [plainOption(BY_LENGTH), plainOption('50 : 50'), plainOption('70 : 30')],
    typed: shares => (shares.length ? shares.map(written).join(' : ') : BY_LENGTH),
    read: readShares,
  }),
};

/** Breaks at the largest gaps between the values at the axis, with the room that each frees. */
function offers({ facts }: Subject, place: string): Option[] {
  const own = facts.marks.filter(({ axis }) => axis === (place === 'second' ? 1 : 0));
  const values = Float64Array.from(own.flatMap(({ ends }) => [...ends]));
  const found = proposeBreaks(
    values,
    own.some(({ lengths }) => lengths),
  );
  return [
    plainOption(NOTHING),
    ...found.map(offer => plainOption(rangeWords(offer), `${rangeWords(offer)}: frees ${Math.round(offer.frees * 100)} % of the axis`)),
  ];
}

function readBreaks(text: string, subject: Subject): Typed<Break[]> {
  if (text.trim() === NOTHING || text.trim() === '') return { value: [] };
  if (subject.figure.shape.arrange === 'full')
    return { fault: 'Parts stacked to 100 % would no longer add up on a broken axis. Stack them plainly, or use a log axis.' };
  const breaks = text
    .split(/\s+and\s+/)
    .map(part => /^(.+?)\s+to\s+(.+)$/.exec(part.trim()))
    .map(match => ({ from: typedValue(subject, match?.[1] ?? ''), to: typedValue(subject, match?.[2] ?? '') }));
  if (!breaks.every(({ from, to }) => Number.isFinite(from) && Number.isFinite(to))) return { fault: BREAK_HINT };
  const backwards = breaks.find(({ from, to }) => from >= to);
  if (backwards) return { fault: `${rangeWords(backwards)} leaves out nothing: the first value must lie below the second.` };
  if (breaks.length > MOST_BREAKS) return { fault: `An axis has ${MOST_BREAKS} breaks at most.` };
  const rising = [...breaks].sort((a, b) => a.from - b.from);
  const meets = rising.find(({ from }, i) => i > 0 && from <= (rising[i - 1]?.to ?? -Infinity));
  return meets ? { fault: `${rangeWords(meets)} meets the break before it: join the two into one.` } : { value: rising };
}

function readShares(text: string, subject: Subject, place: string): Typed<number[]> {
  if (text.trim() === BY_LENGTH) return { value: [] };
  const shares = text.split(':').map(typedNumber);
  const wanted = axisAt(subject, place).breaks.length + 1;
  if (!shares.every(share => share > 0 && Number.isFinite(share))) return { fault: SHARE_HINT };
  return shares.length === wanted
    ? { value: shares }
    : {
        fault: `The axis has ${wanted} stretches: give ${wanted} shares, such as “${Array.from({ length: wanted }, () => Math.round(100 / wanted)).join(' : ')}”.`,
      };
}
