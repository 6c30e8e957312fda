import { DASHES } from 'core/frame';
import * as z from 'zod/mini';
import { lookSchema } from './look';

/** How a band shows. */
export const BAND_STYLES = ['filled', 'edges', 'whiskers', 'boxes', 'sticks', 'dots'] as const;
/** How a band shows. */
export type BandStyle = (typeof BAND_STYLES)[number];

const name = z.string();
/** Measures that the treatment draws itself, so that their own marks are hidden. */
const hides = z.optional(z.array(name));

/** Rows where the part's helper column has a value get the look. `difference` and `share` name parts that labels may show. */
const mark = z.object({
  show: z.literal('mark'),
  part: name,
  measure: name,
  look: lookSchema,
  legend: z.string(),
  difference: z.optional(name),
  share: z.optional(name),
});

/** Marks coloured by a position from 0 to 1 in the part's helper column. `value`: the measure whose lowest and highest value the legend shows. */
const ramp = z.object({
  show: z.literal('ramp'),
  part: name,
  measure: name,
  low: z.string(),
  middle: z.nullable(z.string()),
  high: z.string(),
  look: lookSchema,
  share: z.optional(name),
});

/** The measure's marks are replaced by stacked parts. `total`: the part for the label on top. */
const split = z.object({
  show: z.literal('split'),
  measure: name,
  parts: z.array(
    z.object({ part: name, look: lookSchema, legend: z.string(), sign: z.optional(z.enum(['+', '−'])), share: z.optional(name) }),
  ),
  total: z.nullable(name),
  hides,
});

/**
 * The part's values as a line on the measure's axis, or on the second one. `level`: flat pieces, one across the whole width where all are equal;
 * `joined`, `stepped`: a series. `drag`: the token that dragging changes.
 */
const line = z.object({
  show: z.literal('line'),
  part: name,
  measure: name,
  colour: z.string(),
  dash: z.enum(DASHES),
  width: z.number(),
  marker: z.string(),
  form: z.enum(['level', 'joined', 'stepped', 'points', 'columns']),
  axis: z.enum(['same', 'second']),
  label: z.boolean(),
  legend: z.string(),
  drag: z.nullable(z.string()),
  hides,
});

/** The area between two parts. */
const band = z.object({
  show: z.literal('band'),
  low: name,
  high: name,
  measure: name,
  style: z.enum(BAND_STYLES),
  colour: z.string(),
  legend: z.string(),
  drag: z.nullable(z.object({ low: z.string(), high: z.string() })),
  hides,
});

/** Bars from low to high, instead of the two measures' own marks. */
const span = z.object({
  show: z.literal('span'),
  low: name,
  high: name,
  measures: z.array(name),
  colour: z.string(),
  deep: z.nullable(z.string()),
  connectors: z.boolean(),
  whiskers: z.boolean(),
  labels: z.boolean(),
  legend: z.string(),
});

/** The part's values, drawn instead of the measure's own. */
const instead = z.object({ show: z.literal('instead'), part: name, measure: name, percent: z.boolean(), labels: z.boolean() });

/** How a cue is drawn. Every kind expands to these, and no drawing code knows the kinds. */
export const treatmentSchema = z.discriminatedUnion('show', [mark, ramp, split, line, band, span, instead]);

/** A request of a cue to the drawing. */
export type Treatment = z.infer<typeof treatmentSchema>;
/** A treatment of one sort. */
export type TreatmentOf<S extends Treatment['show']> = Extract<Treatment, { show: S }>;
