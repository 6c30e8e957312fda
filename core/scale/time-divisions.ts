import { countedIn, distances, placeOfCount, type Along, type AlongTick, type Division, type TimeCount } from './along';
import { timeNames, utcOf, type Moment, type TimeNames } from './time-names';

/** What stands below the names of several periods: `long` where its `group` is new, else `short`. */
interface Under {
  readonly long: string;
  readonly short: string;
  readonly group: string;
}

/** A way to divide time. Counts are days, or months where the axis counts those. */
interface Period {
  /** Days, about. */
  readonly days: number;
  /** Where the period of a count begins, and where the next one does. */
  readonly start: (count: number) => number;
  readonly next: (start: number) => number;
  readonly text: (moment: Moment) => string;
  readonly under: (moment: Moment) => Under | null;
}

const SECONDS_A_DAY = 86_400;
const MS_A_DAY = 86_400_000;
const WEEK = 7;
// More than a year is none of the calendar's own periods.
const LONG = 400;
const DAYS_A_MONTH = 365.2425 / 12;
// Fractions of a day are not exact.
const SLACK = 1e-6;
// A period may be so much shorter than the smallest distance of two categories: months are not all as long.
const FINEST = 0.9;
// More ticks than this are no axis.
const MOST_TICKS = 2_000;

/** Whole seconds to centuries, those that the axis can tell apart, the finest first. */
export function timeDivisions(along: Along, by: TimeCount): Division[] {
  const { at } = along;
  const ends = [at[0] as number, at[countedIn(at) - 1] as number];
  const [low, high] = [Math.min(...ends), Math.max(...ends)];
  const inDays = by.unit === 'months' ? DAYS_A_MONTH : 1;
  const [span, least] = [(high - low) * inDays, distances(at).least * inDays];
  const periods = periodsOf(by);
  const grain = grainOf(periods, at);
  // Between weeks no days: nothing stands there. Every third year is told by years all the same.
  const coarse = periods.filter(period => period === grain || period.days >= least * FINEST);
  return coarse
    .filter(period => span / period.days < MOST_TICKS)
    .map(period => ({
      count: span / period.days + 1,
      ticks: () => told(along.scaled ? startsBetween(low, high, period, along) : firstsOf(along, period), period, by),
    }));
}

/** The longest of week, month, quarter and year that every category begins. */
const grainOf = (periods: readonly Period[], at: Float64Array): Period | undefined =>
  periods.findLast(
    period => period.days >= WEEK && period.days < LONG && at.every(count => count !== count || period.start(count) === count),
  );

interface Start {
  readonly place: number;
  readonly count: number;
}

/** Every beginning of a period between two counts, in the order of the axis. */
function startsBetween(low: number, high: number, period: Period, along: Along): Start[] {
  const place = placeOfCount(along);
  const starts: Start[] = [];
  const first = period.start(low);
  for (let count = first < low - SLACK ? period.next(first) : first; count <= high + SLACK; count = period.next(count))
    starts.push({ place: place(count), count });
  return starts.length > 1 && (starts[1] as Start).place < (starts[0] as Start).place ? starts.reverse() : starts;
}

/** The first category of each period, where categories stand side by side; it is named by itself. */
function firstsOf({ at }: Along, period: Period): Start[] {
  const starts: Start[] = [];
  for (let i = 0, last = NaN; i < countedIn(at); i++) {
    const start = period.start(at[i] as number);
    if (start !== last) starts.push({ place: i, count: at[i] as number });
    last = start;
  }
  return starts;
}

function told(starts: readonly Start[], period: Period, by: TimeCount): AlongTick[] {
  const momentAt = by.unit === 'months' ? momentOfMonth : momentOfDay;
  let [last, group] = ['', ''];
  return starts.map(({ place, count }) => {
    const moment = momentAt(count);
    const under = period.under(moment);
    const isNew = under !== null && under.long !== last;
    const words = under && (under.group === group ? under.short : under.long);
    last = under?.long ?? '';
    group = under?.group ?? '';
    return { place, text: period.text(moment), under: isNew ? words : null, whole: words === (under?.long ?? null) };
  });
}

function periodsOf({ unit, language, weeks }: TimeCount): Period[] {
  const names = timeNames(language);
  const inMonths = MONTH_STEPS.map(step => monthPeriod(step, names, unit));
  return unit === 'months' ? inMonths : [...SECOND_STEPS.map(step => secondPeriod(step, names)), ...dayPeriods(names, weeks), ...inMonths];
}

