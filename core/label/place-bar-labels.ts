import { spreadApart } from './spread-apart';

/** Lengths in CSS pixels, from the top left corner of the canvas. */
export interface Box {
  readonly left: number;
  readonly top: number;
  readonly width: number;
  readonly height: number;
}

/** A label wanted at the end of a bar: where the bar ends, which way it points, and how large the text is. */
export interface BarEnd {
  readonly x: number;
  readonly y: number;
  readonly direction: 'up' | 'down' | 'left' | 'right';
  readonly width: number;
  readonly height: number;
}

// Closer than this, a label reads as part of its bar; two labels this close read as one.
export const GAP_BEYOND = 5;

/**
 * A box beyond each bar's end, in the order given. Labels on upright bars that would touch are spread apart sideways;
 * what still overlaps steps away from its bar. No box leaves the area as long as it fits in it.
 */
export function placeBarLabels(ends: readonly BarEnd[], area: Box): Box[] {
  const wanted = ends.map(beyond);
  const spread = spreadRows(ends, wanted, area).map(box => inside(box, area));
  const placed: Box[] = [];
  spread.forEach((box, i) => placed.push(freeOf(placed, box, (ends[i] as BarEnd).direction, area)));
  return placed;
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
    if (ends[first]?.direction !== 'up' && ends[first]?.direction !== 'down') continue;
    const line = [...waiting].filter(i => sameLine(boxes[first] as Box, boxes[i] as Box));
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

const sameLine = (a: Box, b: Box): boolean => a.top < b.top + b.height && b.top < a.top + a.height;

const clamp = (value: number, low: number, high: number): number => Math.max(low, Math.min(value, Math.max(low, high)));

const inside = (box: Box, area: Box): Box => ({
  ...box,
  left: clamp(box.left, area.left, area.left + area.width - box.width),
  top: clamp(box.top, area.top, area.top + area.height - box.height),
});

function freeOf(placed: readonly Box[], box: Box, direction: BarEnd['direction'], area: Box): Box {
  const [across, down] = { up: [0, -1], down: [0, 1], right: [1, 0], left: [-1, 0] }[direction] as [number, number];
  let candidate = box;
  for (let tries = 0; tries < 6 && placed.some(other => overlaps(other, candidate)); tries++) {
    const [left, top] = [candidate.left + across * (box.width + GAP_BEYOND), candidate.top + down * box.height];
    candidate = inside({ ...candidate, left, top }, area);
  }
  return candidate;
}

export const overlaps = (a: Box, b: Box): boolean =>
  a.left < b.left + b.width && b.left < a.left + a.width && a.top < b.top + b.height && b.top < a.top + a.height;
