import type { Box } from 'core/label';
import type { FigurePoint, LineHandle, MarkAt, Scene, SceneItem, Target } from './scene';
import { rectAt } from './marks/flat';
import { solid } from './marks/looks';

// So near to a line it is taken hold of, in CSS pixels.
const CLOSE = 6;
// Distance along the value axis counts for less than that from one category to another.
const ACROSS = 0.5;
// Around the outlined bar, and the radius around a point.
const BESIDE = 2;
const AROUND = 7;

/** Whether a point is inside the plot. */
export function isInPlot({ area }: Scene, { x, y }: FigurePoint): boolean {
  return x >= area.left && x <= area.left + area.width && y >= area.top && y <= area.top + area.height;
}

/** The frame's row whose mark is nearest to a point within its slot, or whose name is under it; null for neither. */
export function rowAt(scene: Scene, point: FigurePoint): number | null {
  const { horizontal, targets } = scene;
  const name = scene.named.find(({ box }) => lies(point, box));
  if (name) return targets.find(({ rows }) => rows[name.at] !== -1)?.rows[name.at] ?? null;
  if (!isInPlot(scene, point)) return null;
  const at = categoryAt(scene, horizontal ? point.y : point.x);
  if (at === null) return null;
  let [best, nearest] = [-1, Infinity];
  for (const target of targets) {
    const distance = distanceTo(target, at, point, horizontal);
    if (distance < nearest) [best, nearest] = [target.rows[at] as number, distance];
  }
  return best === -1 ? null : best;
}

/** The category nearest to a pixel along the axis; null more than half a width before the first or after the last. */
function categoryAt({ first, perCategory, count, places }: Scene, pixel: number): number | null {
  const place = (pixel - first) / perCategory;
  if (!places) {
    const at = Math.round(place);
    return at < 0 || at >= count ? null : at;
  }
  if (place < -0.5 || place > (places[count - 1] as number) + 0.5) return null;
  let [low, high] = [0, count - 1];
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if ((places[middle] as number) <= place) low = middle;
    else high = middle;
  }
  return Math.abs(place - (places[low] as number)) <= Math.abs((places[high] as number) - place) ? low : high;
}

function distanceTo(
  { rows, ends, bases, boxes, reach: [low, high] }: Target,
  at: number,
  { x, y }: FigurePoint,
  horizontal: boolean,
): number {
  if (rows[at] === -1) return Infinity;
  const [along, value] = horizontal ? [y, x] : [x, y];
  if (value < low || value > high) return Infinity;
  const [endX, endY] = [ends[2 * at] as number, ends[2 * at + 1] as number];
  const [markAlong, markValue] = horizontal ? [endY, endX] : [endX, endY];
  const inside = boxes !== null && (value - markValue) * (value - (bases[at] as number)) <= 0;
  return Math.abs(along - markAlong) + (inside || Number.isNaN(markValue) ? 0 : Math.abs(value - markValue) * ACROSS);
}

/** The mark under a point, or the mark whose label is under it; null for neither. */
export function markAt({ labelled, targets, horizontal }: Scene, point: FigurePoint): MarkAt | null {
  const label = labelled.find(({ box }) => lies(point, box));
  if (label) return { row: label.row, layer: label.layer };
  for (let layer = targets.length - 1; layer >= 0; layer--) {
    const at = hitIn(targets[layer] as Target, point, horizontal);
    if (at !== -1) return { row: targets[layer]?.rows[at] as number, layer };
  }
  return null;
}

/** The item of a layer under a point: a bar around it, or a point within reach. */
function hitIn({ rows, ends, boxes }: Target, point: FigurePoint, horizontal: boolean): number {
  return rows.findIndex((row, at) => {
    if (row === -1) return false;
    if (boxes) {
      const [left, top, width, height] = rectAt(boxes, 4 * at);
      // A bar of nearly no length is met all the same.
      const [more, higher] = horizontal ? [CLOSE, 0] : [0, CLOSE];
      return lies(point, { left: left - more, top: top - higher, width: width + 2 * more, height: height + 2 * higher });
    }
    return Math.hypot((ends[2 * at] as number) - point.x, (ends[2 * at + 1] as number) - point.y) <= AROUND + 2;
  });
}

const lies = ({ x, y }: FigurePoint, { left, top, width, height }: Box): boolean =>
  x >= left && x <= left + width && y >= top && y <= top + height;

/** The position for a card about a row: the visible end of its mark, or of its slot when its value is missing. */
export function anchorOf({ targets, area }: Scene, row: number): FigurePoint | null {
  for (const { rows, ends } of targets) {
    const at = rows.indexOf(row);
    if (at === -1) continue;
    const [x, y] = [ends[2 * at] as number, ends[2 * at + 1] as number];
    return {
      x: Number.isNaN(x) ? area.left : Math.max(area.left, Math.min(x, area.left + area.width)),
      y: Number.isNaN(y) ? area.top + area.height / 2 : Math.max(area.top, Math.min(y, area.top + area.height)),
    };
  }
  return null;
}

/** The draggable line or band edge under a point of the plot; null for none. */
export function handleAt(scene: Scene, point: FigurePoint): LineHandle | null {
  if (!isInPlot(scene, point)) return null;
  const across = scene.horizontal ? point.x : point.y;
  return scene.handles.find(({ at }) => Math.abs(at - across) <= CLOSE) ?? null;
}

/** Outlines of a row's marks. */
export function outlineOf({ targets, ink }: Scene, row: number): SceneItem[] {
  const stroke = solid(ink, 1.5);
  return targets.flatMap(({ rows, ends, boxes }): SceneItem[] => {
    const at = rows.indexOf(row);
    if (at === -1 || Number.isNaN((ends[2 * at] as number) + (ends[2 * at + 1] as number))) return [];
    if (!boxes) return [{ kind: 'dots', points: ends.slice(2 * at, 2 * at + 2), radius: AROUND, fill: null, stroke }];
    const [left, top, width, height] = rectAt(boxes, 4 * at);
    const around = Float64Array.of(left - BESIDE, top - BESIDE, width + 2 * BESIDE, height + 2 * BESIDE);
    return [{ kind: 'outlines', boxes: around, stroke: { ...stroke, join: 'miter' } }];
  });
}
