import * as z from 'zod/mini';

/** Faults that a simulated feed can produce on purpose. */
export const FEED_FAULTS = ['slow', 'error', 'garbage', 'cut', 'columns'] as const;
/** A fault of a simulated feed. */
export type FeedFault = (typeof FEED_FAULTS)[number];

/** How long an answer may be held back, in milliseconds. */
const MOST_DELAY = 60_000;
const whole = (low: number, high: number) =>
  z.pipe(
    z.pipe(
      z.string().check(z.regex(/^\d{1,6}$/)),
      z.transform(text => Number(text)),
    ),
    z.number().check(z.minimum(low), z.maximum(high)),
  );

const querySchema = z.object({
  page: z._default(whole(1, 100_000), 1),
  size: z._default(whole(1, 5_000), 200),
  /** The last day whose rows are given. */
  until: z.optional(z.string().check(z.regex(/^\d{4}-\d\d-\d\d$/))),
  delay: z._default(whole(0, MOST_DELAY), 0),
  fault: z.optional(z.enum(FEED_FAULTS)),
  /** Only so many answers of an `id` have the fault; without a number all have it. */
  fails: z.optional(whole(0, 100)),
  id: z._default(z.string().check(z.maxLength(64)), ''),
});

/** The query of a simulated feed. */
export type FeedQuery = z.infer<typeof querySchema>;

/** The query of a request, or null for one that cannot be meant. */
export function readFeedQuery(query: unknown): FeedQuery | null {
  const read = querySchema.safeParse(query);
  return read.success ? read.data : null;
}
