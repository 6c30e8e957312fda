import { aboveCeiling } from './above-ceiling';
import { withoutAxes, type Plan } from 'core/plan';
import type { Check, CheckSubject, Risk } from './check';
import type { Severity } from './severity';
import { collapsingColours, lowContrast } from './collapsing-colours';
import { hiddenSeries, oneColourTwice, tooMuchEmphasis } from './emphasis';
import { hidingBreak } from './hiding-break';
import { otherFormat, tooManyLabels } from './label-checks';
import { lengthsOnLog } from './lengths-on-log';
import { meanOfRatios } from './mean-of-ratios';
import { noLogarithm } from './no-logarithm';
import { oneUnitTwoScales } from './one-unit-two-scales';
import { outsideAxis } from './outside-axis';
import { percentMixedUp } from './percent-mixed-up';
import { staleTitle } from './stale-title';
import { zeroLeftOut } from './zero-left-out';
import { zerosApart } from './zeros-apart';

/** Every check, in the order of what misleads most. A new one is a file and a line here. */
export const checks = {
  'zero-left-out': zeroLeftOut,
  'percent-mixed-up': percentMixedUp,
  'mean-of-ratios': meanOfRatios,
  'one-unit-two-scales': oneUnitTwoScales,
  'zeros-apart': zerosApart,
  'no-logarithm': noLogarithm,
  'lengths-on-log': lengthsOnLog,
  'hiding-break': hidingBreak,
  'outside-axis': outsideAxis,
  'above-ceiling': aboveCeiling,
  'stale-title': staleTitle,
  'too-much-emphasis': tooMuchEmphasis,
  'one-colour-twice': oneColourTwice,
  'collapsing-colours': collapsingColours,
  'low-contrast': lowContrast,
  'hidden-series': hiddenSeries,
  'other-format': otherFormat,
  'too-many-labels': tooManyLabels,
} as const satisfies Readonly<Record<string, Check>>;

/** A check by its name. */
export type CheckName = keyof typeof checks;

/** A risk with the check that found it. */
export interface FoundRisk extends Risk {
  readonly check: CheckName;
}

/** How grave what a check finds is. */
export const severityOf = (check: CheckName): Severity => checks[check].severity;

/**
 * All risks of a figure. A check that throws stops no other, and is told as a risk of its own, without a mend: silence would read as “no risk”. In a table,
 * which has no axes, the checks of axes find nothing.
 *
 * @param registry the checks to run; all of them but in a test
 */
export function risksOf(
  of: Omit<CheckSubject, 'plan'> & { readonly plan: Plan },
  registry: Readonly<Record<CheckName, Check>> = checks,
): FoundRisk[] {
  const subject: CheckSubject = { ...of, plan: of.plan.kind === 'chart' ? of.plan : withoutAxes(of.plan) };
  return (Object.keys(registry) as CheckName[]).flatMap(check => {
    try {
      return registry[check].find(subject).map(risk => ({ ...risk, check }));
    } catch (error) {
      return [{ check, words: failedWords(registry[check], error), key: null, mend: null }];
    }
  });
}

const failedWords = ({ about }: Check, error: unknown): string =>
  `The check for “${about}” failed on this figure, so nothing is known of that risk (${error instanceof Error ? error.message : String(error)}). The other checks were made.`;
