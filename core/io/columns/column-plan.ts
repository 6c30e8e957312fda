import { MISSING_BOOLEAN, type ColumnType, type DateStyle, type Reading } from 'core/table';
import { identifierAmong, type IdentifierSign } from './identifiers';
import { dateStyleOf, hasShortYear, isFinerThanMs, parseDate, parseTimestamp } from './moments';
import { decimalMarkOf, parseNumber, type DecimalMark } from './numbers';
import { quantityOf, sharedUnit } from './quantities';

/** How the texts of one column are read as values. */
export interface ColumnPlan {
  readonly type: ColumnType;
  /** The raw number of a text that is no missing mark, NaN when it does not fit; not used for text. */
  readonly read: (text: string) => number;
  readonly reading: Reading;
  /** A text whose reading is an assumption, such as a date where day or month may come first. */
  readonly doubtful?: string | undefined;
  /** The alternative reading of such texts. It is used where it reads rows that the plan does not, and the plan reads none that it does not. */
  readonly rival?: ColumnPlan | undefined;
  /** The unit before or after every number. */
  readonly unit?: string;
  /** The reason why digits stay text. */
  readonly identifier?: { readonly sign: IdentifierSign; readonly example: string };
  /** A date with a two-digit year. */
  readonly shortYear?: string | undefined;
  /** A time more precise than values can store. */
  readonly finer?: string | undefined;
  /** Chosen by the analyst: a text that does not fit is missing, and no row changes the plan. */
  readonly isFixed?: boolean;
  /** Texts that mean missing, in addition to the usual ones. */
  readonly missing?: ReadonlySet<string> | undefined;
}

// Words that stand for a missing value wherever the rest of the column is not text.
const MISSING_WORDS = new Set(['', '-', '–', '—', '…', '?', 'na', 'n/a', 'nan', 'null', 'none', '#n/a', 'missing']);
/** Whether a text stands for a missing value, such as "n/a". */
export function isMissingWord(text: string): boolean {
  if (text === '') return true;
  const first = text.charCodeAt(0);
  // No word among them starts with a digit, as most cells that come here do.
  return !(first >= 48 && first <= 57) && text.length < 8 && MISSING_WORDS.has(text.trim().toLowerCase());
}

// A column is of a type when nearly all of its texts are; the few others are reported one by one.
export const NEARLY_ALL = 0.9;
const PLAIN_READING: Reading = { decimal: 'point', dates: 'iso' };

/** The plan of a column of texts. */
export const textPlan = (identifier?: ColumnPlan['identifier']): ColumnPlan => ({
  type: 'text',
  read: () => NaN,
  reading: PLAIN_READING,
  ...(identifier ? { identifier } : {}),
});

/** Chooses a column's type from a sample of its texts. A column with only missing marks is a number column. */
export function planColumn(sample: readonly string[], delimiter: string): ColumnPlan {
  const texts = sample.filter(text => !isMissingWord(text));
  if (texts.length > 0 && texts.every(text => readBoolean(text) !== MISSING_BOOLEAN))
    return { type: 'boolean', read: readBoolean, reading: PLAIN_READING };
  return (
    planMoment(texts, 'date', parseDate) ?? planMoment(texts, 'timestamp', parseTimestamp) ?? planNumber(texts, delimiter) ?? textPlan()
  );
}

function planMoment(
  texts: readonly string[],
  type: 'date' | 'timestamp',
  parse: (text: string, style: DateStyle) => number,
): ColumnPlan | undefined {
  const vote = texts.length ? dateStyleOf(texts, parse) : undefined;
  if (!vote || vote.fitting < texts.length * NEARLY_ALL) return undefined;
  const plan = (style: DateStyle): ColumnPlan => ({
    type,
    read: text => parse(text, style),
    reading: { decimal: 'point', dates: style },
    shortYear: type === 'date' && style !== 'iso' ? texts.find(hasShortYear) : undefined,
    finer: type === 'timestamp' ? texts.find(isFinerThanMs) : undefined,
  });
  return { ...plan(vote.style), doubtful: vote.doubtful, rival: vote.rival && plan(vote.rival) };
}

function planNumber(texts: readonly string[], delimiter: string): ColumnPlan | undefined {
  const identifier = identifierAmong(texts);
  const plan = plainNumbers(texts, delimiter) ?? numbersWithUnit(texts, delimiter);
  return plan && identifier ? textPlan(identifier) : plan;
}

function plainNumbers(texts: readonly string[], delimiter: string): ColumnPlan | undefined {
  const { mark, doubtful } = decimalMarkOf(texts, delimiter);
  const fitting = texts.filter(text => !Number.isNaN(parseNumber(text, mark))).length;
  if (fitting < texts.length * NEARLY_ALL) return undefined;
  const plan = (own: DecimalMark): ColumnPlan => ({
    type: 'number',
    read: text => parseNumber(text, own),
    reading: { decimal: own, dates: 'iso' },
  });
  return { ...plan(mark), doubtful, rival: doubtful === undefined ? undefined : plan(mark === 'point' ? 'comma' : 'point') };
}

/** Numbers with a common unit. A bare number has the unit too; a number with another unit does not fit. */
function numbersWithUnit(texts: readonly string[], delimiter: string): ColumnPlan | undefined {
  const unit = sharedUnit(texts);
  if (unit === undefined) return undefined;
  const bare = (text: string): string => {
    const quantity = quantityOf(text);
    return quantity.unit === unit || quantity.unit === '' ? quantity.number : '';
  };
  const plan = plainNumbers(texts.map(bare), delimiter);
  if (!plan || !texts.some(text => !Number.isNaN(plan.read(bare(text))))) return undefined;
  const rival = plan.rival && { ...plan.rival, unit, read: withUnit(plan.rival) };
  return { ...plan, unit, read: withUnit(plan), rival };

  function withUnit({ read }: ColumnPlan): ColumnPlan['read'] {
    return text => read(bare(text));
  }
}

const PAIRS = { true: 'true', false: 'true', yes: 'yes', no: 'yes' } as const;
const WORDS: Readonly<Record<string, number>> = { true: 1, yes: 1, false: 0, no: 0 };

/** 1 or 0; the missing marker for a text that is neither yes nor no. */
export const readBoolean = (text: string): number => WORDS[text.trim().toLowerCase()] ?? MISSING_BOOLEAN;

/** The pair of words that a boolean belongs to. */
export const pairOf = (text: string): string | undefined => PAIRS[text.trim().toLowerCase() as keyof typeof PAIRS];
