import { DATE_GRAINS } from 'core/formula';
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
export const LAYER_SHAPES = ['column', 'stem', 'line', 'step', 'area', 'step-area', 'points', 'none'] as const;

/** Which value axis a measure or helper column is read at. */
export const VALUE_AXES = ['first', 'second'] as const;
const axis = z.enum(VALUE_AXES);
export const layerShapeSchema = z.nullable(z.enum(LAYER_SHAPES));

const format = z.nullable(z.string());
const pen = z.optional(penSchema);

/**
 * A named aggregate formula over the table's columns, such as `sum(milk)`. `format` names a number format of the project, `pen` says how its
 * line is drawn.
 */
export const measureSchema = z.object({ name, formula, shape: layerShapeSchema, axis, format, pen });

/** Where a helper column looks: the whole figure, within each value of a column, along an order, or as its formula itself says. */
export const helperScopeSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('own') }),
  z.object({ kind: z.literal('figure') }),
  z.object({ kind: z.literal('within'), column: z.string() }),
  z.object({ kind: z.literal('along'), column: z.string(), within: z.nullable(z.string()) }),
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

/** `table`: as the rows come. `measure`: by a measure's or helper column's values. `hand`: the categories as listed, others behind. */
export const orderSchema = z.discriminatedUnion('by', [
  z.object({ by: z.literal('table') }),
  z.object({ by: z.literal('category'), descending: z.boolean() }),
  z.object({ by: z.literal('measure'), measure: z.string(), descending: z.boolean() }),
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

/** The data part of a figure: which rows, grouped how, measured how, in which order. */
export const figureDataSchema = z.object({
  table: z.string(),
  category: z.string(),
  step: stepSchema,
  series: z.nullable(z.string()),
  panel: z.nullable(z.string()),
  measures: z.array(measureSchema).check(z.minLength(1)),
  helpers: z.array(helperSchema),
  filters: z.array(filterSchema),
  order: orderSchema,
  whatIfs: z.array(whatIfSchema),
});

export type Filter = z.infer<typeof filterSchema>;
export type LayerShape = (typeof LAYER_SHAPES)[number];
export type Measure = z.infer<typeof measureSchema>;
export type HelperScope = z.infer<typeof helperScopeSchema>;
export type Helper = z.infer<typeof helperSchema>;
export type Order = z.infer<typeof orderSchema>;
export type WhatIf = z.infer<typeof whatIfSchema>;
export type Step = z.infer<typeof stepSchema>;
export type FigureData = z.infer<typeof figureDataSchema>;

/** A measure as the figure's mark draws it, in no special format. */
export const plainMeasure = (name: string, formula: string): Measure => ({ name, formula, shape: null, axis: 'first', format: null });
