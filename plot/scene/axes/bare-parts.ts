import { isBar } from 'core/shape';
import { rectAt } from '../marks/flat';
import type { PlacedLayer } from '../pixel-scales';
import type { SceneItem } from '../scene';

/**
 * The parts of a line across the plot that bars do not cover. A bar from below zero to above covers the zero line; one that begins at it does not.
 * Whiskers are as thin as lines and cover none. Cost: O(bars), and O(n log n) for those that cover it.
 */
export function bareParts(line: SceneItem, layers: readonly PlacedLayer[], horizontal: boolean): SceneItem[] {
  if (line.kind !== 'segments') return [line];
  const parts: number[] = [];
  for (let i = 0; i + 3 < line.points.length; i += 4) {
    const [x1, y1, x2, y2] = line.points.subarray(i, i + 4) as unknown as [number, number, number, number];
    const [from, to, across] = horizontal ? [y1, y2, x1] : [x1, x2, y1];
    const half = line.stroke.width / 2;
    for (const [start, end] of gapsBetween(
      hidden(layers, across - half, across + half, horizontal),
      Math.min(from, to),
      Math.max(from, to),
    ))
      parts.push(...(horizontal ? [across, start, across, end] : [start, across, end, across]));
  }
  return parts.length ? [{ ...line, points: Float64Array.from(parts) }] : [];
}

type Stretch = readonly [from: number, to: number];

/** Intervals along the category axis where a bar extends to both sides of a line, sorted. */
function hidden(layers: readonly PlacedLayer[], low: number, high: number, horizontal: boolean): Stretch[] {
  const found: Stretch[] = [];
  for (const { layer, boxes } of layers) {
    if (!isBar(layer) || !boxes || layer.span?.whiskers) continue;
    for (let i = 0; i < boxes.length; i += 4) {
      const [left, top, width, height] = rectAt(boxes, i);
      const [near, far] = horizontal ? [left, left + width] : [top, top + height];
      // A missing bar has no sides to compare.
      if (near < low && far > high) found.push(horizontal ? [top, top + height] : [left, left + width]);
    }
  }
  return found.sort(([a], [b]) => a - b);
}

/** The gaps between sorted intervals within a range. */
function gapsBetween(taken: readonly Stretch[], from: number, to: number): Stretch[] {
  const gaps: Stretch[] = [];
  let at = from;
  for (const [start, end] of taken) {
    if (start > at) gaps.push([at, Math.min(start, to)]);
    at = Math.max(at, end);
  }
  if (at < to) gaps.push([at, to]);
  return gaps;
}
