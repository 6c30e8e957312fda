import { seededRandom } from 'demo/random';

import { windowCases } from './aggregate-cases';
import { scalarCases } from './scalar-cases';

export { measureCases } from './aggregate-cases';

/** Every aggregate over every kind of frame, chosen evenly from a fixed seed. */
function generatedWindows(): string[] {
  const bodies = [
    'sum(y)',
    'avg(y)',
    'min(y)',
    'max(y)',
    'count(y)',
    'count(*)',
    'stddev_samp(y)',
    'stddev_pop(y)',
    'var_samp(y)',
    'var_pop(y)',
    'median(y)',
    'corr(y, n)',
    'regr_slope(y, n)',
    'regr_intercept(y, n)',
    'sum(x) filter (where b)',
    'count(distinct n)',
    'first_value(y)',
    'last_value(y)',
    'nth_value(y, 2)',
    'min(d)',
  ];
  const partitions = ['', 'partition by g ', 'partition by h, b '];
  const orders = ['order by id', 'order by id desc'];
  const frames = [
    '',
    'rows between unbounded preceding and current row',
    'rows between current row and unbounded following',
    'rows between 3 preceding and current row',
    'rows between 1 preceding and 1 following',
    'rows between 2 following and 4 following',
    'rows between 5 preceding and 2 preceding',
    'range between 4 preceding and 3 following',
    'range between current row and unbounded following',
    'rows between unbounded preceding and unbounded following',
  ];
  const random = seededRandom(77);
  return bodies.flatMap(body =>
    frames.map(frame => `${body} over (${partitions[Math.floor(random() * 3)]}${orders[Math.floor(random() * 2)]} ${frame})`),
  );
}

/** Nested expressions from a grammar of types, from a fixed seed. */
function generatedScalars(count: number): string[] {
  const random = seededRandom(4711);
  const pick = (list: readonly string[]): string => list[Math.floor(random() * list.length)] as string;
  const number = (depth: number): string => {
    if (depth === 0) return pick(['x', 'y', 'n', '2', '0.5', '-3', 'null']);
    const [a, b] = [number(depth - 1), number(depth - 1)];
    return pick([
      `(${a} + ${b})`,
      `(${a} - ${b})`,
      `(${a} * 2)`,
      `(${a} / ${b})`,
      `coalesce(${a}, 1)`,
      `abs(${a})`,
      `nullif(${a}, ${b})`,
      `case when ${test(depth - 1)} then ${a} else ${b} end`,
      `round(${a}, 1)`,
      `length(${words(depth - 1)})`,
    ]);
  };
  const words = (depth: number): string => {
    if (depth === 0) return pick(['h', 'word', 'g', "'a'", "''"]);
    const [a, b] = [words(depth - 1), words(depth - 1)];
    return pick([
      `upper(${a})`,
      `(${a} || ${b})`,
      `concat(${a}, ${b})`,
      `coalesce(${a}, ${b})`,
      `left(${a}, 2)`,
      `case when ${test(depth - 1)} then ${a} end`,
      `replace(${a}, 'a', 'o')`,
    ]);
  };
  const test = (depth: number): string => {
    if (depth === 0) return pick(['b', 'x > 1', 'y <= n', "h = 'a'", 'd is null', "word like '%e%'"]);
    const [a, b] = [test(depth - 1), test(depth - 1)];
    return pick([
      `(${a} and ${b})`,
      `(${a} or ${b})`,
      `not (${a})`,
      `(${number(depth - 1)} < ${number(depth - 1)})`,
      `(${words(depth - 1)} is not distinct from ${words(depth - 1)})`,
      `(${number(depth - 1)} in (0, 1, 2))`,
    ]);
  };
  return Array.from({ length: count }, (_, i) => [number, words, test][i % 3]?.(1 + (i % 3)) ?? '');
}

export const columnCases: readonly string[] = [...scalarCases, ...windowCases, ...generatedWindows(), ...generatedScalars(120)];
