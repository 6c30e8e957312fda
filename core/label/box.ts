/** Lengths in CSS pixels, from the top left corner of the canvas. */
export interface Box {
  readonly left: number;
  readonly top: number;
  readonly width: number;
  readonly height: number;
}

/** A straight piece of a line between two points, in CSS pixels. */
export interface Segment {
  readonly x1: number;
  readonly y1: number;
  readonly x2: number;
  readonly y2: number;
}

/** Whether two boxes share any area; touching edges do not count. */
export const overlaps = (a: Box, b: Box): boolean =>
  a.left < b.left + b.width && b.left < a.left + a.width && a.top < b.top + b.height && b.top < a.top + a.height;

// Sums of pixels differ in their last digits.
const NEARLY = 1e-6;

/** Whether a box lies within another, edges included. */
export const contains = (outer: Box, { left, top, width, height }: Box): boolean =>
  left >= outer.left - NEARLY &&
  top >= outer.top - NEARLY &&
  left + width <= outer.left + outer.width + NEARLY &&
  top + height <= outer.top + outer.height + NEARLY;

/** A box with so much more on its left and right, and above and below. */
export const grown = ({ left, top, width, height }: Box, across: number, down: number): Box => ({
  left: left - across,
  top: top - down,
  width: width + 2 * across,
  height: height + 2 * down,
});

/** The smallest box around two. */
export function around(a: Box, b: Box): Box {
  const [left, top] = [Math.min(a.left, b.left), Math.min(a.top, b.top)];
  return {
    left,
    top,
    width: Math.max(a.left + a.width, b.left + b.width) - left,
    height: Math.max(a.top + a.height, b.top + b.height) - top,
  };
}

/** Whether a segment runs through the inside of a box. Method: Liang and Barsky's clipping. */
export function crosses({ x1, y1, x2, y2 }: Segment, { left, top, width, height }: Box): boolean {
  const [dx, dy] = [x2 - x1, y2 - y1];
  let [enters, leaves] = [0, 1];
  for (const [along, room] of [
    [-dx, x1 - left],
    [dx, left + width - x1],
    [-dy, y1 - top],
    [dy, top + height - y1],
  ] as const) {
    // Beside it, and running along.
    if (along === 0 && room <= 0) return false;
    if (along < 0) enters = Math.max(enters, room / along);
    if (along > 0) leaves = Math.min(leaves, room / along);
  }
  return enters < leaves;
}
