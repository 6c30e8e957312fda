import { lengthFor, strideOf, type NumericVec, type Vec } from '../evaluate/vec';
import type { Scalar } from './entry';

const NUMBER = [['number']] as const;

/** A function of one number; a result that is not finite is missing. */
function unary(signature: string, help: string, example: string, compute: (value: number) => number, sql?: Scalar['sql']): Scalar {
  return {
    group: 'number',
    signature,
    help,
    example,
    arity: [1, 1, 'one number'],
    takes: NUMBER,
    gives: 'number',
    run: ([arg]) => mapNumbers([arg as NumericVec], (arg as Vec).data.length, ([value]) => compute(value as number)),
    ...(sql ? { sql } : {}),
  };
}

function binary(signature: string, help: string, example: string, compute: (a: number, b: number) => number, sql?: Scalar['sql']): Scalar {
  return {
    group: 'number',
    signature,
    help,
    example,
    arity: [2, 2, 'two numbers'],
    takes: NUMBER,
    gives: 'number',
    run: (args, rows) => mapNumbers(args as NumericVec[], lengthFor(rows, ...args), ([a, b]) => compute(a as number, b as number)),
    ...(sql ? { sql } : {}),
  };
}

function mapNumbers(args: readonly NumericVec[], length: number, compute: (values: readonly number[]) => number): Vec {
  const data = new Float64Array(length);
  const values = args.map(() => NaN);
  const strides = args.map(strideOf);
  for (let row = 0; row < length; row++) {
    for (let i = 0; i < args.length; i++) values[i] = (args[i] as NumericVec).data[row * (strides[i] as number)] as number;
    const result = compute(values);
    data[row] = Number.isFinite(result) ? result : NaN;
  }
  return { type: 'number', data, constant: args.every(arg => arg.constant) };
}

/** Rounds halves away from zero, as engines do for floating-point numbers. */
export function roundedTo(value: number, places = 0): number {
  const size = Math.abs(value);
  if (places >= 0) {
    const factor = 10 ** places;
    const scaled = size * factor;
    // Past 2^52 there are no halves, and scaling may overflow.
    return !(scaled <= 4.5e15) ? value : (Math.sign(value) * Math.round(scaled)) / factor;
  }
  const factor = 10 ** -places;
  return Math.sign(value) * Math.round(size / factor) * factor;
}

function power(base: number, exponent: number): number {
  return base === 0 && exponent < 0 ? NaN : base ** exponent;
}

/** Smallest or largest argument; missing when any is, as in the standard. */
const choosing = (name: 'greatest' | 'least', help: string): Scalar => ({
  group: 'number',
  signature: `${name}(a, b, …)`,
  help,
  example: `${name}(milk, planned_milk)`,
  arity: [1, Infinity, 'one or more numbers'],
  takes: NUMBER,
  gives: 'number',
  run: (args, rows) =>
    mapNumbers(args as NumericVec[], lengthFor(rows, ...args), values =>
      values.reduce((best, value) => (name === 'greatest' ? Math.max(best, value) : Math.min(best, value))),
    ),
  sql: args => {
    const there = args.map(arg => `${arg} is not null`).join(' and ');
    return `case when ${there} then ${args.length > MOST_SPELT ? `${name}(${args.join(', ')})` : bestSql(args, name === 'greatest' ? '>=' : '<=')} end`;
  },
});

// Comparisons grow with the square of the arguments; beyond so many the engine's own function has to do.
const MOST_SPELT = 6;

/** The smallest or largest of several values by comparisons alone, since some engines have no `greatest`. */
function bestSql(args: readonly string[], sign: '>=' | '<='): string {
  if (args.length === 1) return args[0] as string;
  const branches = args.slice(0, -1).map(
    (arg, i) =>
      `when ${args
        .slice(i + 1)
        .map(other => `${arg} ${sign} ${other}`)
        .join(' and ')} then ${arg}`,
  );
  return `case ${branches.join(' ')} else ${args.at(-1)} end`;
}

const when = (condition: string, result: string): string => `case when ${condition} then ${result} end`;

/** Functions of numbers. */
export const numberFunctions = {
  abs: unary('abs(x)', 'Size of a number without its sign.', 'abs(balance)', Math.abs),
  ceil: unary('ceil(x)', 'Next whole number upwards.', 'ceil(milk / 1000)', Math.ceil),
  ceiling: unary('ceiling(x)', 'The same as ceil.', 'ceiling(milk / 1000)', Math.ceil, ([x]) => `ceil(${x})`),
  floor: unary('floor(x)', 'Next whole number downwards.', 'floor(milk / 1000)', Math.floor),
  round: {
    group: 'number',
    signature: 'round(x[, n])',
    help: 'Nearest number with n decimals; halves go away from zero.',
    example: 'round(butterfat, 1)',
    arity: [1, 2, 'a number, and how many decimals'],
    takes: NUMBER,
    gives: 'number',
    run: (args, rows) =>
      mapNumbers(args as NumericVec[], lengthFor(rows, ...args), ([value, places]) => roundedTo(value as number, places)),
    sql: args => (args.length === 1 ? `round(${args[0]})` : `round(${args[0]}, cast(${args[1]} as integer))`),
  } satisfies Scalar,
  trunc: unary('trunc(x)', 'Whole part, towards zero.', 'trunc(milk / 1000)', Math.trunc),
  sign: unary('sign(x)', '−1, 0 or 1.', 'sign(balance)', Math.sign),
  sqrt: unary('sqrt(x)', 'Square root; missing for negative numbers.', 'sqrt(herd)', Math.sqrt, ([x]) => when(`${x} >= 0`, `sqrt(${x})`)),
  power: binary('power(x, y)', 'x raised to y; missing where that has no real value.', 'power(herd, 2)', power, ([x, y]) =>
    when(`not (${x} < 0 and ${y} <> floor(${y})) and not (${x} = 0 and ${y} < 0)`, `power(${x}, ${y})`),
  ),
  exp: unary('exp(x)', 'e raised to x.', 'exp(1)', Math.exp),
  ln: unary('ln(x)', 'Natural logarithm; missing for zero and below.', 'ln(cells)', Math.log, ([x]) => when(`${x} > 0`, `ln(${x})`)),
  log10: unary('log10(x)', 'Logarithm to base 10; missing for zero and below.', 'log10(cells)', Math.log10, ([x]) =>
    when(`${x} > 0`, `log10(${x})`),
  ),
  log: binary(
    'log(base, x)',
    'Logarithm to any base.',
    'log(2, cells)',
    (base, x) => (base > 0 && base !== 1 ? Math.log(x) / Math.log(base) : NaN),
    ([base, x]) => when(`${base} > 0 and ${base} <> 1 and ${x} > 0`, `ln(${x}) / ln(${base})`),
  ),
  mod: binary(
    'mod(x, y)',
    'Remainder of x / y, with the sign of x.',
    'mod(week, 2)',
    (a, b) => a % b,
    ([a, b]) => `(${a} % nullif(${b}, 0))`,
  ),
  greatest: choosing('greatest', 'The largest of several numbers; missing when any is.'),
  least: choosing('least', 'The smallest of several numbers; missing when any is.'),
  pi: {
    group: 'number',
    signature: 'pi()',
    help: 'The number π.',
    example: 'pi() * power(radius, 2)',
    arity: [0, 0, 'no argument'],
    takes: NUMBER,
    gives: 'number',
    run: () => ({ type: 'number', data: Float64Array.of(Math.PI), constant: true }),
  } satisfies Scalar,
};
