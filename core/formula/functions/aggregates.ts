import { MISSING_BOOLEAN, MISSING_TEXT, type ColumnType } from 'core/table';
import { dictionaryRanks } from '../text-order';
import type { NumericVec, TextVec, Vec } from '../vec';

/** Rows sorted into groups: `ids[row]` from 0 to `count` − 1; null when all rows form one group. */
export interface Groups {
  readonly ids: Int32Array | null;
  readonly count: number;
  readonly rows: number;
}

/** One aggregate of the language. Missing values are skipped; `run` gives one value per group. */
export interface Aggregate {
  readonly takes: readonly ColumnType[] | 'any';
  readonly gives: 'number' | 'same';
  readonly help: string;
  readonly example: string;
  readonly run: (arg: Vec, groups: Groups) => Vec;
}

const ordered: readonly ColumnType[] = ['number', 'date', 'timestamp', 'text'];

export const aggregates = {
  sum: {
    takes: ['number'],
    gives: 'number',
    help: 'Total of the values that are there; missing when there are none.',
    example: 'sum(milk)',
    run: (arg, groups) => numbers(sums(arg as NumericVec, groups).totals),
  },
  avg: {
    takes: ['number'],
    gives: 'number',
    help: 'Mean of the values that are there.',
    example: 'avg(milk)',
    run: (arg, groups) => {
      const { totals, counts } = sums(arg as NumericVec, groups);
      return numbers(totals.map((total, g) => total / (counts[g] as number)));
    },
  },
  min: { takes: ordered, gives: 'same', help: 'Smallest value.', example: 'min(milk)', run: (arg, groups) => extreme(arg, groups, -1) },
  max: { takes: ordered, gives: 'same', help: 'Largest value.', example: 'max(milk)', run: (arg, groups) => extreme(arg, groups, 1) },
  count: {
    takes: 'any',
    gives: 'number',
    help: 'How many values are there; count(*) counts rows.',
    example: 'count(milk)',
    run: (arg, groups) => numbers(counted(arg, groups)),
  },
} satisfies Record<string, Aggregate>;

export type AggregateName = keyof typeof aggregates;

const numbers = (data: Float64Array): Vec => ({ type: 'number', data, constant: false });

/**
 * Compensated totals and counts per group. Method: Neumaier (1974), "Rundungsfehleranalyse einiger Verfahren
 * zur Summation endlicher Summen"; written flat because it is the hot loop of every figure. A group without values totals NaN.
 */
function sums(arg: NumericVec, { ids, count, rows }: Groups): { totals: Float64Array; counts: Float64Array } {
  const totals = new Float64Array(count);
  const lost = new Float64Array(count);
  const counts = new Float64Array(count);
  const step = arg.constant ? 0 : 1;
  const { data } = arg;
  for (let row = 0; row < rows; row++) {
    const value = data[row * step] as number;
    if (value !== value) continue;
    const group = ids === null ? 0 : (ids[row] as number);
    const total = totals[group] as number;
    const next = total + value;
    lost[group]! += Math.abs(total) >= Math.abs(value) ? total - next + value : value - next + total;
    totals[group] = next;
    counts[group]!++;
  }
  for (let group = 0; group < count; group++) totals[group] = counts[group] === 0 ? NaN : finite(totals[group]! + lost[group]!);
  return { totals, counts };
}

// A sum past the largest float has no value that a column may hold.
const finite = (value: number): number => (Number.isFinite(value) ? value : NaN);

function counted(arg: Vec, { ids, count, rows }: Groups): Float64Array {
  const counts = new Float64Array(count);
  const step = arg.constant ? 0 : 1;
  const there = presence(arg);
  for (let row = 0; row < rows; row++) if (there(row * step)) counts[ids === null ? 0 : (ids[row] as number)]!++;
  return counts;
}

function presence(arg: Vec): (at: number) => boolean {
  const { data } = arg;
  if (arg.type === 'text') return at => data[at] !== MISSING_TEXT;
  if (arg.type === 'boolean') return at => data[at] !== MISSING_BOOLEAN;
  return at => data[at] === data[at];
}

function extreme(arg: Vec, groups: Groups, direction: 1 | -1): Vec {
  if (arg.type === 'text') return textExtreme(arg, groups, direction);
  const { type, data } = arg as NumericVec;
  return { type, data: numberExtreme(data, arg.constant ? 0 : 1, groups, direction), constant: false };
}

// One branch-light loop per direction: this pass runs for every highest and lowest on every edit.
function numberExtreme(data: Float64Array, step: 0 | 1, { ids, count, rows }: Groups, direction: 1 | -1): Float64Array {
  const best = new Float64Array(count).fill(NaN);
  if (ids === null) {
    let found = NaN;
    if (direction === 1) {
      for (let row = 0; row < rows; row++)
        if (!((data[row * step] as number) <= found) && data[row * step] === data[row * step]) found = data[row * step] as number;
    } else {
      for (let row = 0; row < rows; row++)
        if (!((data[row * step] as number) >= found) && data[row * step] === data[row * step]) found = data[row * step] as number;
    }
    return best.fill(found);
  }
  if (direction === 1) {
    for (let row = 0; row < rows; row++) {
      const value = data[row * step] as number;
      const group = ids[row] as number;
      if (value === value && !((best[group] as number) >= value)) best[group] = value;
    }
  } else {
    for (let row = 0; row < rows; row++) {
      const value = data[row * step] as number;
      const group = ids[row] as number;
      if (value === value && !((best[group] as number) <= value)) best[group] = value;
    }
  }
  return best;
}

function textExtreme(arg: TextVec, groups: Groups, direction: 1 | -1): Vec {
  const ranks = dictionaryRanks(arg.dictionary);
  const places = Float64Array.from(arg.data, code => ranks[code] ?? NaN);
  const best = numberExtreme(places, arg.constant ? 0 : 1, groups, direction);
  const codeAt = new Int32Array(ranks.length);
  ranks.forEach((place, code) => (codeAt[place] = code));
  return { ...arg, data: Int32Array.from(best, place => codeAt[place] ?? MISSING_TEXT), constant: false };
}
