import { DATE_GRAINS } from 'core/formula';
import { OFFERED_SHAPES } from 'core/shape';
import * as z from 'zod/mini';
import { penSchema } from './pen';

const cell = z.union([z.number(), z.string(), z.boolean(), z.null()]);
const formula = z.string().check(z.minLength(1), z.maxLength(10_000));
const name = z.string().check(z.minLength(1), z.maxLength(200));

/**
 * What a figure's filter keeps. `values`: these texts, null for missing. `range`: bounds included, null for open. `missing`: rows with or without a
 * value. `top`: the values of the column with the largest (or smallest) of a measure, ties kept. `formula`: where it is true.
 */
export const filterSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('values'), column: z.string(), keep: z.array(z.union([z.string(), z.null()])) }),
  z.object({ kind: z.literal('range'), column: z.string(), low: cell, high: cell }),
  z.object({ kind: z.literal('missing'), column: z.string(), keep: z.enum(['missing', 'there']) }),
  z.object({ kind: z.literal('top'), column: z.string(), n: z.number(), measure: formula, end: z.enum(['largest', 'smallest']) }),
  z.object({ kind: z.literal('formula'), column: z.string(), formula }),
]);

/** How one measure or helper column is drawn; null leaves a measure to the figure's mark and a helper column undrawn; `none` hides a measure. */
export const LAYER_SHAPES = [...OFFERED_SHAPES, 'none'] as const;

/** Which value axis a measure or helper column is read at. */
export const VALUE_AXES = ['first', 'second'] as const;
const axis = z.enum(VALUE_AXES);
/** A shape of one measure or helper column; null for none of its own. */
export const layerShapeSchema = z.nullable(z.enum(LAYER_SHAPES));

const format = z.nullable(z.string());
const pen = z.optional(penSchema);

/**
 * A named aggregate formula over the table's columns, such as `sum(milk)`. `format` names a number format of the project, `pen` says how its
 * line is drawn.
 */
export const measureSchema = z.object({ name, formula, shape: layerShapeSchema, axis, format, pen });

/** Where a helper column looks: the whole figure, within each value of columns, along an order, or as its formula itself says. */
export const helperScopeSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('own') }),
  z.object({ kind: z.literal('figure') }),
  z.object({ kind: z.literal('within'), columns: z.array(z.string()).check(z.minLength(1)) }),
  z.object({ kind: z.literal('along'), column: z.string(), within: z.array(z.string()) }),
]);

/** A helper column by hand, computed after aggregation over the frame. */
export const helperSchema = z.object({
  name,
  formula,
  scope: helperScopeSchema,
  shape: layerShapeSchema,
  axis,
  format,
  pen,
});

const bySize = z.object({ by: z.literal('measure'), measure: z.string(), descending: z.boolean() });
/** The order by size that a figure had before it was drawn as what runs along something; it comes back with its shape. */
const was = z.optional(bySize);

/** `table`: as the rows come, or from the last to the first. `measure`: by a measure's or helper column's values. `hand`: the categories as listed, others behind. */
export const orderSchema = z.discriminatedUnion('by', [
  z.object({ by: z.literal('table'), backward: z.optional(z.boolean()), was }),
  z.object({ by: z.literal('category'), descending: z.boolean(), was }),
  bySize,
  z.object({ by: z.literal('hand'), keys: z.array(z.union([z.string(), z.null()])) }),
]);

const key = z.union([z.string(), z.null()]);

/**
 * A value that stands in for a computed one, in this figure alone. `by` is the category column it was given under,
 * `category` the row's text, null for missing; `split` the texts of panel and series where the figure has them.
 */
export const whatIfSchema = z.object({
  by: z.string(),
  category: key,
  split: z.array(key),
  measure: z.string(),
  value: z.union([z.number(), z.null()]),
});

/** Steps of a date (day to year) or of a number (a width; null for one that fits). */
export const stepSchema = z.nullable(
  z.discriminatedUnion('kind', [
    z.object({ kind: z.literal('grain'), grain: z.enum(DATE_GRAINS) }),
    z.object({ kind: z.literal('bin'), width: z.nullable(z.number().check(z.positive())) }),
  ]),
);

/** Columns above the category that a crosstab nests its rows in, at most. */
export const MOST_OUTER = 4;

/** The data part of a figure: which rows, grouped how, measured how, in which order. `outer`: what the rows of a crosstab are nested in, outermost first; other shapes leave it out. */
export const figureDataSchema = z.object({
  table: z.string(),
  category: z.string(),
  step: stepSchema,
  outer: z.array(z.object({ column: z.string(), step: stepSchema })).check(z.maxLength(MOST_OUTER)),
  /** Steps of the series, where it is a date or a number. */
  seriesStep: stepSchema,
  /** The sum over a period without rows: missing, zero, or not in the figure at all. */
  empty: z.enum(['missing', 'zero', 'left-out']),
  series: z.nullable(z.string()),
  panel: z.nullable(z.string()),
  measures: z.array(measureSchema).check(z.minLength(1)),
  helpers: z.array(helperSchema),
  filters: z.array(filterSchema),
  order: orderSchema,
  whatIfs: z.array(whatIfSchema),
});

/** A filter of a figure: the rows that it keeps. */
export type Filter = z.infer<typeof filterSchema>;
/** How one measure or helper column is drawn. */
export type LayerShape = (typeof LAYER_SHAPES)[number];
/** A named aggregate over the table's rows, and how it shows. */
export type Measure = z.infer<typeof measureSchema>;
/** Where a helper column by hand looks. */
export type HelperScope = z.infer<typeof helperScopeSchema>;
/** A helper column by hand, and how it shows. */
export type Helper = z.infer<typeof helperSchema>;
/** Which row comes first. */
export type Order = z.infer<typeof orderSchema>;
/** A value that stands in for a computed one. */
export type WhatIf = z.infer<typeof whatIfSchema>;
/** What one category spans: a day to a year, a bin, or a value (null). */
export type Step = z.infer<typeof stepSchema>;
/** The data part of a figure. */
export type FigureData = z.infer<typeof figureDataSchema>;
