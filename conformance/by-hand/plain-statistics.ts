import type { Value } from './plain-rows';

export const there = (values: readonly Value[]): number[] => values.filter((value): value is number => value !== null);

export function total(values: readonly Value[]): Value {
  const list = there(values);
  if (list.length === 0) return null;
  let sum = 0;
  for (const value of list) sum += value;
  return sum;
}

export function mean(values: readonly Value[]): Value {
  const [sum, list] = [total(values), there(values)];
  return sum === null ? null : sum / list.length;
}

/** Sample standard deviation, by its definition. */
export function deviation(values: readonly Value[]): Value {
  const [middle, list] = [mean(values), there(values)];
  if (middle === null || list.length < 2) return null;
  let squares = 0;
  for (const value of list) squares += (value - middle) * (value - middle);
  return Math.sqrt(squares / (list.length - 1));
}

/** The value at a share of the way through the sorted ones, straight between two of them. */
export function quantile(values: readonly Value[], share: number): Value {
  const list = there(values);
  if (list.length === 0) return null;
  list.sort((x, y) => x - y);
  const place = share * (list.length - 1);
  const low = Math.floor(place);
  const next = list[low + 1];
  return next === undefined ? (list[low] as number) : (list[low] as number) + (place - low) * (next - (list[low] as number));
}

export const median = (values: readonly Value[]): Value => quantile(values, 0.5);
export const least = (values: readonly Value[]): Value =>
  there(values).reduce<Value>((best, value) => (best === null || value < best ? value : best), null);
export const most = (values: readonly Value[]): Value =>
  there(values).reduce<Value>((best, value) => (best === null || value > best ? value : best), null);

/** Arithmetic that has no result where a part is missing or there is no finite one. */
export function calc(parts: readonly Value[], compute: (...values: number[]) => number): Value {
  const list = there(parts);
  if (list.length < parts.length) return null;
  const result = compute(...list);
  return Number.isFinite(result) ? result : null;
}

/** Student's t by integrating its density with Simpson's rule, and halving the interval: slow, and of another family than the core's method. */
export function studentT(share: number, df: number): number {
  const density = (x: number): number => (1 + (x * x) / df) ** (-(df + 1) / 2);
  const area = (from: number, to: number, steps: number): number => {
    const width = (to - from) / steps;
    let sum = density(from) + density(to);
    for (let i = 1; i < steps; i++) sum += density(from + i * width) * (i % 2 ? 4 : 2);
    return (sum * width) / 3;
  };
  // Half the area of the whole density: Γ(df/2) √(df π) / (2 Γ((df+1)/2)), by the recursion of Γ in steps of a half.
  let half = df % 2 ? Math.PI / 2 : Math.SQRT2;
  for (let n = df % 2 ? 1 : 2; n < df; n += 2) half *= (n / (n + 1)) * Math.sqrt((n + 2) / n);
  const wanted = (share - 0.5) * 2 * half;
  let [low, high] = [0, 1];
  while (area(0, high, 20_000) < wanted) high *= 2;
  for (let i = 0; i < 60; i++) {
    const middle = (low + high) / 2;
    if (area(0, middle, 20_000) < wanted) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

const known = new Map<string, number>();

/** Integrating takes its time: each quantile is found once. */
export function quantileOf(percent: number, df: number): number {
  const key = `${percent} ${df}`;
  if (!known.has(key)) known.set(key, studentT(0.5 + percent / 200, df));
  return known.get(key) as number;
}
