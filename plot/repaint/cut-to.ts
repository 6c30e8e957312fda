import { overlaps, type Box } from 'core/label';
import { isInPieces, PIECE, type PathItem } from '../canvas/paint-scene';
import type { SceneItem } from '../scene/scene';
import { inkBox, listOf, withList, type ItemList } from './item-lists';

type SegmentsItem = Extract<SceneItem, { readonly kind: 'segments' }>;

/** The pieces of an item that have ink in a box. Cost: O(its pieces). */
export function cutTo(item: SceneItem, box: Box): readonly SceneItem[] {
  if (item.kind === 'text' || item.kind === 'glyph') return [item];
  const list = listOf(item);
  if (item.kind === 'path') return isInPieces(item) ? pathCutTo(item, list, box) : [item];
  if (item.kind === 'segments' && item.stroke.dash.length > 0) return [withList(item, dashesCutTo(item, list, box))];
  const kept: number[] = [];
  for (let i = 0; i < list.data.length; i += list.wide) {
    if (hasInk(list, i, box)) for (let k = 0; k < list.wide; k++) kept.push(list.data[i + k] as number);
  }
  if (kept.length === list.data.length) return [item];
  return kept.length === 0 ? [] : [withList(item, Float64Array.from(kept))];
}

/** The pieces of a path that have ink in a box: it is stroked piece by piece, so they are as in the whole. */
function pathCutTo(item: PathItem, list: ItemList, box: Box): SceneItem[] {
  const pieces: SceneItem[] = [];
  for (let i = 0; i < list.data.length - 2; i += 2 * PIECE) {
    const end = Math.min(list.data.length, i + 2 * PIECE + 2);
    if (overlaps(inkBox(list, i, end), box)) pieces.push(withList(item, list.data.subarray(i, end)));
  }
  return pieces;
}

/**
 * Dashed segments that have ink in a box; of a level one that runs to the right only what lies near it, from the start of a dash on: putting down all dashes of
 * a line across the figure takes long.
 */
function dashesCutTo({ points, stroke }: SegmentsItem, list: ItemList, box: Box): Float64Array {
  const kept: number[] = [];
  const period = stroke.dash.reduce((sum, length) => sum + length, 0) * (stroke.dash.length % 2 ? 2 : 1);
  for (let i = 0; i < points.length; i += 4) {
    if (!overlaps(inkBox(list, i, i + 4), box)) continue;
    const [x1, y1, x2, y2] = points.subarray(i, i + 4) as unknown as [number, number, number, number];
    if (y1 !== y2 || x2 < x1) kept.push(x1, y1, x2, y2);
    else
      kept.push(
        x1 + period * Math.max(0, Math.floor((box.left - list.beyond - x1) / period)),
        y1,
        Math.min(x2, box.left + box.width + period),
        y2,
      );
  }
  return Float64Array.from(kept);
}

/** Whether a piece has ink in a box. */
function hasInk(list: ItemList, i: number, box: Box): boolean {
  const { data, isBoxes, beyond, wide } = list;
  if (!isBoxes) return overlaps(inkBox(list, i, i + wide), box);
  // Bars are many.
  const [left, top] = [box.left - beyond, box.top - beyond];
  const [right, bottom] = [box.left + box.width + beyond, box.top + box.height + beyond];
  const x = data[i] as number;
  const y = data[i + 1] as number;
  return x < right && x + (data[i + 2] as number) > left && y < bottom && y + (data[i + 3] as number) > top;
}
