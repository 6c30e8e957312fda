import * as z from 'zod/mini';
import { band } from './kinds/band';
import type { BandCue } from './kinds/band-schema';
import { change, type ChangeCue } from './kinds/change';
import { compare, type CompareCue } from './kinds/compare';
import { extremes, type ExtremesCue } from './kinds/extremes';
import { gradient, type GradientCue } from './kinds/gradient';
import type { CueBase, CueKind } from './kind';
import { outlier, type OutlierCue } from './kinds/outlier';
import { againstPlan, type PlanCue } from './kinds/against-plan';
import { rank, type RankCue } from './kinds/rank';
import { reference, type ReferenceCue } from './kinds/reference';
import { rescale, type RescaleCue } from './kinds/rescale';
import { rule, type RuleCue } from './kinds/rule';
import { running, type RunningCue } from './kinds/running';
import { span, type SpanCue } from './kinds/span';
import { threshold, type ThresholdCue } from './kinds/threshold';
import { typical, type TypicalCue } from './kinds/typical';

/** Every kind of cue, in the order of the search. A new one is its file and its lines here, in `cueKinds` and `Cue`. */
export const cueKinds = {
  extremes,
  rank,
  threshold,
  typical,
  plan: againstPlan,
  change,
  compare,
  outlier,
  gradient,
  running,
  reference,
  band,
  span,
  rescale,
  rule,
} as const;

/** A cue of any kind. */
export type Cue =
  | ExtremesCue
  | RankCue
  | ThresholdCue
  | TypicalCue
  | PlanCue
  | ChangeCue
  | CompareCue
  | OutlierCue
  | GradientCue
  | RunningCue
  | ReferenceCue
  | BandCue
  | SpanCue
  | RescaleCue
  | RuleCue;
/** A kind of cue by name. */
export type CueKindName = keyof typeof cueKinds;

/** A cue of any kind as it is stored. */
export const cueSchema: z.ZodMiniType<Cue> = z.discriminatedUnion('kind', Object.values(cueKinds).map(kind => kind.schema) as never);

/** The definition of a cue's kind, typed for any cue. */
export const kindOf = (cue: Pick<CueBase, 'kind'>): CueKind<Cue> => cueKinds[cue.kind as CueKindName];
