import { DATE_STYLES, ENCODINGS, THOUSANDS } from 'core/table';
import * as z from 'zod/mini';

const cell = z.union([z.number(), z.string(), z.boolean(), z.null()]);
const name = z.string().check(z.maxLength(10_000));
const count = z.number().check(z.int(), z.minimum(0), z.maximum(1_000_000_000));
/** Texts that stand for missing values, at most. */
const MOST_MISSING = 100;
const missing = z.array(name).check(z.maxLength(MOST_MISSING));

/** A cell with the value it was given. */
export const cellEditSchema = z.object({ row: z.number(), column: z.string(), value: cell });

/** A column that a formula computes from the table's others, row by row. */
export const derivedSchema = z.object({
  name: z.string().check(z.minLength(1)),
  formula: z.string().check(z.minLength(1), z.maxLength(10_000)),
});

/** How a column's texts were read (see `Reading`). */
const readingSchema = z.object({ decimal: z.enum(['point', 'comma']), dates: z.enum(DATE_STYLES) });

/** The decisions about one column of a source (see `ColumnIntake`). */
export const columnIntakeSchema = z.object({
  name,
  as: z.nullable(name),
  type: z.nullable(z.enum(['number', 'text', 'boolean', 'date', 'timestamp'])),
  decimal: z.nullable(z.enum(['point', 'comma'])),
  thousands: z.nullable(z.enum(THOUSANDS)),
  dates: z.nullable(z.enum(DATE_STYLES)),
  missing,
  fractions: z.boolean(),
  unit: z.nullable(z.string().check(z.maxLength(60))),
  out: z.boolean(),
});

/** How a source is read (see `Intake`). */
export const intakeSchema = z.object({
  encoding: z.nullable(z.enum(ENCODINGS)),
  delimiter: z.nullable(z.string().check(z.minLength(1), z.maxLength(1))),
  part: z.nullable(name),
  range: z.nullable(z.object({ top: count, left: count, bottom: z.nullable(count), right: z.nullable(count) })),
  above: z.nullable(z.number().check(z.int(), z.minimum(0), z.maximum(10_000))),
  below: z.number().check(z.int(), z.minimum(0), z.maximum(10_000)),
  names: z.enum(['found', 'row', 'none']),
  hidden: z.enum(['kept', 'out']),
  missing,
  columns: z.array(columnIntakeSchema).check(z.maxLength(20_000)),
});

/** Mends of one table, at most. */
export const MOST_MENDS = 200;
const texts = z.array(name).check(z.maxLength(5_000));
const columns = z.array(name).check(z.maxLength(5_000));
const rule = z.nullable(name);
const off = z.boolean();
const limit = z.nullable(z.number());

/**
 * What is mended in a table after it was read, each with its switch. `beyond`: what stands below an empty row is left out; `empty-rows`: rows without any
 * value; `duplicates`: rows that repeat others in some columns, or in every one where none is named; `totals`: rows of some texts. `spaces`: loose spaces are
 * taken off; `spellings`: texts are written as another; `stray-texts`, `stray-values`: texts, and values outside limits, become missing; `numbers`: texts
 * become numbers; `zeros`, `fill`: zeros become missing, missing values zeros, where a rule holds; `rename`: a column gets another
 * name.
 */
export const mendSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('beyond'), off }),
  z.object({ kind: z.literal('empty-rows'), off }),
  z.object({ kind: z.literal('duplicates'), columns, keep: z.enum(['first', 'last']), off }),
  z.object({ kind: z.literal('totals'), column: name, texts, off }),
  z.object({ kind: z.literal('spaces'), columns, off }),
  z.object({ kind: z.literal('spellings'), column: name, from: texts, to: name, off }),
  z.object({ kind: z.literal('stray-texts'), column: name, texts, off }),
  z.object({ kind: z.literal('numbers'), column: name, decimal: z.enum(['point', 'comma']), off }),
  z.object({ kind: z.literal('stray-values'), column: name, low: limit, high: limit, off }),
  z.object({ kind: z.literal('zeros'), column: name, where: rule, off }),
  z.object({ kind: z.literal('fill'), column: name, where: rule, off }),
  z.object({ kind: z.literal('rename'), column: name, as: z.string().check(z.maxLength(200)), off }),
]);

