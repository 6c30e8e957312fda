import type { Box } from 'core/label';
import type { SceneItem, StrokeLook } from '../scene/scene';

/** An item that is a list of pieces with one look. */
export type ListItem = Exclude<SceneItem, { readonly kind: 'text' | 'glyph' }>;

/** An item as a list: its numbers, how many make a piece, whether these are boxes, and how far its ink goes beyond them in CSS pixels. */
export interface ItemList {
  readonly data: Float64Array;
  readonly wide: number;
  readonly isBoxes: boolean;
  readonly beyond: number;
}

// Edges are smoothed over the pixel that they fall in.
const SOFT = 1;
// A pointed corner reaches as far as the canvas lets it, in widths of its line.
const POINTED = 10;

const inkOf = (stroke: StrokeLook | null): number => SOFT + (stroke ? (stroke.width / 2) * (stroke.join === 'miter' ? POINTED : 1) : 0);

type Lists = { readonly [K in ListItem['kind']]: (item: Extract<ListItem, { readonly kind: K }>) => ItemList };

const lists: Lists = {
  rects: ({ boxes }) => ({ data: boxes, wide: 4, isBoxes: true, beyond: SOFT }),
  outlines: ({ boxes, stroke }) => ({ data: boxes, wide: 4, isBoxes: true, beyond: inkOf(stroke) }),
  path: ({ points, stroke }) => ({ data: points, wide: 2, isBoxes: false, beyond: inkOf(stroke) }),
  polygons: ({ points, corners, stroke }) => ({ data: points, wide: 2 * corners, isBoxes: false, beyond: inkOf(stroke) }),
  segments: ({ points, stroke }) => ({ data: points, wide: 4, isBoxes: false, beyond: inkOf(stroke) }),
  dots: ({ points, radius, stroke }) => ({ data: points, wide: 2, isBoxes: false, beyond: radius + inkOf(stroke) }),
};

/** An item as a list of pieces. */
export const listOf = (item: ListItem): ItemList => lists[item.kind](item as never);

/** Another list of pieces in the look of an item. */
export function withList<I extends ListItem>(item: I, data: Float64Array): I {
  return item.kind === 'rects' || item.kind === 'outlines' ? { ...item, boxes: data } : { ...item, points: data };
}

/** The box around the ink of some numbers of a list. */
export function inkBox({ data, isBoxes, beyond }: ItemList, from: number, to: number): Box {
  let [left, top, right, bottom] = [Infinity, Infinity, -Infinity, -Infinity];
  for (let i = from; i < to; i += isBoxes ? 4 : 2) {
    const x = data[i] as number;
    const y = data[i + 1] as number;
    const farX = isBoxes ? x + (data[i + 2] as number) : x;
    const farY = isBoxes ? y + (data[i + 3] as number) : y;
    left = Math.min(left, x, farX);
    top = Math.min(top, y, farY);
    right = Math.max(right, x, farX);
    bottom = Math.max(bottom, y, farY);
  }
  return { left: left - beyond, top: top - beyond, width: right - left + 2 * beyond, height: bottom - top + 2 * beyond };
}
