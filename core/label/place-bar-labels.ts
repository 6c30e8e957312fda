import type { Box } from './box';
import { Crowd } from './crowd';
import { spreadApart } from './spread-apart';

/** A label wanted at the end of a bar: where the bar ends, which way it points, and how large the text is. */
export interface BarEnd {
  readonly x: number;
  readonly y: number;
  readonly direction: 'up' | 'down' | 'left' | 'right';
  readonly width: number;
  readonly height: number;
  /** Stays at its place, whatever lies there: a label inside its bar. */
  readonly fixed?: boolean;
  /** The part of the room that its mark's end lies in; a label does not leave it. All of it where unsaid. */
  readonly within?: Box;
  /** The other side of a point, taken when this one is not free. */
  readonly other?: Pick<BarEnd, 'x' | 'y' | 'direction'>;
}

// Closer than this, a label reads as part of its bar; two labels this close read as one.
export const GAP_BEYOND = 5;
// A label that is in another's way steps aside by this much, and gives up after so many steps.
const STEP = 4;
const TRIES = 24;

/**
 * A box beyond each bar's end, in the order given. Labels on upright bars that would touch are spread apart sideways;
 * what still overlaps another, or one of the obstacles, steps away from its bar. No box leaves the area as long as it
 * fits in it.
 */
export function placeBarLabels(ends: readonly BarEnd[], area: Box, obstacles: readonly Box[] = []): Box[] {
  const wanted = ends.map(beyond);
  const roomOf = (i: number): Box => ends[i]?.within ?? area;
  const spread = spreadRows(ends, wanted, area).map((box, i) => inside(box, roomOf(i)));
  const crowd = new Crowd([...obstacles, ...spread.filter((_, i) => ends[i]?.fixed)]);
  return spread.map((box, i) => {
    const end = ends[i] as BarEnd;
    if (end.fixed) return box;
    const free = freeSide(crowd, box, end, roomOf(i)) ?? freeOf(crowd, box, end.direction, roomOf(i));
    crowd.add(free);
    return free;
  });
}

function beyond({ x, y, direction, width, height }: BarEnd): Box {
  switch (direction) {
    case 'up':
      return { left: x - width / 2, top: y - GAP_BEYOND - height, width, height };
    case 'down':
      return { left: x - width / 2, top: y + GAP_BEYOND, width, height };
    case 'right':
      return { left: x + GAP_BEYOND, top: y - height / 2, width, height };
    case 'left':
      return { left: x - GAP_BEYOND - width, top: y - height / 2, width, height };
  }
}

/** Spreads labels that share a line. Only those whose heights meet push each other. */
function spreadRows(ends: readonly BarEnd[], boxes: readonly Box[], area: Box): Box[] {
  const out = [...boxes];
  const waiting = new Set(boxes.keys());
  for (const first of waiting) {
    if (!spreads(ends[first] as BarEnd)) continue;
    const line = [...waiting].filter(i => spreads(ends[i] as BarEnd) && sameLine(boxes[first] as Box, boxes[i] as Box));
    for (const i of line) waiting.delete(i);
    const stretches = line.map(i => boxes[i] as Box).map(({ left, width }) => ({ start: left, length: width + GAP_BEYOND }));
    const lefts = spreadApart(stretches, { from: area.left, to: area.left + area.width + GAP_BEYOND });
    // A label pushed further than its own width would speak of another bar: those step up instead.
    line.forEach((i, at) => {
      const box = boxes[i] as Box;
      const left = lefts[at] as number;
      if (Math.abs(left - box.left) < box.width * 0.6) out[i] = { ...box, left };
    });
  }
  return out;
}

const spreads = ({ direction, fixed }: BarEnd): boolean => !fixed && (direction === 'up' || direction === 'down');
const sameLine = (a: Box, b: Box): boolean => a.top < b.top + b.height && b.top < a.top + a.height;

const clamp = (value: number, low: number, high: number): number => Math.max(low, Math.min(value, Math.max(low, high)));

const inside = (box: Box, area: Box): Box => ({
  ...box,
  left: clamp(box.left, area.left, area.left + area.width - box.width),
  top: clamp(box.top, area.top, area.top + area.height - box.height),
});

/** One of the two sides of a point, where it is free. */
function freeSide(crowd: Crowd, box: Box, end: BarEnd, area: Box): Box | null {
  if (!end.other || !crowd.touches(box)) return null;
  const across = beyond({ ...end, ...end.other });
  const other = inside(across, area);
  return other.top === across.top && !crowd.touches(other) ? other : null;
}

function freeOf(crowd: Crowd, box: Box, direction: BarEnd['direction'], area: Box): Box {
  const [across, down] = { up: [0, -1], down: [0, 1], right: [1, 0], left: [-1, 0] }[direction] as [number, number];
  let candidate = box;
  for (let tries = 0; tries < TRIES && crowd.touches(candidate); tries++) {
    const [left, top] = [candidate.left + across * STEP, candidate.top + down * STEP];
    candidate = inside({ ...candidate, left, top }, area);
  }
  return candidate;
}
