import { MISSING_BOOLEAN, type ColumnIntake, type DateStyle } from 'core/table';
import { isMissingWord, planColumn, readBoolean, textPlan, type ColumnPlan } from './column-plan';
import { dateStyleOf, parseDate, parseTimestamp } from './moments';
import { decimalMarkOf, parseGrouped, parseNumber } from './numbers';
import { quantityOf, sharedUnit } from './quantities';

const MS_PER_DAY = 86_400_000;

/**
 * The plan of a column for which something was decided: type, decimal mark, style of dates, missing marks, unit, percents as fractions. The rest is
 * found in the sample. Cost: a few passes over the sample.
 */
export function wishedPlan(
  sample: readonly string[],
  delimiter: string,
  wish: ColumnIntake | undefined,
  everywhere: readonly string[],
): ColumnPlan {
  const missing = new Set([...everywhere, ...(wish?.missing ?? [])].map(text => text.trim()));
  const texts = missing.size ? sample.filter(text => !missing.has(text.trim())) : sample;
  const plan = wish ? asWished(texts, delimiter, wish) : planColumn(texts, delimiter);
  return missing.size ? { ...plan, missing, rival: plan.rival && { ...plan.rival, missing } } : plan;
}

function asWished(sample: readonly string[], delimiter: string, wish: ColumnIntake): ColumnPlan {
  const found = wish.type === null ? planColumn(sample, delimiter) : undefined;
  const texts = sample.filter(text => !isMissingWord(text));
  switch (wish.type ?? found?.type) {
    case 'number':
      return numberAs(texts, delimiter, wish, found);
    case 'date':
    case 'timestamp':
      return momentAs(texts, wish, found);
    case 'boolean':
      return found ?? { ...textPlan(), type: 'boolean', read: readAnswer, isFixed: true };
    default:
      // What is text by wish is no identifier that a note has to explain.
      return found ?? { ...textPlan(), isFixed: true };
  }
}

function numberAs(texts: readonly string[], delimiter: string, wish: ColumnIntake, found: ColumnPlan | undefined): ColumnPlan {
  const isFound = wish.decimal === null && wish.thousands === null;
  const plain: ColumnPlan = found && isFound ? found : fixedNumber(texts, delimiter, wish);
  const unit = wish.unit === null ? plain.unit : wish.unit;
  const { unit: _, ...rest } = plain;
  const named: ColumnPlan = unit ? { ...rest, unit } : rest;
  if (!wish.fractions) return named;
  // The fraction takes the percent sign's place.
  const { unit: percent, rival: __, ...scaled } = named;
  return {
    ...scaled,
    ...(percent && percent !== '%' ? { unit: percent } : {}),
    isFixed: true,
    read: text => hundredth(plain.read(text)),
  };
}

/** A hundredth in decimal arithmetic: 4.1 becomes 0.041. */
function hundredth(value: number): number {
  const text = String(value);
  return Number.isFinite(value) && !text.includes('e') ? Number(`${text}e-2`) : value / 100;
}

function fixedNumber(texts: readonly string[], delimiter: string, { decimal: wished, thousands }: ColumnIntake): ColumnPlan {
  const unit = sharedUnit(texts);
  const bare = (text: string): string => {
    const quantity = quantityOf(text);
    return quantity.unit === unit || quantity.unit === '' ? quantity.number : text;
  };
  // What groups thousands is no decimal mark.
  const other = thousands === 'point' ? 'comma' : thousands === 'comma' ? 'point' : null;
  const decimal = other ?? wished ?? decimalMarkOf(texts.map(bare), delimiter).mark;
  const number = (text: string): number => (thousands === null ? parseNumber(text, decimal) : parseGrouped(text, decimal, thousands));
  return {
    type: 'number',
    read: text => number(unit === undefined ? text : bare(text)),
    reading: { decimal, dates: 'iso' },
    isFixed: true,
    ...(unit === undefined ? {} : { unit }),
  };
}

/** A date read from a timestamp, or a timestamp from a date, where the analyst chose so. */
function momentAs(texts: readonly string[], { type, dates: wished }: ColumnIntake, found: ColumnPlan | undefined): ColumnPlan {
  if (found && wished === null) return found;
  const isDate = (type ?? found?.type) === 'date';
  const read = (text: string, style: DateStyle): number => {
    const [day, moment] = [parseDate(text, style), parseTimestamp(text, style)];
    if (isDate) return Number.isNaN(day) ? Math.floor(moment / MS_PER_DAY) : day;
    return Number.isNaN(moment) ? day * MS_PER_DAY : moment;
  };
  const dates = wished ?? dateStyleOf(texts, read)?.style ?? 'iso';
  return {
    type: isDate ? 'date' : 'timestamp',
    read: text => read(text, dates),
    reading: { decimal: 'point', dates },
    isFixed: true,
  };
}

const ANSWERS: Readonly<Record<string, number>> = { 1: 1, y: 1, t: 1, 0: 0, n: 0, f: 0 };

/** More words for yes and no, where the analyst chose booleans. */
function readAnswer(text: string): number {
  const raw = readBoolean(text);
  return raw === MISSING_BOOLEAN ? (ANSWERS[text.trim().toLowerCase()] ?? MISSING_BOOLEAN) : raw;
}
