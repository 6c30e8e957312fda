import type { LevelLine } from 'core/plan';
import { levelIn } from 'core/table';
import { dashed, type Sizes } from './looks';
import type { PixelScales } from '../pixel-scales';
import type { SceneItem } from '../scene';

/** A level line: across the whole plot for one level, else flat over each run of equal values. */
export function levelItems(line: LevelLine, pixels: PixelScales, sizes: Sizes): SceneItem[] {
  const level = levelIn(line.values);
  const { area } = pixels.layout;
  const { horizontal } = pixels.plan;
  const [start, end] = horizontal ? [area.top, area.top + area.height] : [area.left, area.left + area.width];
  const pieces = typeof level === 'number' ? [{ from: start, to: end, value: level }] : piecesOf(line, pixels);
  const points = pieces.flatMap(({ from, to, value }) => {
    const pixel = pixels.value(line.panel, line.axis, value);
    return [...pixels.point(from, pixel), ...pixels.point(to, pixel)];
  });
  const stroke = dashed(line.colour, Math.min(line.stroke.width, sizes.line), line.stroke.dash);
  return points.length ? [{ kind: 'segments', points: Float64Array.from(points), stroke }] : [];
}

interface Piece {
  readonly from: number;
  readonly to: number;
  readonly value: number;
}

function piecesOf(line: LevelLine, pixels: PixelScales): Piece[] {
  return stretchesOf(line).map(({ from, to, value }) => ({
    from: pixels.edgesOf(from)[0],
    to: pixels.edgesOf(to)[1],
    value,
  }));
}

/** Runs of equal values. */
function stretchesOf({ values }: LevelLine): Piece[] {
  const stretches: { from: number; to: number; value: number }[] = [];
  values.forEach((value, at) => {
    const last = stretches.at(-1);
    if (Number.isNaN(value)) return;
    if (last && last.to === at - 1 && last.value === value) last.to = at;
    else stretches.push({ from: at, to: at, value });
  });
  return stretches;
}

/** The value at the right end of a line; undefined where it has none. */
export function lastLevel({ values }: LevelLine): number | undefined {
  return values.findLast(value => value === value);
}