// Of a day and of a year; seconds and months.
const SECOND_STEPS = [1, 5, 15, 30, 60, 300, 900, 1800, 3600, 3 * 3600, 6 * 3600, 12 * 3600];
const MONTH_STEPS = [1, 3, ...[1, 2, 5, 10, 20, 50, 100, 200, 500, 1000].map(years => 12 * years)];

const two = (part: number): string => String(part).padStart(2, '0');

function secondPeriod(step: number, names: TimeNames): Period {
  const start = (count: number): number => (Math.floor((count * SECONDS_A_DAY + SLACK) / step) * step) / SECONDS_A_DAY;
  return {
    days: step / SECONDS_A_DAY,
    start,
    next: count => (Math.round((count * SECONDS_A_DAY) / step + 1) * step) / SECONDS_A_DAY,
    text: ({ seconds }) => {
      const clock = `${two(Math.floor(seconds / 3600))}:${two(Math.floor(seconds / 60) % 60)}`;
      return step < 60 ? `${clock}:${two(seconds % 60)}` : clock;
    },
    under: ({ year, month, day }) => same(names.day(year, month, day)),
  };
}

const same = (long: string): Under => ({ long, short: long, group: '' });

function dayPeriods(names: TimeNames, weeks: TimeCount['weeks']): Period[] {
  const inMonth = ({ year, month }: Moment): Under => ({
    long: names.monthOf(year, month),
    short: names.month(month),
    group: String(year),
  });
  const wholeDay = (count: number): number => Math.floor(count + SLACK);
  const text = ({ day }: Moment): string => String(day);
  return [
    { days: 1, start: wholeDay, next: count => count + 1, text, under: inMonth },
    {
      days: 7,
      // The first of January 1970 was a Thursday.
      start: count => Math.floor((wholeDay(count) + 3) / 7) * 7 - 3,
      next: count => count + 7,
      ...(weeks === 'monday'
        ? { text, under: inMonth }
        : { text: ({ week }: Moment) => names.week(week.number), under: ({ week }: Moment) => same(String(week.year)) }),
    },
  ];
}

function monthPeriod(step: number, names: TimeNames, unit: TimeCount['unit']): Period {
  const [toMonths, toCount] = unit === 'months' ? [Math.floor, (months: number) => months] : [monthOfDay, dayOfMonth];
  const start = (count: number): number => toCount(Math.floor(toMonths(count) / step) * step);
  const inYear = ({ year }: Moment): Under => same(String(year));
  const says: Readonly<Record<number, Pick<Period, 'text' | 'under'>>> = {
    1: { text: ({ month }) => names.month(month), under: inYear },
    3: { text: ({ month }) => names.quarter(Math.floor(month / 3) + 1), under: inYear },
  };
  return {
    days: step * DAYS_A_MONTH,
    start,
    next: count => toCount(toMonths(count) + step),
    ...(says[step] ?? { text: ({ year }) => String(year), under: () => null }),
  };
}

/** Months since the year 0 of a day. */
function monthOfDay(days: number): number {
  const date = new Date(Math.floor(days + SLACK) * MS_A_DAY);
  return date.getUTCFullYear() * 12 + date.getUTCMonth();
}

const dayOfMonth = (months: number): number => utcOf(Math.floor(months / 12), ((months % 12) + 12) % 12, 1) / MS_A_DAY;

const NO_WEEK: Moment['week'] = { year: 0, number: 0 };

const momentOfMonth = (months: number): Moment => ({
  year: Math.floor(months / 12),
  month: ((months % 12) + 12) % 12,
  day: 1,
  seconds: 0,
  week: NO_WEEK,
});

function momentOfDay(count: number): Moment {
  const days = Math.floor(count + SLACK / SECONDS_A_DAY);
  const date = new Date(days * MS_A_DAY);
  return {
    year: date.getUTCFullYear(),
    month: date.getUTCMonth(),
    day: date.getUTCDate(),
    seconds: Math.max(0, Math.round((count - days) * SECONDS_A_DAY)),
    week: weekOf(days),
  };
}

/** The week of a day by ISO 8601: it belongs to the year of its Thursday. */
function weekOf(days: number): Moment['week'] {
  const thursday = Math.floor((days + 3) / 7) * 7;
  const year = new Date(thursday * MS_A_DAY).getUTCFullYear();
  return { year, number: Math.floor((thursday - utcOf(year, 0, 1) / MS_A_DAY) / 7) + 1 };
}
