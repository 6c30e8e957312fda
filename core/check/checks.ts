import { aboveCeiling } from './above-ceiling';
import { withoutAxes, type Plan } from 'core/plan';
import type { Check, CheckSubject, Risk } from './check';
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

/** All risks of a figure. A check that fails finds nothing and stops no other; in a table, which has no axes, those of axes find nothing. */
export const risksOf = (of: Omit<CheckSubject, 'plan'> & { readonly plan: Plan }): FoundRisk[] => {
  const subject: CheckSubject = { ...of, plan: of.plan.kind === 'chart' ? of.plan : withoutAxes(of.plan) };
  return (Object.keys(checks) as CheckName[]).flatMap(check => {
    try {
      return checks[check].find(subject).map(risk => ({ ...risk, check }));
    } catch {
      return [];
    }
  });
};
