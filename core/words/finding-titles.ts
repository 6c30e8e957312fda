import type { Treatment } from 'core/cue';
import type { Wording } from 'core/document';
import { isAdditive, type Frame } from 'core/frame';
import { counted, listed } from 'core/sentence';
import { columnOf, rowsWithValue } from 'core/table';
import { findingOf, nameOf, type CuedPlace, type Finding } from './findings';
import type { ValueWriter } from './value-writer';

/** A title that states what a cue found. */
export interface FindingTitle {
  readonly cue: string;
  readonly wording: Wording;
  readonly text: string;
}

// More marks than this are counted, not named.
const MOST_NAMED = 3;

type Rows = ArrayLike<number>;

/** What is said of some marks in each wording; null where it cannot be said. */
type Says = (of: Found) => string | null;

interface Found extends Finding {
  /** What the marks are, as the legend says: "highest". */
  readonly what: string;
  readonly measure: string;
  readonly rows: Rows;
}

/** Titles that the first cue that found something proposes, in each wording that can be said of it; none where no cue did. Cost: O(rows). */
export function findingTitles(places: readonly CuedPlace[], write: ValueWriter): FindingTitle[] {
  for (const { applied, frame, figure } of places)
    for (const from of applied) {
      const titles = titlesOf({ from, frame, figure, write });
      if (titles.length) return titles;
    }
  return [];
}

/** Titles of one cue. */
export function titlesOf(of: Finding): FindingTitle[] {
  const { cue, treatments } = of.from;
  for (const item of treatments) {
    const found = markedBy(item, of);
    if (!found) continue;
    return (Object.keys(wordings) as Wording[]).flatMap(wording => {
      const text = wordings[wording](found);
      return text === null ? [] : [{ cue: cue.id, wording, text }];
    });
  }
  const [found] = treatments.map(item => findingOf(item, of)).filter(Boolean);
  return found ? titlesAround(found.replace(/\.$/, ''), of) : [];
}

/** What a cue found that marks nothing, alone, with the average of its measure, and with its ends. */
function titlesAround(found: string, of: Finding): FindingTitle[] {
  const { cue } = of.from;
  const { measure } = cue;
  const values = there(numbersOf(of.frame, measure));
  const written = (value: number): string => of.write.full(measure, value);
  const title = (wording: Wording, text: string): FindingTitle => ({ cue: cue.id, wording, text });
  if (values.length === 0) return [title('plain', found)];
  const [low, high] = endsOf(values);
  return [
    title('plain', found),
    title('number', `${found}; the average of ${measure} is ${written(mean(values))}`),
    title('compared', `${found}; ${measure} runs from ${written(low)} to ${written(high)}`),
  ];
}

/** The marks of a treatment that marks some. */
function markedBy(item: Treatment, of: Finding): Found | null {
  if (item.show !== 'mark') return null;
  const column = of.from.helpers.find(helper => helper.part === item.part)?.column;
  const rows = column ? rowsWithValue(column) : [];
  return rows.length ? { ...of, what: item.legend, measure: item.measure, rows } : null;
}

const wordings: Readonly<Record<Wording, Says>> = {
  plain: of => sentence(of),
  number(of) {
    const { rows, measure, write } = of;
    if (rows.length <= MOST_NAMED) return `${sentence(of)}: ${listed([...new Set(valuesOf(of).map(value => write.full(measure, value)))])}`;
    const share = shareOf(of);
    const [low, high] = endsOf(valuesOf(of));
    if (share === null) return `${sentence(of)}, from ${write.full(measure, low)} to ${write.full(measure, high)}`;
    return `${sentence(of)}, with ${roughly.format(share).replace('%', ' %')} of all ${measure}`;
  },
  compared(of) {
    const average = averageOf(of);
    const [values, own] = [valuesOf(of), mean(valuesOf(of))];
    if (average === null) return null;
    const times = ratio.format(own / average);
    // A multiple of what is not above zero, or of as much again, tells nothing.
    if (!(average > 0) || !(own >= 0) || times === '1') return `${sentence(of)}; the average is ${of.write.full(of.measure, average)}`;
    if (new Set(values).size > 1) return `${sentence(of)}, on average ${times} × the average of all`;
    return `${sentence(of)}: ${of.write.full(of.measure, values[0] as number)}, ${times} × the average`;
  },
};

const roughly = new Intl.NumberFormat('en', { style: 'percent', maximumSignificantDigits: 2 });
const ratio = new Intl.NumberFormat('en', { maximumSignificantDigits: 2 });

// What marks can be; all else is something that they show.
const IS_STATE = /^(above|below|outside|inside|within|between|over|under|more|less|highest|lowest|missing|top|bottom|at|equal|far)\b/;

/** "Kettlemoor has the highest milk", "A and B have the highest milk", "9 of 20 huts are above average". */
function sentence({ rows, what, measure, frame, ...of }: Found): string {
  if (rows.length <= MOST_NAMED) {
    const names = Array.from(rows, row => nameOf({ ...of, frame }, row));
    return `${listed(names)} ${rows.length === 1 ? 'has' : 'have'} the ${what} ${measure}`;
  }
  const counts = `${rows.length.toLocaleString('en')} of ${counted(frame.table.rowCount, frame.category)}`;
  return IS_STATE.test(what) ? `${counts} are ${what}` : `${counts} show a ${what}`;
}

function numbersOf({ table }: Frame, measure: string): Float64Array {
  const column = columnOf(table, measure);
  return column?.type === 'number' ? column.data : new Float64Array();
}

const dataOf = ({ frame, measure }: Found): Float64Array => numbersOf(frame, measure);

/** The smallest and the largest of some numbers. */
const endsOf = (values: readonly number[]): readonly [low: number, high: number] =>
  values.reduce(([low, high], value) => [Math.min(low, value), Math.max(high, value)], [Infinity, -Infinity]);

const there = (values: ArrayLike<number>): number[] => Array.from(values).filter(value => !Number.isNaN(value));
const valuesOf = (of: Found): number[] => {
  const data = dataOf(of);
  return Array.from(of.rows, row => data[row] as number);
};
const mean = (values: readonly number[]): number => values.reduce((sum, value) => sum + value, 0) / values.length;

/** Arithmetic mean of all rows of the figure; null where there is none. */
function averageOf(of: Found): number | null {
  const all = there(dataOf(of));
  return all.length ? mean(all) : null;
}

/** Share of the marked rows in the sum of all; null where values do not add up, fall below zero, or come to nothing. */
function shareOf(of: Found): number | null {
  const measure = of.figure.data.measures.find(({ name }) => name === of.measure);
  if (!measure || !isAdditive(measure.formula)) return null;
  const all = there(dataOf(of));
  const total = all.reduce((sum, value) => sum + value, 0);
  if (!(total > 0) || all.some(value => value < 0)) return null;
  return valuesOf(of).reduce((sum, value) => sum + value, 0) / total;
}
