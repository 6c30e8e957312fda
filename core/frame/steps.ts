import { truncateDay, type DateGrain } from 'core/formula';
import { daysOf, isoDate, named, type Column, type NumericValues } from 'core/table';
import { binsOf, binWidth, extentOf } from './bins';
import type { Step } from './schema';

const MS_PER_DAY = 86_400_000;

/** The category column cut to its steps: dates to the start of their period, numbers to the lower end of their bin. */
export function steppedColumn(column: Column, step: Step): Column {
  if (step === null || column.type === 'text' || column.type === 'boolean') return column;
  if (step.kind === 'grain') return column.type === 'number' ? column : grained(column, step.grain);
  if (column.type !== 'number') return column;
  const { indexOf, lowerEnd } = binsOf(binWidth(column, step.width));
  return { ...column, data: column.data.map(value => lowerEnd(indexOf(value))) };
}

function grained(column: Column & NumericValues, grain: DateGrain): Column {
  const toDays = column.type === 'timestamp' ? (raw: number) => Math.floor(raw / MS_PER_DAY) : (raw: number) => raw;
  const data = column.data.map(raw => (raw === raw ? truncateDay(toDays(raw), grain) : NaN));
  return named(column.name, { type: 'date', data });
}

// More steps than this between the first and the last are not filled in: nobody could read them.
const MOST_STEPS = 5_000;

/** Every step from the first to the last that the column holds, rising; null when they are too many or there are none. */
export function allSteps(column: NumericValues, step: NonNullable<Step>, width: number): Float64Array | null {
  const [low, high] = extentOf(column);
  if (low > high) return null;
  return step.kind === 'bin' ? allBins(low, high, width) : allPeriods(low, high, step.grain);
}

function allBins(low: number, high: number, width: number): Float64Array | null {
  const { indexOf, lowerEnd } = binsOf(width);
  const [first, count] = [indexOf(low), indexOf(high) - indexOf(low) + 1];
  return count > MOST_STEPS ? null : Float64Array.from({ length: count }, (_, i) => lowerEnd(first + i));
}

function allPeriods(low: number, high: number, grain: DateGrain): Float64Array | null {
  const steps: number[] = [];
  for (let at = low; at <= high; at = nextPeriod(at, grain)) {
    steps.push(at);
    if (steps.length > MOST_STEPS) return null;
  }
  return Float64Array.from(steps);
}

function nextPeriod(at: number, grain: DateGrain): number {
  const days = { day: 1, week: 7, month: 0, quarter: 0, year: 0, hour: 1, minute: 1, second: 1 }[grain];
  if (days) return at + days;
  const months = { month: 1, quarter: 3, year: 12 }[grain as 'month' | 'quarter' | 'year'];
  const [year, month] = isoDate(at).split('-').map(Number) as [number, number];
  const index = year * 12 + month - 1 + months;
  return daysOf(Math.floor(index / 12), (index % 12) + 1, 1);
}
