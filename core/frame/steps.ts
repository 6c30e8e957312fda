import { truncateDay, type DateGrain } from 'core/formula';
import { daysOf, isoDate, named, type Column, type NumericValues } from 'core/table';
import type { Step } from './schema';

const MS_PER_DAY = 86_400_000;

/** The category column cut to its steps: dates to the start of their period, numbers to the lower bound of their bin. */
export function steppedColumn(column: Column, step: Step): Column {
  if (step === null || column.type === 'text' || column.type === 'boolean') return column;
  if (step.kind === 'grain') return column.type === 'number' ? column : grained(column, step.grain);
  if (column.type !== 'number') return column;
  const width = binWidth(column, step.width);
  return { ...column, data: column.data.map(value => Math.floor(value / width) * width) };
}

function grained(column: Column & NumericValues, grain: DateGrain): Column {
  const toDays = column.type === 'timestamp' ? (raw: number) => Math.floor(raw / MS_PER_DAY) : (raw: number) => raw;
  const data = column.data.map(raw => (raw === raw ? truncateDay(toDays(raw), grain) : NaN));
  return named(column.name, { type: 'date', data });
}

/** The given width, or a round one that makes about ten bins of the column. */
export function binWidth({ data }: NumericValues, width: number | null): number {
  if (width !== null) return width;
  let [low, high] = [Infinity, -Infinity];
  for (const value of data) {
    if (value < low) low = value;
    if (value > high) high = value;
  }
  const rough = (high - low) / 10;
  if (!(rough > 0)) return 1;
  const power = 10 ** Math.floor(Math.log10(rough));
  return power * ([1, 2, 5, 10].find(factor => rough <= factor * power) ?? 10);
}

// More steps than this between the first and the last are not filled in: nobody could read them.
const MOST_STEPS = 5_000;

/** Every step from the first to the last that the column holds, rising; null when they are too many or there are none. */
export function allSteps({ data }: NumericValues, step: NonNullable<Step>, width: number): Float64Array | null {
  let [low, high] = [Infinity, -Infinity];
  for (const value of data) {
    if (value < low) low = value;
    if (value > high) high = value;
  }
  if (low > high) return null;
  const steps: number[] = [];
  for (let at = low; at <= high + 1e-9 * Math.abs(high); at = nextStep(at, step, width)) {
    steps.push(at);
    if (steps.length > MOST_STEPS) return null;
  }
  return Float64Array.from(steps);
}

function nextStep(at: number, step: NonNullable<Step>, width: number): number {
  if (step.kind === 'bin') return Math.round((at + width) / width) * width;
  const days = { day: 1, week: 7, month: 0, quarter: 0, year: 0, hour: 1, minute: 1, second: 1 }[step.grain];
  if (days) return at + days;
  const months = { month: 1, quarter: 3, year: 12 }[step.grain as 'month' | 'quarter' | 'year'];
  const [year, month] = isoDate(at).split('-').map(Number) as [number, number];
  const index = year * 12 + month - 1 + months;
  return daysOf(Math.floor(index / 12), (index % 12) + 1, 1);
}
