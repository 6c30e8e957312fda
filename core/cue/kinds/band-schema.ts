import * as z from 'zod/mini';
import { cueFields } from '../define';
import type { Placed } from '../kind';
import { levelSchema } from '../level/level';
import { BAND_STYLES } from '../looks/treatments';

/** The settings of a range and of how it is drawn. */
export const bandSchema = z.object({
  ...cueFields('band'),
  by: z.enum(['edges', 'width', 'deviation', 'error', 'confidence', 'percentiles']),
  lower: levelSchema,
  upper: levelSchema,
  centre: levelSchema,
  width: levelSchema,
  k: z.number().check(z.minimum(0), z.maximum(100)),
  percent: z.number().check(z.minimum(0.1), z.maximum(99.99)),
  /** Rows of the moving window; 0 for all rows of the scope, whatever their order. */
  moving: z.number().check(z.minimum(0), z.maximum(100_000)),
  /** Whether a moving window contains the row that it judges. */
  includes: z.boolean(),
  edges: z.enum(['full', 'partial']),
  style: z.enum(BAND_STYLES),
  colour: z.string(),
});

/** A range of expected values. */
export type BandCue = z.infer<typeof bandSchema>;
/** A range with its scope resolved. */
export type PlacedBand = Placed<BandCue>;
