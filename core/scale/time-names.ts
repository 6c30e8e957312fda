/** A moment taken apart; the month counts from 0. */
export interface Moment {
  readonly year: number;
  readonly month: number;
  readonly day: number;
  /** Since midnight. */
  readonly seconds: number;
  readonly week: { readonly year: number; readonly number: number };
}

interface Words {
  readonly quarter: (number: number) => string;
  readonly week: (number: number) => string;
}

const ENGLISH: Words = { quarter: number => `Q${number}`, week: number => `W${number}` };

// What the platform's calendar has no names for, where that is not as in English.
const WORDS: Readonly<Record<string, Words>> = {
  de: { quarter: number => `Q${number}`, week: number => `KW ${number}` },
  fr: { quarter: number => `T${number}`, week: number => `S${number}` },
  it: { quarter: number => `T${number}`, week: number => `sett. ${number}` },
  es: { quarter: number => `T${number}`, week: number => `sem. ${number}` },
  pl: { quarter: number => `${['I', 'II', 'III', 'IV'][number - 1]} kw.`, week: number => `tydz. ${number}` },
  sv: { quarter: number => `K${number}`, week: number => `v. ${number}` },
};

/** Names of periods in a language. */
export interface TimeNames {
  /** Short, such as "Jan"; the month counts from 0. */
  readonly month: (month: number) => string;
  /** Such as "Jan 2031". */
  readonly monthOf: (year: number, month: number) => string;
  /** Such as "6 Jan 2031". */
  readonly day: (year: number, month: number, day: number) => string;
  /** The quarter counts from 1. */
  readonly quarter: (quarter: number) => string;
  /** By ISO 8601. */
  readonly week: (week: number) => string;
}

const known = new Map<string, TimeNames>();

/** Names in a language, made once. Months are those of its calendar; where the day stands before the month, it does here. */
export function timeNames(language: string): TimeNames {
  let names = known.get(language);
  if (!names) known.set(language, (names = namesIn(language)));
  return names;
}

function namesIn(language: string): TimeNames {
  const short = new Intl.DateTimeFormat(language, { month: 'short', timeZone: 'UTC' });
  const months = Array.from({ length: 12 }, (_, month) => short.format(Date.UTC(2001, month, 1)));
  const whole = new Intl.DateTimeFormat(language, { day: 'numeric', month: 'short', year: 'numeric', timeZone: 'UTC' });
  const words = WORDS[language.split('-')[0] as string] ?? ENGLISH;
  const month = (at: number): string => months[at] as string;
  // English is written by many with the month first; the day first is read by all.
  const day = language.startsWith('en')
    ? (year: number, at: number, date: number) => `${date} ${month(at)} ${year}`
    : (year: number, at: number, date: number) => whole.format(utcOf(year, at, date));
  return { month, monthOf: (year, at) => `${month(at)} ${year}`, day, ...words };
}

/** UTC milliseconds of a day; the month counts from 0 and may lie beyond its year. Years below 100 are those. */
export function utcOf(year: number, month: number, day: number): number {
  return new Date(0).setUTCFullYear(year, month, day);
}
