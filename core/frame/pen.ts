import * as z from 'zod/mini';

/** Dashes of lines, by name. */
export const DASHES = ['solid', 'dashed', 'dotted', 'dash-dot'] as const;
/** A dash by name. */
export type Dash = (typeof DASHES)[number];

/** Glyphs that may stand at every point of a line; the empty one is none. */
export const MARKERS = ['', 'dot', 'ring', 'square', 'diamond', 'up', 'cross'] as const;

/** How the analyst wants a line: width in CSS pixels, dash, marker at every point. Null leaves it as it comes. */
export const penSchema = z.object({
  width: z.nullable(z.number().check(z.positive(), z.maximum(12))),
  dash: z.nullable(z.enum(DASHES)),
  marker: z.nullable(z.enum(MARKERS)),
});
/** What the analyst wants of a line. */
export type Pen = z.infer<typeof penSchema>;

/** A line ready to be drawn. */
export interface Line {
  readonly width: number;
  readonly dash: Dash;
  readonly marker: string;
}

/** How a measure's or helper column's line comes. */
export const PLAIN_LINE: Line = { width: 2, dash: 'solid', marker: '' };

/** A line as it comes, with what the analyst wants otherwise. */
export const withPen = <L extends Line>(line: L, pen: Pen | undefined): L =>
  pen ? { ...line, width: pen.width ?? line.width, dash: pen.dash ?? line.dash, marker: pen.marker ?? line.marker } : line;
