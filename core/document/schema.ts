import { cueSchema } from 'core/cue';
import { figureDataSchema } from 'core/frame';
import { LANGUAGES } from 'core/format';
import { SCALE_NAMES } from 'core/scale';
import { FIGURE_FORMS } from 'core/shape';
import * as z from 'zod/mini';
import { MOST_PAGES, pageSchema } from './page-schema';
import { tableDocSchema } from './table-schema';

/** The version that this code writes. Older documents are migrated when read (see `migrations`). */
export const PROJECT_VERSION = 11;

/** How figures can be drawn: in any form of a shape (see `core/shape`), or as a table. */
export const FIGURE_SHAPES = [...FIGURE_FORMS, 'crosstab'] as const;

/**
 * How the figure is drawn. `arrange`: series side by side, stacked, or stacked to 100 %. `panels`: one for each measure, or one for all; a panel
 * column of the data part makes one for each of its values. `columns`: how many panels stand beside each other, null for as many as fit. `panelOrder`: of their names
 * as the table has them, by name, by the size of the first measure, or as listed.
 */
export const shapeSchema = z.object({
  mark: z.enum(FIGURE_SHAPES),
  proportion: z.enum(['16:9', '4:3', '1:1']),
  arrange: z.enum(['side', 'stacked', 'full']),
  panels: z.enum(['one', 'measures']),
  columns: z.nullable(z.number().check(z.int(), z.minimum(1), z.maximum(12))),
  panelOrder: z.object({
    by: z.enum(['table', 'name', 'size', 'hand']),
    descending: z.boolean(),
    keys: z.array(z.union([z.string(), z.null()])).check(z.maxLength(1_000)),
  }),
});

/** Most decimals: more than a float stores have no meaning. */
const MOST_DECIMALS = 20;
/** Most figures of a project. */
const MOST_FIGURES = 2_000;

/** Most breaks of one axis. */
export const MOST_BREAKS = 4;
/** Most characters of a formula for an end of an axis. */
export const MOST_BOUND = 1_000;
/** Largest base of a logarithm. */
export const MOST_BASE = 1_000_000;
/** Largest share of an axis that headroom may take. */
export const MOST_HEADROOM = 0.9;

const bound = z.nullable(z.number());
/** An end of an axis may be a formula over the figure's rows, such as `0.8 * min(low)`. */
const end = z.nullable(z.union([z.number(), z.string().check(z.minLength(1), z.maxLength(MOST_BOUND))]));

/** A range of values that an axis leaves out. */
const breakSchema = z.object({ from: z.number(), to: z.number() }).check(z.refine(({ from, to }) => from < to, 'from must lie below to'));
const rises = (breaks: readonly { readonly from: number; readonly to: number }[]): boolean =>
  breaks.every(({ from }, i) => i === 0 || from > (breaks[i - 1]?.to ?? -Infinity));

const headroomSchema = z
  .object({ as: z.enum(['share', 'value']), amount: z.number().check(z.minimum(0)) })
  .check(z.refine(({ as, amount }) => as === 'value' || amount <= MOST_HEADROOM, 'headroom takes 90 % of an axis at most'));

/**
 * One value axis. `scale`: how values become places, with the `base` of its logarithms and a number at `every` so many powers (null: as many as fit).
 * `zero`: as the shapes need it, kept, or left out; bounds are null where they fit the data; headroom and rounding pass neither `ceiling` nor `floor`.
 * `headroom`: beyond the data, as a share of the axis or in data units; null where labels decide. `step`: from number to number, or about how many. `breaks`: values left
 * out, rising; `shares`: percent of the axis for each stretch, from the low end, empty where their lengths decide. `numbers`: whether they show, and
 * `written` how; `power`: of ten, that they are divided by and the title names. `title`: the analyst's own; null for what is read there.
 */
