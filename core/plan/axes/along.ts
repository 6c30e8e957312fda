import type { Figure } from 'core/document';
import type { Frame } from 'core/frame';
import { counted } from 'core/sentence';
import { countedIn, distances, placesAlong, runsOneWay, type Along, type Count } from 'core/scale';
import { columnOf, isoDate, type Column, type NumericValues } from 'core/table';
import type { AlongPlan, Layer } from '../plan';

const MS_PER_DAY = 86_400_000;

/** The category axis before names and marked categories are added to it. */
export type Spacing = Omit<AlongPlan, 'marked' | 'beside'>;

/** Where the categories of a figure lie: dates at their time, numbers where that is asked for, all else side by side. Cost: O(categories). */
export function spacingOf(frame: Frame, { data, scales: { along } }: Figure, rows: Int32Array): Spacing {
  const column = columnOf(frame.table, frame.category) as Column;
  const listed: Spacing = { places: null, counted: null, ordered: column.type !== 'text' && column.type !== 'boolean', names: along.names };
  const scaled = along.spacing === 'scaled' || (along.spacing === 'auto' && isMoment(column));
  // Bins are as wide as each other, and named by what they hold.
  if (data.step?.kind === 'bin' || (!scaled && !isMoment(column))) return listed;
  const by = countOf(column, data, along);
  if (by === null) return listed;
  const at = countsOf(column as NumericValues, rows, by);
  if (!runsOneWay(at)) return listed;
  return { ...listed, places: scaled ? placesAlong(at) : null, counted: { by, at, scaled } };
}

const isMoment = ({ type }: Column): boolean => type === 'date' || type === 'timestamp';

function countOf(column: Column, { step }: Figure['data'], { language, weeks }: Figure['scales']['along']): Count | null {
  if (column.type === 'number') return { kind: 'number' };
  if (!isMoment(column)) return null;
  const inMonths = step?.kind === 'grain' ? MONTHLY.has(step.grain) : column.type === 'date' && areFirsts((column as NumericValues).data);
  return { kind: 'time', unit: inMonths ? 'months' : 'days', language, weeks };
}

const MONTHLY: ReadonlySet<string> = new Set(['month', 'quarter', 'year']);
// From this many dates on, dates that all begin a month are read as months.
const ENOUGH_FIRSTS = 3;

function areFirsts(days: Float64Array): boolean {
  const there = days.filter(day => day === day);
  return there.length >= ENOUGH_FIRSTS && there.every(day => isoDate(day).endsWith('-01'));
}

function countsOf({ type, data }: NumericValues, rows: Int32Array, by: Count): Float64Array {
  const toDays = type === 'timestamp' ? (value: number) => value / MS_PER_DAY : (value: number) => value;
  const toCount = by.kind === 'time' && by.unit === 'months' ? monthsOf : by.kind === 'time' ? toDays : (value: number) => value;
  return Float64Array.from(rows, row => toCount(data[row] as number));
}

/** Months since the year 0 of a day. */
function monthsOf(days: number): number {
  if (days !== days) return NaN;
  const [year, month] = isoDate(days).split('-').map(Number) as [number, number];
  return year * 12 + month - 1;
}

/** Categories that a cue marks, in any layer; none where it marks all. */
export function markedIn(layers: readonly Layer[], count: number): number[] {
  const [only, ...more] = layers;
  const flags = only && more.length === 0 && only.outlined.length === 0 ? only.marked : flagsOf(layers, count);
  const marked: number[] = [];
  for (let at = 0; at < count; at++) if (flags[at]) marked.push(at);
  return marked.length === count ? [] : marked;
}

// Flat: it runs over every mark at each edit.
function flagsOf(layers: readonly Layer[], count: number): Uint8Array {
  const flags = new Uint8Array(count);
  for (const layer of layers) {
    for (let at = 0; at < count; at++) if (layer.marked[at]) flags[at] = 1;
    for (const at of layer.outlined) flags[at] = 1;
  }
  return flags;
}

/** How far apart dates or numbers lie, where not all lie as far apart: "dates 1 to 45 days apart, to scale". */
export function alongWords(frame: Frame, { counted: along }: Spacing): string[] {
  if (!along || countedIn(along.at) < 3 || placesAlong(along.at) === null) return [];
  const { least, most } = distances(along.at);
  const apart = along.by.kind === 'number' ? `${told(least)} to ${told(most)}` : timeApart(least, most, along);
  const what = along.by.kind === 'number' ? frame.category : 'dates';
  return [`${what} ${apart} apart, ${along.scaled ? 'to scale' : 'gaps closed up'}`];
}

// Units of time by their length in days, and from how many of them on a distance is told in them.
const UNITS: readonly (readonly [length: number, name: string, from: number])[] = [
  [365.2425, 'year', 2],
  [365.2425 / 12, 'month', 2],
  [1, 'day', 1],
  [1 / 24, 'hour', 1],
  [1 / 1440, 'minute', 1],
  [1 / 86_400, 'second', 0],
];

/** "1 to 45 days", or, where one is short and the other long, "1 day to 5 months". */
function timeApart(least: number, most: number, { by }: Along): string {
  if (by.kind === 'time' && by.unit === 'months') return `${least} to ${counted(most, 'month')}`;
  const inUnits = (days: number): readonly [count: number, unit: string] => {
    const [length, name] = UNITS.find(([unit, , from]) => days >= unit * from * (1 - 1e-9)) as (typeof UNITS)[number];
    return [Math.max(1, Math.round(days / length)), name];
  };
  const [[short, shortUnit], [long, longUnit]] = [inUnits(least), inUnits(most)];
  return shortUnit === longUnit ? `${short} to ${counted(long, longUnit)}` : `${counted(short, shortUnit)} to ${counted(long, longUnit)}`;
}

const told = (value: number): string => value.toLocaleString('en', { maximumSignificantDigits: 4 });
