import { aboveCeiling } from './above-ceiling';
import type { Check, CheckSubject, Risk } from './check';
import { hidingBreak } from './hiding-break';
import { lengthsOnLog } from './lengths-on-log';
import { meanOfRatios } from './mean-of-ratios';
import { noLogarithm } from './no-logarithm';
import { oneUnitTwoScales } from './one-unit-two-scales';
import { outsideAxis } from './outside-axis';
import { percentMixedUp } from './percent-mixed-up';
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
} as const satisfies Readonly<Record<string, Check>>;

/** A check by its name. */
export type CheckName = keyof typeof checks;

/** A risk with the check that found it. */
export interface FoundRisk extends Risk {
  readonly check: CheckName;
}

/** All risks of a figure. A check that fails finds nothing and stops no other. */
export const risksOf = (subject: CheckSubject): FoundRisk[] =>
  (Object.keys(checks) as CheckName[]).flatMap(check => {
    try {
      return checks[check].find(subject).map(risk => ({ ...risk, check }));
    } catch {
      return [];
    }
  });
