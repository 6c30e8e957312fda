import * as z from 'zod/mini';
import { extremes, type ExtremesCue } from './extremes';
import type { CueBase, CueKind } from './kind';

/** Every kind of cue. A new one is its file plus its line here, in `Cue` and in `cueSchema`. */
export const cueKinds = { extremes } as const;

export type Cue = ExtremesCue;
export type CueKindName = keyof typeof cueKinds;

export const cueSchema: z.ZodMiniType<Cue> = z.union([extremes.schema]);

/** The definition behind a cue, under the one type all kinds share. */
export const kindOf = (cue: Pick<CueBase, 'kind'>): CueKind<Cue> => cueKinds[cue.kind as CueKindName];
