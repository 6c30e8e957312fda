import { normalQuantile } from './normal-quantile';

/**
 * The value below which a share of Student's t distribution lies, for a whole number of degrees of freedom and shares from 0.5 up to below 1.
 * Method: the finite sums of the distribution for whole degrees of freedom (M. Abramowitz and I. Stegun, Handbook of Mathematical Functions,
 * 26.7.3 and 26.7.4), inverted by bisection to the last bits. Cost: O(df) per step, about 60 steps.
 */
export function studentQuantile(share: number, df: number): number {
  if (!(share >= 0.5 && share < 1)) throw new RangeError(`studentQuantile needs a share from 0.5 to below 1, got ${share}`);
  if (!Number.isInteger(df) || df < 1) throw new RangeError(`studentQuantile needs whole degrees of freedom, got ${df}`);
  const between = 2 * share - 1;
  // In the angle θ = arctan(t / √df) the distribution is well-behaved for every share.
  let [low, high] = [0, Math.PI / 2];
  for (;;) {
    const middle = (low + high) / 2;
    if (middle === low || middle === high) return Math.tan(middle) * Math.sqrt(df);
    if (centralShare(middle, df) < between) low = middle;
    else high = middle;
  }
}

/** The share between −t and t, by θ = arctan(t / √df). */
function centralShare(angle: number, df: number): number {
  const [sin, cos] = [Math.sin(angle), Math.cos(angle)];
  const odd = df % 2 === 1;
  let [term, sum] = [odd ? cos : 1, 0];
  for (let i = odd ? 3 : 2; i <= df; i += 2) {
    sum += term;
    term *= (cos * cos * (i - 1)) / i;
  }
  return odd ? (2 / Math.PI) * (angle + sin * sum) : sin * sum;
}

// Up to here every quantile is written out; beyond, six terms of the series are right to the tenth digit for the usual levels.
const LISTED = 40;

/**
 * The quantile as a formula over a count of values, with one degree of freedom less. A table up to 41 values, beyond that the expansion around the
 * normal quantile (Abramowitz and Stegun 26.7.5, with one more term).
 */
export function studentFormula(count: string, share: number): string {
  const z = normalQuantile(share);
  const df = `(${count} - 1)`;
  const series = expansion(z).map((factor, i) => `${signed(factor)} / power(${df}, ${i + 1})`);
  const listed = Array.from({ length: LISTED }, (_, i) => `when ${count} = ${i + 2} then ${digits(studentQuantile(share, i + 1))}`);
  return `case when ${count} > ${LISTED + 1} then ${digits(z)}${series.join('')} ${listed.join(' ')} end`;
}

const digits = (value: number): string => String(Number(value.toPrecision(15)));
const signed = (value: number): string => `${value < 0 ? ' - ' : ' + '}${digits(Math.abs(value))}`;

/** Coefficients of 1/df, 1/df² and so on. */
function expansion(z: number): number[] {
  const power = (n: number): number => z ** n;
  return [
    (power(3) + z) / 4,
    (5 * power(5) + 16 * power(3) + 3 * z) / 96,
    (3 * power(7) + 19 * power(5) + 17 * power(3) - 15 * z) / 384,
    (79 * power(9) + 776 * power(7) + 1482 * power(5) - 1920 * power(3) - 945 * z) / 92_160,
    (27 * power(11) + 339 * power(9) + 930 * power(7) - 1782 * power(5) - 765 * power(3) + 17_955 * z) / 368_640,
  ];
}