export const axisSchema = z.object({
  scale: z.enum(SCALE_NAMES),
  base: z.number().check(z.gt(1), z.maximum(MOST_BASE)),
  every: z.nullable(z.number().check(z.int(), z.minimum(1), z.maximum(100))),
  zero: z.enum(['auto', 'kept', 'out']),
  low: end,
  high: end,
  ceiling: bound,
  floor: bound,
  headroom: z.nullable(headroomSchema),
  step: z.nullable(z.object({ as: z.enum(['by', 'count']), amount: z.number().check(z.positive()) })),
  breaks: z.array(breakSchema).check(z.maxLength(MOST_BREAKS), z.refine(rises, 'breaks must rise without meeting')),
  shares: z.array(z.number().check(z.positive())).check(z.maxLength(MOST_BREAKS + 1)),
  reversed: z.boolean(),
  numbers: z.boolean(),
  written: z.enum(['plain', 'unit', 'powers']),
  power: z.nullable(z.number().check(z.int(), z.minimum(-30), z.maximum(30))),
  title: z.nullable(z.string().check(z.maxLength(200))),
});

/**
 * How categories lie along their axis. `spacing`: dates to scale and numbers side by side, each side by side, or each to scale. `names`: as fits the
 * room, level, or turned. `weeks` are named by their Monday or their number, months and weeks in a `language`. `beside`: names stand at the axis, on the
 * side of each bar where it is not, or at the line of zero.
 */
export const alongSchema = z.object({
  spacing: z.enum(['auto', 'even', 'scaled']),
  names: z.enum(['fitting', 'level', 'turned']),
  weeks: z.enum(['monday', 'number']),
  language: z.enum(LANGUAGES),
  beside: z.enum(['axis', 'bars', 'zero']),
});

/**
 * `zeroLine`: stronger than the gridlines where values lie on both sides of it, bold wherever it is, or like any gridline.
 * `axes`: the first and the second value axis; `between`: each on its own, held to one scale, the second `tie` times the first, or with their zeros at
 * one height. `panels`: panels of one measure held to one scale, all of them, those beside each other or those above each other, or each on its own. `side`: where the first value axis stands, left or below
 * (`near`), right or above (`far`); the second has the other side.
 */
export const scalesSchema = z.object({
  gridlines: z.boolean(),
  zeroLine: z.enum(['auto', 'bold', 'none']),
  unit: z.nullable(z.string()),
  decimals: z.nullable(z.number().check(z.int(), z.minimum(0), z.maximum(MOST_DECIMALS))),
  axes: z.object({ first: axisSchema, second: axisSchema }),
  between: z.enum(['free', 'matched', 'tied', 'zeros']),
  tie: z.number().check(z.positive()),
  panels: z.enum(['matched', 'rows', 'columns', 'free']),
  side: z.enum(['near', 'far']),
  along: alongSchema,
});

/** The analyst's decisions about one value axis. */
export type AxisChoice = z.infer<typeof axisSchema>;
/** How categories lie along their axis. */
export type AlongChoice = z.infer<typeof alongSchema>;
/** The analyst's decisions about a figure's scales. */
export type Scales = z.infer<typeof scalesSchema>;

/** How a title states a finding: plainly, with its number, or compared. */
export const WORDINGS = ['plain', 'number', 'compared'] as const;

/** Title, subtitle, note and source. A `finding` replaces the title: what a cue found, in one of the wordings. */
export const wordsSchema = z.object({
  title: z.string(),
  subtitle: z.string(),
  note: z.optional(z.string()),
  source: z.optional(z.string()),
  finding: z.optional(z.object({ cue: z.string(), wording: z.enum(WORDINGS) })),
});

