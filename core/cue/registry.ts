import * as z from 'zod/mini';
import { band } from './band';
import type { BandCue } from './band-schema';
import { change, type ChangeCue } from './change';
import { compare, type CompareCue } from './compare';
import { extremes, type ExtremesCue } from './extremes';
import { gradient, type GradientCue } from './gradient';
import type { CueBase, CueKind } from './kind';
import { outlier, type OutlierCue } from './outlier';
import { plan, type PlanCue } from './plan';
import { rank, type RankCue } from './rank';
import { reference, type ReferenceCue } from './reference';
import { rescale, type RescaleCue } from './rescale';
import { rule, type RuleCue } from './rule';
import { running, type RunningCue } from './running';
import { span, type SpanCue } from './span';
import { threshold, type ThresholdCue } from './threshold';
import { typical, type TypicalCue } from './typical';

/** Every kind of cue, as the search lists them. A new one is its file plus its line here, in `Cue` and in `cueSchema`. */
export const cueKinds = {
  extremes,
  rank,
  threshold,
  typical,
  plan,
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

/** The definition behind a cue, under the one type all kinds share. */
export const kindOf = (cue: Pick<CueBase, 'kind'>): CueKind<Cue> => cueKinds[cue.kind as CueKindName];
