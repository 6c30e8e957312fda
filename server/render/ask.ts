import * as z from 'zod/mini';

/** The most bytes that one question may have. */
export const MOST_BYTES = 32 * 1024 * 1024;
/** The most pixels that one picture may have. */
export const MOST_PIXELS = 40_000_000;

const side = z.number().check(z.int(), z.minimum(100), z.maximum(8_000));

/** A figure asked for: the project with its tables as a project file has them, and how it is wanted. */
export const renderAskSchema = z.object({
  project: z.record(z.string(), z.unknown()),
  /** By its name; the first where unsaid. */
  figure: z.optional(z.string().check(z.maxLength(1_000))),
  format: z._default(z.enum(['svg', 'png', 'csv', 'json']), 'svg'),
  width: z.optional(side),
  height: z.optional(side),
  scale: z._default(z.number().check(z.minimum(0.1), z.maximum(8)), 1),
  /** `light`, `dark`, or the name of a livery. */
  theme: z._default(z.string().check(z.maxLength(60)), 'light'),
  transparent: z._default(z.boolean(), false),
  plain: z._default(z.boolean(), false),
});

/** A figure asked for. */
export type RenderAsk = z.infer<typeof renderAskSchema>;

/** Why a question has no figure for an answer (RFC 9457). */
export interface RenderProblem {
  readonly status: number;
  readonly title: string;
  readonly detail: string;
  /** Every fault with its words. */
  readonly faults?: readonly string[];
}

/** The answer to a request for a figure. */
export type RenderAnswer =
  { readonly ok: true; readonly type: string; readonly bytes: Uint8Array } | { readonly ok: false; readonly problem: RenderProblem };

/** A problem in its own words. */
export const problem = (status: number, title: string, detail: string, faults?: readonly string[]): RenderAnswer => ({
  ok: false,
  problem: { status, title, detail, ...(faults ? { faults } : {}) },
});
