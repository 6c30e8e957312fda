import { nameText } from 'core/formula';
import type { HelperFormula } from '../kind';

type Make = (part: string, formula: string, as?: 'number') => HelperFormula;

/** A method to find outliers: its centre, its fences, and the score of a value. */
export interface OutlierMethod {
  /** "1.5 inter-quartile ranges beyond the quartiles": the words after the number. */
  readonly label: string;
  /** The unit of the score, as the hover writes it. */
  readonly unit: string;
  /** The factor that the method's source recommends. */
  readonly k: number;
  /** The centre: two quartiles, or a value with a spread. */
  readonly around: (m: string, window: string, helper: Make) => readonly [HelperFormula, HelperFormula];
  /** The part that is zero where too many values are equal, so that no distance can be measured; null where fences exist all the same. */
  readonly spread: string | null;
  readonly fences: (around: readonly [string, string], k: number) => readonly [low: string, high: string];
  readonly score: (m: string, around: readonly [string, string]) => string;
  /** The fewest values among which one can be beyond the fences. */
  readonly least: (k: number) => number;
}

const quartile = (m: string, window: string, share: number): string => `percentile_cont(${share}) within group (order by ${m}) ${window}`;

/**
 * The score of a value by its distance from a median is 0.6745 times that distance in median absolute deviations, which then count as standard
 * deviations of a normal distribution would; 3.5 is the limit of the same source (B. Iglewicz and D. Hoaglin, How to Detect and Handle Outliers,
 * ASQC 1993).
 */
const ROBUST = 0.6745;

/** All methods to find outliers. */
export const OUTLIER_METHODS = {
  iqr: {
    label: 'inter-quartile ranges beyond the quartiles',
    unit: 'inter-quartile ranges beyond the quartiles',
    // J. Tukey, Exploratory Data Analysis, 1977: the inner fences.
    k: 1.5,
    around: (m, window, helper) => [
      helper('lower quartile', quartile(m, window, 0.25)),
      helper('upper quartile', quartile(m, window, 0.75)),
    ],
    // Equal quartiles have their fences on themselves: whatever differs lies outside.
    spread: null,
    fences: ([a, b], k) => [`${a} - ${k} * (${b} - ${a})`, `${b} + ${k} * (${b} - ${a})`],
    score: (m, [a, b]) =>
      `case when ${m} > ${b} then (${m} - ${b}) / (${b} - ${a}) when ${m} < ${a} then (${m} - ${a}) / (${b} - ${a}) when ${m} is not null then 0 end`,
    // With quartiles interpolated between values: of n − 1 equal ones and one other, the other must clear its own pull on the quartile.
    least: k => (k < 0.5 ? 2 : k < 1 ? 3 : k < 3 ? 4 : 5),
  },
  deviation: {
    label: 'standard deviations from the mean',
    unit: 'standard deviations from the mean',
    k: 3,
    around: (m, window, helper) => [helper('mean', `avg(${m}) ${window}`), helper('sd', `stddev_samp(${m}) ${window}`)],
    spread: 'sd',
    fences: ([a, b], k) => [`${a} - ${k} * ${b}`, `${a} + ${k} * ${b}`],
    score: (m, [a, b]) => `(${m} - ${a}) / ${b}`,
    // No value of n lies further than (n − 1) / √n sample standard deviations from their mean (R. Shiffler 1988).
    least: k => {
      let n = 2;
      while ((n - 1) / Math.sqrt(n) <= k) n++;
      return n;
    },
  },
  mad: {
    label: 'robust scores from the median',
    unit: 'robust scores from the median (0.6745 of the distance in median absolute deviations)',
    k: 3.5,
    around: (m, window, helper) => {
      const centre = helper('median', `median(${m}) ${window}`);
      return [centre, helper('MAD', `median(abs(${m} - ${nameText(centre.name)})) ${window}`)];
    },
    spread: 'MAD',
    fences: ([a, b], k) => [`${a} - ${k} / ${ROBUST} * ${b}`, `${a} + ${k} / ${ROBUST} * ${b}`],
    score: (m, [a, b]) => `${ROBUST} * (${m} - ${a}) / ${b}`,
    // Two values lie one MAD from their median each.
    least: k => (k < ROBUST ? 2 : 3),
  },
} as const satisfies Record<string, OutlierMethod>;

/** A method by name. */
export type OutlierMethodName = keyof typeof OUTLIER_METHODS;
/** A method's entry. */
export const methodOf = (name: OutlierMethodName): OutlierMethod => OUTLIER_METHODS[name];
