import { cueSchema } from 'core/cue';
import { figureDataSchema } from 'core/frame';
import * as z from 'zod/mini';

/** The version that this code writes. Older documents are migrated when read (see `migrations`). */
export const PROJECT_VERSION = 1;

/** How the figure is drawn. `column` stands upright, `bar` lies. */
export const shapeSchema = z.object({ mark: z.enum(['column', 'bar']), proportion: z.enum(['16:9', '4:3', '1:1']) });

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

/** A table of the project: its name, units by column, and the cells that were edited. The source's values are kept apart. */
export const tableDocSchema = z.object({
  id: z.string(),
  name: z.string(),
  units: z.record(z.string(), z.string()),
  edits: z.array(z.object({ row: z.number(), column: z.string(), value: cell })),
});

/** What is saved: everything the analyst decided, nothing that is computed. */
export const projectSchema = z.object({
  version: z.literal(PROJECT_VERSION),
  id: z.string(),
  name: z.string(),
  tables: z.array(tableDocSchema),
  figures: z.array(figureSchema),
});

export type Figure = z.infer<typeof figureSchema>;
export type TableDoc = z.infer<typeof tableDocSchema>;
export type Project = z.infer<typeof projectSchema>;
export type View = Figure['view'];
