import type { AppliedCue, Treatment } from 'core/cue';
import type { Wording } from 'core/document';
import { counted, listed } from 'core/sentence';
import { columnOf, rowsWithValue } from 'core/table';
import { findingOf, nameOf, type Finding } from './findings';

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
export function findingTitles(applied: readonly AppliedCue[], facts: Omit<Finding, 'from'>): FindingTitle[] {
  for (const from of applied) {
    const titles = titlesOf({ ...facts, from });
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
  const [sentence] = treatments.map(item => findingOf(item, of)).filter(Boolean);
  return sentence ? [{ cue: cue.id, wording: 'plain', text: sentence.replace(/\.$/, '') }] : [];
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
    return share === null ? null : `${sentence(of)}, with ${roughly.format(share).replace('%', ' %')} of all ${measure}`;
  },
  compared(of) {
    const average = averageOf(of);
    const [values, own] = [valuesOf(of), mean(valuesOf(of))];
    if (average === null || !(average > 0) || !(own >= 0)) return null;
    const times = `${ratio.format(own / average)} × the average`;
    if (of.rows.length > MOST_NAMED) return `${sentence(of)}, at ${times}`;
    return `${sentence(of)}: ${of.write.full(of.measure, values[0] as number)}, ${times}`;
  },
};

const roughly = new Intl.NumberFormat('en', { style: 'percent', maximumSignificantDigits: 2 });
const ratio = new Intl.NumberFormat('en', { maximumSignificantDigits: 2 });

/** "Kettlemoor has the highest milk", "A and B have the highest milk", "9 of 20 huts are above average". */
function sentence({ rows, what, measure, frame, ...of }: Found): string {
  if (rows.length <= MOST_NAMED) {
    const names = Array.from(rows, row => nameOf({ ...of, frame }, row));
    return `${listed(names)} ${rows.length === 1 ? 'has' : 'have'} the ${what} ${measure}`;
  }
  return `${rows.length.toLocaleString('en')} of ${counted(frame.table.rowCount, frame.category)} are ${what}`;
}

function dataOf({ frame, measure }: Found): Float64Array {
  const column = columnOf(frame.table, measure);
  return column?.type === 'number' ? column.data : new Float64Array();
}

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

/** Share of the marked rows in the sum of all; null where values fall below zero, or add up to nothing. */
function shareOf(of: Found): number | null {
  const all = there(dataOf(of));
  const total = all.reduce((sum, value) => sum + value, 0);
  if (!(total > 0) || all.some(value => value < 0)) return null;
  return valuesOf(of).reduce((sum, value) => sum + value, 0) / total;
}
