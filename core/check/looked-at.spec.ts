import type { CheckName } from './index';

/** The checks that `looks.spec.ts` tries: apart, so that importing them runs no spec twice. */
export const LOOKED_AT: readonly CheckName[] = [
  'collapsing-colours',
  'hidden-series',
  'low-contrast',
  'one-colour-twice',
  'other-format',
  'stale-title',
  'too-many-labels',
  'too-much-emphasis',
];