/** Which marks are labelled. */
export const LABELLED = ['cued', 'all', 'ends', 'nth', 'where', 'none'] as const;
/** The content of labels. */
export const LABEL_SAYS = ['value', 'name', 'series', 'share', 'part', 'difference', 'previous', 'rank', 'glyph', 'text'] as const;
/** Positions of labels relative to their marks. */
export const LABEL_PLACES = ['auto', 'outside', 'end', 'middle', 'base', 'above', 'below', 'left', 'right'] as const;
/** Most labels pinned by hand. */
export const MOST_PINS = 500;
/** The distance of a label from its mark, in CSS pixels or in data units. */
const offset = z.number().check(z.minimum(-1e300), z.maximum(1e300));

/** A label pinned by hand: its mark, and its offset from the mark's end in CSS pixels. */
const pinSchema = z.object({
  category: z.string(),
  series: z.nullable(z.string()),
  measure: z.string(),
  across: z.number(),
  down: z.number(),
});

/**
 * Labels beside those of cues. `what`: those that cues mark and label, all marks, the first and the last of each series, every so many (`every`), those where a
 * formula holds, or none at all. `of`: each part, or the total of a stack. `says`: the value, in a named `format` where there is one; `measure`: the other one whose
 * value is said, or that a difference is from. `place`: as fits, or one of its own, `offset` from there. `zeros`, `missing`: whether they are labelled.
 */
export const labelsSchema = z.object({
  what: z.enum(LABELLED),
  every: z.number().check(z.int(), z.minimum(1), z.maximum(1000)),
  where: z.string().check(z.maxLength(MOST_BOUND)),
  of: z.enum(['parts', 'totals']),
  says: z.enum(LABEL_SAYS),
  measure: z.nullable(z.string()),
  text: z.string().check(z.maxLength(300)),
  format: z.nullable(z.string()),
  place: z.enum(LABEL_PLACES),
  offset: z.object({ as: z.enum(['pixels', 'units']), amount: offset }),
  zeros: z.boolean(),
  missing: z.boolean(),
  pins: z.array(pinSchema).check(z.maxLength(MOST_PINS)),
});