/** Tables that one table is made of, at most. */
export const MOST_PARTS = 20;
/** Columns that rows of two tables are held together by, at most. */
export const MOST_KEYS = 5;
const keys = z.array(name).check(z.minLength(1), z.maxLength(MOST_KEYS));
const id = z.string().check(z.maxLength(200));

/** Which keys a table of aligned lists has: of any list, of every list, or of the first. */
export const ALIGN_HOW = ['any', 'every', 'first'] as const;
/** The treatment of several rows with one key: nothing is aligned, their numbers are summed, or the first stands. */
export const SAME_KEYS = ['refuse', 'sum', 'first'] as const;

/**
 * How a table is made of others. `align`: lists side by side on one key; `nearest`: dates that are no further apart than so many days are one. `look-up`: columns of
 * another table by key. `stack`: tables below each other by the names of their columns, `from` naming where each row is from. `long`: columns turned into rows of
 * name and value; `wide`: the other way.
 */
export const makingSchema = z.discriminatedUnion('kind', [
  z.object({
    kind: z.literal('align'),
    lists: z.array(z.object({ table: id, keys })).check(z.minLength(2), z.maxLength(MOST_PARTS)),
    how: z.enum(ALIGN_HOW),
    nearest: z.nullable(z.number().check(z.int(), z.minimum(1), z.maximum(3_660))),
    same: z.enum(SAME_KEYS),
  }),
  z.object({
    kind: z.literal('look-up'),
    table: id,
    keys,
    other: id,
    otherKeys: keys,
    columns: z.array(name).check(z.minLength(1), z.maxLength(200)),
  }),
  z.object({ kind: z.literal('stack'), tables: z.array(id).check(z.minLength(2), z.maxLength(MOST_PARTS)), from: z.nullable(name) }),
  z.object({ kind: z.literal('long'), table: id, columns: z.array(name).check(z.minLength(1), z.maxLength(5_000)), name, value: name }),
  z.object({ kind: z.literal('wide'), table: id, name, value: name }),
]);

/**
 * A table of the project: its name, units by column, edited cells, derived columns, how its columns were read where not as plain as can be. The source's
 * values are kept apart: `source` says which files they are from and under which `key` they lie (null: the table's own id), when they came (`at`, milliseconds since 1970), `intake` how those are read;
 * `feed` where they are fetched anew, every so many minutes or when asked; `mends` what is mended after reading. A table that is `made` of others has no
 * source. `hidden` columns are offered nowhere; `order` names those that stand first.
 */
export const tableDocSchema = z.object({
  id: z.string(),
  name: z.string(),
  units: z.record(z.string(), z.string()),
  edits: z.array(cellEditSchema),
  derived: z.array(derivedSchema),
  readings: z.record(z.string(), readingSchema),
  source: z.nullable(z.object({ files: z.array(name).check(z.maxLength(2_000)), key: z.nullable(id), at: z.nullable(z.number()) })),
  intake: z.nullable(intakeSchema),
  made: z.nullable(makingSchema),
  mends: z.array(mendSchema).check(z.maxLength(MOST_MENDS)),
  feed: z.nullable(
    z.object({
      address: z.string().check(z.minLength(1), z.maxLength(2_000)),
      minutes: z.nullable(z.number().check(z.int(), z.minimum(1), z.maximum(10_080))),
    }),
  ),
  hidden: z.array(name).check(z.maxLength(20_000)),
  order: z.array(name).check(z.maxLength(20_000)),
});

/** A column that a formula computes row by row. */
export type Derived = z.infer<typeof derivedSchema>;
/** A table's part of the document. */
export type TableDoc = z.infer<typeof tableDocSchema>;
/** One thing that is mended in a table. */
export type Mend = z.infer<typeof mendSchema>;
/** How a table is made of others. */
export type Making = z.infer<typeof makingSchema>;
