import { countedIn, distances, placeOfCount, type Along, type NumberCount, type Division } from './along';
import { ticksBetween } from './linear-scale';

// Numbers may stand so much closer than the smallest distance of two categories.
const FINEST = 0.9;
// Numbers that an axis may be divided into, about; the finest first.
const WANTED = [40, 24, 16, 12, 10, 8, 6, 5, 4, 3, 2];

/** Round numbers between the first and the last, as many as one wants. */
export function numberDivisions(along: Along, _by: NumberCount): Division[] {
  const { at } = along;
  const ends = [at[0] as number, at[countedIn(at) - 1] as number];
  const [low, high] = [Math.min(...ends), Math.max(...ends)];
  const place = placeOfCount(along);
  // Between years that are there, no half years.
  const whole = at.every(value => value !== value || Number.isInteger(value));
  const values = (count: number): number[] => (high > low ? ticksBetween(low, high, count) : [low]);
  // Between the values that are there, no finer ones.
  const finest = distances(at).least * FINEST;
  const close = ([one, other]: readonly number[]): boolean => one !== undefined && other !== undefined && other - one < finest;
  return WANTED.map(count => ({
    count,
    ticks: () =>
      [values(count)]
        .filter(ticks => !close(ticks))
        .flat()
        .filter(value => !whole || Number.isInteger(value))
        .map(value => ({ place: place(value), text: plainText(value), under: null, whole: true })),
  }));
}

// Years and altitudes are names: 2010, not 2,010.
const plain = new Intl.NumberFormat('en', { useGrouping: false, maximumFractionDigits: 12 });
const plainText = (value: number): string => plain.format(value);
