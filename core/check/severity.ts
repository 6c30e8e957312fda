import type { CheckName } from './checks';

/**
 * How grave a risk is: a figure says what is not so (`wrong`), it leads a reader to what is not so (`misleading`), or it is hard to read (`unclear`). The
 * gravest first.
 */
export const SEVERITIES = ['wrong', 'misleading', 'unclear'] as const;
/** How grave a risk is. */
export type Severity = (typeof SEVERITIES)[number];

const severities: { readonly [C in CheckName]: Severity } = {
  'zero-left-out': 'misleading',
  'percent-mixed-up': 'wrong',
  'mean-of-ratios': 'wrong',
  'one-unit-two-scales': 'misleading',
  'zeros-apart': 'misleading',
  'no-logarithm': 'wrong',
  'lengths-on-log': 'misleading',
  'hiding-break': 'misleading',
  'outside-axis': 'misleading',
  'above-ceiling': 'misleading',
  'stale-title': 'wrong',
  'too-much-emphasis': 'unclear',
  'one-colour-twice': 'unclear',
  'collapsing-colours': 'unclear',
  'low-contrast': 'unclear',
  'hidden-series': 'misleading',
  'other-format': 'unclear',
  'too-many-labels': 'unclear',
};

/** How grave what a check finds is. */
export const severityOf = (check: CheckName): Severity => severities[check];

/** Whether one is as grave as another, or graver. */
export const isAsGrave = (own: Severity, least: Severity): boolean => SEVERITIES.indexOf(own) <= SEVERITIES.indexOf(least);
