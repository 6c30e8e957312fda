/** What dates along an axis are counted and named by. `months`: every one is the first of a month, so that months of 28 and 31 days are as wide. */
export interface TimeCount {
  readonly kind: 'time';
  readonly unit: 'months' | 'days';
  /** Whose names of months and weeks, as a language tag. */
  readonly language: string;
  readonly weeks: 'monday' | 'number';
}

/** Numbers that stand at their values. */
export interface NumberCount {
  readonly kind: 'number';
}

/** What a category axis counts; one that lists names counts nothing. */
export type Count = TimeCount | NumberCount;

/** Categories as points of a count. */
export interface Along {
  readonly by: Count;
  /** One per category, rising or falling: months since the year 0, days since 1970 with the time as their fraction, or numbers; NaN for a category without one, which stands last. */
  readonly at: Float64Array;
  /** Whether distances are to scale; else categories stand side by side, whatever lies between them. */
  readonly scaled: boolean;
}

/** One number or name along a category axis. */
export interface AlongTick {
  /** In widths of a category from the middle of the first. */
  readonly place: number;
  readonly text: string;
  /** What stands once below several of them: a month with its year, a year, a day; null where it goes on. */
  readonly under: string | null;
  /** Whether that tells all, also to who has not read the one before: "Feb 2031", not "Feb". */
  readonly whole: boolean;
}

/** Ticks of one distance. */
export interface Division {
  /** How many there are, about. */
  readonly count: number;
  readonly ticks: () => AlongTick[];
}

/** Whether counts rise or fall throughout, those without one last: only then do they lie along an axis. */
export function runsOneWay(at: Float64Array): boolean {
  const count = countedIn(at);
  if (count === 0) return false;
  for (let i = count; i < at.length; i++) if (at[i] === at[i]) return false;
  const sign = Math.sign((at[count - 1] as number) - (at[0] as number));
  for (let i = 1; i < count; i++) if (((at[i] as number) - (at[i - 1] as number)) * sign <= 0) return false;
  return true;
}

/** How many categories have a count, before those without one. */
export function countedIn(at: Float64Array): number {
  const first = at.findIndex(value => value !== value);
  return first === -1 ? at.length : first;
}

/** The smallest and the largest distance between neighbours; 1 and 1 where there are none. Counts must run one way. */
export function distances(at: Float64Array): { readonly least: number; readonly most: number } {
  const count = countedIn(at);
  let [least, most] = [Infinity, 0];
  for (let i = 1; i < count; i++) {
    const distance = Math.abs((at[i] as number) - (at[i - 1] as number));
    if (distance < least) least = distance;
    if (distance > most) most = distance;
  }
  return count > 1 ? { least, most } : { least: 1, most: 1 };
}

// Distances that differ by less are equal: fractions of a day are not exact.
const EVEN = 1e-9;

// A category without a count stands so far behind the last one, as a share of the axis: it belongs to no moment.
const BEHIND = 0.06;

/**
 * Where categories lie to scale, in the smallest distance between two of them from the first; null where all lie as far apart, each at its own number.
 * Those without a count stand behind the last. Cost: O(n).
 */
export function placesAlong(at: Float64Array): Float64Array | null {
  const { least, most } = distances(at);
  if (most - least <= most * EVEN) return null;
  const count = countedIn(at);
  const first = at[0] as number;
  const last = Math.abs((at[count - 1] as number) - first) / least;
  const behind = Math.max(1, last * BEHIND);
  return at.map((value, i) => (i < count ? Math.abs(value - first) / least : last + behind * (1 + i - count)));
}

/** The place of a count on an axis that is to scale. */
export function placeOfCount({ at }: Along): (count: number) => number {
  const [first, last] = [at[0] as number, at[countedIn(at) - 1] as number];
  const sign = last < first ? -1 : 1;
  const { least } = distances(at);
  return count => (sign * (count - first)) / least;
}
