import { cueSchema } from 'core/cue';
import { figureDataSchema } from 'core/frame';
import * as z from 'zod/mini';

/** The version that this code writes. Older documents are migrated when read (see `migrations`). */
export const PROJECT_VERSION = 3;

/** How figures can be drawn. `bar` and `lying-stem` lie; everything else stands upright. */
export const MARKS = ['column', 'bar', 'stem', 'lying-stem', 'line', 'step', 'area', 'step-area', 'points'] as const;

/**
 * How the figure is drawn. `arrange`: series side by side, stacked, or stacked to 100 %. `panels`: one for each measure, or one for all; a panel
 * column of the data part makes one for each of its values.
 */
export const shapeSchema = z.object({
  mark: z.enum(MARKS),
  proportion: z.enum(['16:9', '4:3', '1:1']),
  arrange: z.enum(['side', 'stacked', 'full']),
  panels: z.enum(['one', 'measures']),
});

/** One value axis. `zero`: as the shapes need it, kept, or left out; bounds are null where they fit the data. `numbers`: whether they show. */
export const axisSchema = z.object({
  zero: z.enum(['auto', 'kept', 'out']),
  low: z.nullable(z.number()),
  high: z.nullable(z.number()),
  numbers: z.boolean(),
});

/** `axes`: the first and the second value axis; `between`: each on its own, held to one scale, or with their zeros at one height. */
export const scalesSchema = z.object({
  gridlines: z.boolean(),
  unit: z.nullable(z.string()),
  decimals: z.nullable(z.number()),
  axes: z.object({ first: axisSchema, second: axisSchema }),
  between: z.enum(['free', 'matched', 'zeros']),
});

export type AxisChoice = z.infer<typeof axisSchema>;
export type Scales = z.infer<typeof scalesSchema>;

export const wordsSchema = z.object({ title: z.string(), subtitle: z.string() });

/** One chart with its data part, cues, scales and words. `view` is what the stage shows of its cues. */
export const figureSchema = z.object({
  id: z.string(),
  name: z.string(),
  data: figureDataSchema,
  shape: shapeSchema,
  cues: z.array(cueSchema),
  scales: scalesSchema,
  words: wordsSchema,
  view: z.enum(['plain', 'cued', 'both']),
});

const cell = z.union([z.number(), z.string(), z.boolean(), z.null()]);

/** A column that a formula computes from the table's others, row by row. */
export const derivedSchema = z.object({
  name: z.string().check(z.minLength(1)),
  formula: z.string().check(z.minLength(1), z.maxLength(10_000)),
});

/** A table of the project: its name, units by column, edited cells, derived columns. The source's values are kept apart. */
export const tableDocSchema = z.object({
  id: z.string(),
  name: z.string(),
  units: z.record(z.string(), z.string()),
  edits: z.array(z.object({ row: z.number(), column: z.string(), value: cell })),
  derived: z.array(derivedSchema),
});

/** A way to write numbers, named once and used everywhere. */
export const numberFormatSchema = z.object({
  name: z.string().check(z.minLength(1), z.maxLength(60)),
  decimals: z.nullable(z.number().check(z.minimum(0), z.maximum(12))),
  grouping: z.boolean(),
  percent: z.boolean(),
  prefix: z.string().check(z.maxLength(20)),
  suffix: z.string().check(z.maxLength(20)),
  scale: z.number().check(z.positive()),
});

/** The most that one picture of the analyst's own may have, in bytes, and how many there may be. */
export const PICTURE_LIMIT = 64 * 1024;
export const MOST_PICTURES = 40;

/** A small picture that cues may put at marks. `data` is base64. */
export const pictureSchema = z.object({
  name: z.string().check(z.minLength(1), z.maxLength(40)),
  type: z.enum(['image/png', 'image/svg+xml']),
  data: z.string().check(z.regex(/^[A-Za-z0-9+/]+=*$/), z.maxLength(Math.ceil((PICTURE_LIMIT * 4) / 3) + 4)),
});

/** What is saved: everything the analyst decided, nothing that is computed. */
export const projectSchema = z.object({
  version: z.literal(PROJECT_VERSION),
  id: z.string(),
  name: z.string(),
  tables: z.array(tableDocSchema),
  figures: z.array(figureSchema),
  formats: z.array(numberFormatSchema),
  pictures: z.array(pictureSchema).check(z.maxLength(MOST_PICTURES)),
});

export type Figure = z.infer<typeof figureSchema>;
export type Mark = Figure['shape']['mark'];
export type Derived = z.infer<typeof derivedSchema>;
export type TableDoc = z.infer<typeof tableDocSchema>;
export type Picture = z.infer<typeof pictureSchema>;
export type NumberFormat = z.infer<typeof numberFormatSchema>;
export type Project = z.infer<typeof projectSchema>;
export type View = Figure['view'];