/** Positions of the legend: above the plot, to its right, at the marks, or nowhere. */
export const LEGENDS = ['auto', 'top', 'side', 'direct', 'none'] as const;
const hex = z.string().check(z.regex(/^#[0-9a-fA-F]{6}$/));
/** Most colours by hand in a figure. */
export const MOST_COLOURS = 200;

/**
 * How a figure is dressed: a livery by name, null for that of the page; where its legend is (`auto`: as the livery says); colours by hand, keyed by a
 * value of the category or the series.
 */
export const dressSchema = z.object({
  livery: z.nullable(z.string().check(z.maxLength(60))),
  legend: z.enum(LEGENDS),
  colours: z.array(z.object({ of: z.enum(['category', 'series']), value: z.string(), colour: hex })).check(z.maxLength(MOST_COLOURS)),
});

/** Font families that ship with Cowbell. */
export const FAMILIES = ['grotesk', 'mono'] as const;
/** Most liveries of a project. */
export const MOST_LIVERIES = 40;
const sizes = (from: number, to: number) => z.number().check(z.minimum(from), z.maximum(to));

/**
 * The colours, type and lines of a figure. `colours`: emphasis colours by the names that cues use. Sizes in CSS pixels; `line`: factor on the usual
 * width; `bar`: the share of its slot that a bar takes; `corner`: its radius.
 */
export const liverySchema = z.object({
  version: z.literal(1),
  name: z.string().check(z.minLength(1), z.maxLength(60)),
  ground: hex,
  ink: hex,
  soft: hex,
  hair: hex,
  base: hex,
  quiet: hex,
  series: z.array(hex).check(z.minLength(1), z.maxLength(12)),
  colours: z.record(z.string(), hex),
  family: z.enum(FAMILIES),
  sizes: z.object({ title: sizes(12, 36), subtitle: sizes(10, 20), text: sizes(9, 14), label: sizes(10, 16) }),
  grid: z.boolean(),
  line: z.number().check(z.minimum(0.25), z.maximum(4)),
  bar: z.number().check(z.minimum(0.1), z.maximum(1)),
  corner: z.number().check(z.minimum(0), z.maximum(20)),
  legend: z.enum(['top', 'side', 'direct', 'none']),
  format: z.nullable(z.string()),
});

/** Positions of totals: none, before their parts, or after them. */
export const TOTAL_PLACES = ['none', 'first', 'last'] as const;
const totalPlace = z.enum(TOTAL_PLACES);
/** Small drawings for the cells of a measure. */
export const CELL_DRAWINGS = ['numbers', 'bars', 'trend'] as const;
/** Most rows that one level of a crosstab may keep. */
export const MOST_KEPT = 1_000;
/** Largest width of a column set by hand, in CSS pixels. */
export const MOST_WIDTH = 600;

/**
 * How a crosstab shows. `totals`: of each row, of each column, and of each value of an outer level (`parts`). `columns`: their order: as the table has them, by their
 * names, by their totals, or as listed. `top`: at one level (outermost 0) only so many, the largest of the first measure, the others as a row of their own. `paints`: whether a cue
 * colours a cell or its text. `drawings`: measures that are drawn within their cells as a bar, or along the row as a small line. `aligns`, `widths`: by measure, where not as plain.
 * `names`: what becomes of names of rows that are wider than their column may be; cut unless told otherwise.
 */
export const crosstabSchema = z.object({
  totals: z.object({ rows: totalPlace, columns: totalPlace, parts: z.array(totalPlace).check(z.maxLength(5)) }),
  columns: z.object({
    by: z.enum(['table', 'name', 'total', 'hand']),
    descending: z.boolean(),
    keys: z.array(z.union([z.string(), z.null()])).check(z.maxLength(MOST_KEPT)),
  }),
  top: z
    .array(
      z.object({
        level: z.number().check(z.int(), z.minimum(0), z.maximum(5)),
        n: z.number().check(z.int(), z.minimum(1), z.maximum(MOST_KEPT)),
      }),
    )
    .check(z.maxLength(6)),
  paints: z.enum(['ground', 'text']),
  drawings: z.array(z.object({ measure: z.string(), as: z.enum(CELL_DRAWINGS) })).check(z.maxLength(50)),
  lines: z.enum(['hair', 'zebra', 'none']),
  aligns: z.array(z.object({ measure: z.string(), align: z.enum(['left', 'middle', 'right']) })).check(z.maxLength(50)),
  widths: z.array(z.object({ measure: z.string(), width: z.number().check(z.minimum(24), z.maximum(MOST_WIDTH)) })).check(z.maxLength(50)),
  names: z.optional(z.enum(['cut', 'wrapped'])),
});

/** A figure: its data part, cues, scales and words. `view`: which cues the stage shows. */
export const figureSchema = z.object({
  id: z.string(),
  name: z.string(),
  data: figureDataSchema,
  shape: shapeSchema,
  cues: z.array(cueSchema),
  scales: scalesSchema,
  words: wordsSchema,
  labels: labelsSchema,
  dress: dressSchema,
  crosstab: crosstabSchema,
  view: z.enum(['plain', 'cued', 'both']),
});

/** Units of a ladder, at most. */
export const MOST_RUNGS = 12;

const rungSchema = z.object({ symbol: z.string().check(z.maxLength(12)), size: z.number().check(z.positive()) });
const climbs = (rungs: readonly { readonly size: number }[]): boolean =>
  rungs.every(({ size }, i) => i === 0 || size > (rungs[i - 1]?.size ?? 0));

/**
 * A way to write numbers, named once and used everywhere. `decimals` or `significant` digits, or as many as fit. `ladder`: units that a value may be
 * written in, rising, one `unitFor` each value or for all of a column or axis. `sign`: only before what is negative, or always; `negative`: with a minus
 * sign or in parentheses. `missing`: what stands for no value.
 */
export const numberFormatSchema = z.object({
  name: z.string().check(z.minLength(1), z.maxLength(60)),
  decimals: z.nullable(z.number().check(z.minimum(0), z.maximum(12))),
  grouping: z.boolean(),
  percent: z.boolean(),
  prefix: z.string().check(z.maxLength(20)),
  suffix: z.string().check(z.maxLength(20)),
  scale: z.number().check(z.positive()),
  significant: z.nullable(z.number().check(z.int(), z.minimum(1), z.maximum(15))),
  language: z.enum(LANGUAGES),
  ladder: z.array(rungSchema).check(z.maxLength(MOST_RUNGS), z.refine(climbs, 'each unit of a ladder must be larger than the one before')),
  unitFor: z.enum(['each', 'all']),
  sign: z.enum(['negative', 'always']),
  negative: z.enum(['minus', 'parentheses']),
  missing: z.string().check(z.maxLength(20)),
});

/** The most that one picture of the analyst's own may have, in bytes, and how many there may be. */
export const PICTURE_LIMIT = 64 * 1024;
/** Small pictures that a project may have. */
export const MOST_PICTURES = 40;

/** A small picture that cues may put at marks. `data` is base64. */
export const smallPictureSchema = z.object({
  name: z.string().check(z.minLength(1), z.maxLength(40)),
  type: z.enum(['image/png', 'image/svg+xml']),
  data: z.string().check(z.regex(/^[A-Za-z0-9+/]+=*$/), z.maxLength(Math.ceil((PICTURE_LIMIT * 4) / 3) + 4)),
});

/** Named looks of a project, at most. */
export const MOST_LOOKS = 60;

/** A look with a name of the project's own, that steps of cues refer to: every figure that uses it follows. */
export const namedLookSchema = z.object({
  name: z.string().check(z.minLength(1), z.maxLength(60)),
  colour: z.string().check(z.maxLength(60)),
});

/** The saved document: everything the analyst decided, nothing that is computed. */
export const projectSchema = z.object({
  version: z.literal(PROJECT_VERSION),
  id: z.string(),
  name: z.string(),
  tables: z.array(tableDocSchema),
  figures: z.array(figureSchema).check(z.maxLength(MOST_FIGURES)),
  formats: z.array(numberFormatSchema),
  pictures: z.array(smallPictureSchema).check(z.maxLength(MOST_PICTURES)),
  liveries: z.array(liverySchema).check(z.maxLength(MOST_LIVERIES)),
  looks: z.array(namedLookSchema).check(z.maxLength(MOST_LOOKS)),
  pages: z.optional(z.array(pageSchema).check(z.maxLength(MOST_PAGES))),
});

/** One chart: data part, shape, cues, scales, words. */
export type Figure = z.infer<typeof figureSchema>;
/** How all measures of a figure are drawn that say nothing else; “mark” in the document. */
export type FigureShape = Figure['shape']['mark'];
/** A picture that cues may put at marks. */
export type SmallPicture = z.infer<typeof smallPictureSchema>;
/** A way to write numbers, by name. */
export type NumberFormat = z.infer<typeof numberFormatSchema>;
/** Which marks are labelled, with what, and where. */
export type Labels = z.infer<typeof labelsSchema>;
/** A look with a name of the project's own. */
export type NamedLook = z.infer<typeof namedLookSchema>;
/** How a figure is dressed. */
export type Dress = z.infer<typeof dressSchema>;
/** The colours, type and lines that dress a figure, as a project keeps them. */
export type LiveryDoc = z.infer<typeof liverySchema>;
/** How a crosstab shows. */
export type CrosstabChoice = z.infer<typeof crosstabSchema>;
/** How a title states what a cue found. */
export type Wording = (typeof WORDINGS)[number];
/** What is saved. */
export type Project = z.infer<typeof projectSchema>;
/** What the stage shows of a figure's cues. */
export type View = Figure['view'];
