import * as z from 'zod/mini';

const cell = z.union([z.number(), z.string(), z.boolean(), z.null()]);

/** What a figure's filter keeps. `values`: these texts, null for missing. `range`: bounds included, null for open. */
export const filterSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('values'), column: z.string(), keep: z.array(z.union([z.string(), z.null()])) }),
  z.object({ kind: z.literal('range'), column: z.string(), low: cell, high: cell }),
]);

/** A named aggregate formula over the table's columns, such as `sum(milk)`. */
export const measureSchema = z.object({
  name: z.string().check(z.minLength(1)),
  formula: z.string().check(z.minLength(1), z.maxLength(10_000)),
});

/** `table`: as the rows come. `measure`: by a measure's values. */
export const orderSchema = z.discriminatedUnion('by', [
  z.object({ by: z.literal('table') }),
  z.object({ by: z.literal('category'), descending: z.boolean() }),
  z.object({ by: z.literal('measure'), measure: z.string(), descending: z.boolean() }),
]);

/**
 * A value that stands in for a computed one, in this figure alone. `by` is the category column it was given under,
 * `category` the row's text, null for missing.
 */
export const whatIfSchema = z.object({
  by: z.string(),
  category: z.union([z.string(), z.null()]),
  measure: z.string(),
  value: z.union([z.number(), z.null()]),
});

/** The data part of a figure: which rows, grouped how, measured how, in which order. */
export const figureDataSchema = z.object({
  table: z.string(),
  category: z.string(),
  measures: z.array(measureSchema).check(z.minLength(1)),
  filters: z.array(filterSchema),
  order: orderSchema,
  whatIfs: z.array(whatIfSchema),
});

export type Filter = z.infer<typeof filterSchema>;
export type Measure = z.infer<typeof measureSchema>;
export type Order = z.infer<typeof orderSchema>;
export type WhatIf = z.infer<typeof whatIfSchema>;
export type FigureData = z.infer<typeof figureDataSchema>;
