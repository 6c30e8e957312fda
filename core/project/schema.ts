import { cueSchema } from 'core/cue';
import { figureDataSchema } from 'core/frame';
import * as z from 'zod/mini';

/** The version that this code writes. Older documents are migrated when read (see `migrations`). */
export const PROJECT_VERSION = 2;

/** How figures can be drawn. `bar` lies; everything else stands upright. */
export const MARKS = ['column', 'bar', 'line', 'area', 'points'] as const;

/**
 * How the figure is drawn. `arrange`: series side by side, or stacked. `panels`: one for each measure, or one for all; a panel
 * column of the data part makes one for each of its values.
 */
export const shapeSchema = z.object({
  mark: z.enum(MARKS),
  proportion: z.enum(['16:9', '4:3', '1:1']),
  arrange: z.enum(['side', 'stacked']),
  panels: z.enum(['one', 'measures']),
});

export const scalesSchema = z.object({ gridlines: z.boolean(), unit: z.nullable(z.string()), decimals: z.nullable(z.number()) });

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

/** What is saved: everything the analyst decided, nothing that is computed. */
export const projectSchema = z.object({
  version: z.literal(PROJECT_VERSION),
  id: z.string(),
  name: z.string(),
  tables: z.array(tableDocSchema),
  figures: z.array(figureSchema),
  formats: z.array(numberFormatSchema),
});

export type Figure = z.infer<typeof figureSchema>;
export type Mark = Figure['shape']['mark'];
export type Derived = z.infer<typeof derivedSchema>;
export type TableDoc = z.infer<typeof tableDocSchema>;
export type NumberFormat = z.infer<typeof numberFormatSchema>;
export type Project = z.infer<typeof projectSchema>;
export type View = Figure['view'];
