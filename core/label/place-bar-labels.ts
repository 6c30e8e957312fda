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

// Closer than this, a label reads as part of its bar.
const GAP_PX = 5;

/**
 * A box beyond each bar's end, moved inside the area where it would be cut off. Labels that would cover an earlier
 * one step away from their bars, as far as the area allows.
 */
export function placeBarLabels(ends: readonly BarEnd[], area: Box): Box[] {
  const placed: Box[] = [];
  for (const end of ends) placed.push(freeOf(placed, inside(beyond(end), area), end.direction, area));
  return placed;
}

function beyond({ x, y, direction, width, height }: BarEnd): Box {
  switch (direction) {
    case 'up':
      return { left: x - width / 2, top: y - GAP_PX - height, width, height };
    case 'down':
      return { left: x - width / 2, top: y + GAP_PX, width, height };
    case 'right':
      return { left: x + GAP_PX, top: y - height / 2, width, height };
    case 'left':
      return { left: x - GAP_PX - width, top: y - height / 2, width, height };
  }
}

const clamp = (value: number, low: number, high: number): number => Math.max(low, Math.min(value, Math.max(low, high)));

const inside = (box: Box, area: Box): Box => ({
  ...box,
  left: clamp(box.left, area.left, area.left + area.width - box.width),
  top: clamp(box.top, area.top, area.top + area.height - box.height),
});

function freeOf(placed: readonly Box[], box: Box, direction: BarEnd['direction'], area: Box): Box {
  const step = direction === 'down' ? box.height : -box.height;
  let candidate = box;
  for (let tries = 0; tries < 6 && placed.some(other => overlaps(other, candidate)); tries++)
    candidate = inside({ ...candidate, top: candidate.top + step }, area);
  return candidate;
}

export const overlaps = (a: Box, b: Box): boolean =>
  a.left < b.left + b.width && b.left < a.left + a.width && a.top < b.top + b.height && b.top < a.top + a.height;
