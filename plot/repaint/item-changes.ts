import { around, type Box } from 'core/label';
import type { PathItem } from '../canvas/paint-scene';
import type { Gradient, SceneItem, StrokeLook, TextWidth } from '../scene/scene';
import { inkOfItem } from './ink';
import { inkBox, listOf, withList, type ItemList, type ListItem } from './item-lists';

/** Told of each box that does not show what it should any more. */
export type Changed = (box: Box) => void;

/** Options for comparing two items. `isLying`: pieces follow each other downwards, not to the right. */
export interface Comparing {
  readonly changed: Changed;
  /** Whether so much has changed that the rest need not be looked at. */
  readonly isEnough: () => boolean;
  readonly measure: TextWidth;
  readonly isLying: boolean;
  /** Smaller moves than this are invisible, in CSS pixels. */
  readonly unseen: number;
}

const sameFill = (a: string | Gradient | null, b: string | Gradient | null): boolean =>
  a === b ||
  (typeof a === 'object' && typeof b === 'object' && a?.low === b?.low && a?.high === b?.high && a?.horizontal === b?.horizontal);

const sameNumbers = (a: readonly number[] | null, b: readonly number[] | null): boolean =>
  a === b || (a !== null && b !== null && a.length === b.length && a.every((value, i) => value === b[i]));

const sameStroke = (a: StrokeLook | null, b: StrokeLook | null): boolean =>
  a === b ||
  (a !== null &&
    b !== null &&
    a.colour === b.colour &&
    a.width === b.width &&
    a.join === b.join &&
    a.cap === b.cap &&
    sameNumbers(a.dash, b.dash));

type Looks = {
  readonly [K in SceneItem['kind']]: (a: Extract<SceneItem, { readonly kind: K }>, b: Extract<SceneItem, { readonly kind: K }>) => boolean;
};

const looks: Looks = {
  rects: (a, b) => sameFill(a.fill, b.fill) && sameNumbers(a.corners, b.corners),
  outlines: (a, b) => sameStroke(a.stroke, b.stroke),
  path: (a, b) => a.closed === b.closed && a.fill === b.fill && sameStroke(a.stroke, b.stroke),
  polygons: (a, b) => a.corners === b.corners && a.fill === b.fill && sameStroke(a.stroke, b.stroke),
  segments: (a, b) => sameStroke(a.stroke, b.stroke),
  dots: (a, b) => a.radius === b.radius && a.fill === b.fill && sameStroke(a.stroke, b.stroke),
  text: (a, b) =>
    a.text === b.text &&
    a.x === b.x &&
    a.y === b.y &&
    a.colour === b.colour &&
    a.align === b.align &&
    a.turn === b.turn &&
    a.font.size === b.font.size &&
    a.font.weight === b.font.weight,
  glyph: (a, b) => a.glyph === b.glyph && a.x === b.x && a.y === b.y && a.size === b.size && a.colour === b.colour,
};

/** Whether two items look alike; texts and glyphs, which are one piece each, also lie in the same place. */
export const isAlike = (a: SceneItem, b: SceneItem): boolean => a.kind === b.kind && looks[a.kind](a as never, b as never);

/** An item that came or went: all of its ink. */
export const wholeChanged = (item: SceneItem, { changed, measure }: Comparing): void => changed(inkOfItem(item, measure));

/**
 * Tells where two items that look alike differ. The answer is the second, but with what has not moved by as much as can be seen where it was painted: so
 * small moves add up until they show. Cost: O(pieces).
 */
export function compared(before: SceneItem, next: SceneItem, comparing: Comparing): SceneItem {
  if (before === next || next.kind === 'text' || next.kind === 'glyph') return before;
  const [a, b] = [listOf(before as ListItem), listOf(next)];
  // Most lists stay as they are, and with them what is known of them.
  const { length } = b.data;
  if (a.data.length === length && isNear(a.data, 0, b.data, 0, length, comparing.unseen)) return before;
  if (next.kind === 'path') return withList(next, comparePath(a, b, next, comparing));
  return withList(next, comparePieces(a, b, comparing));
}

/** Whether two runs of numbers lie as close together as is not seen. */
function isNear(a: Float64Array, i: number, b: Float64Array, j: number, wide: number, unseen: number): boolean {
  for (let k = 0; k < wide; k++) if (Math.abs((a[i + k] as number) - (b[j + k] as number)) >= unseen) return false;
  return true;
}

/** Pieces in their order along the axis: those of one list alone have gone or come. */
function comparePieces(a: ItemList, b: ItemList, { changed, isEnough, isLying, unseen }: Comparing): Float64Array {
  const kept = b.data.slice();
  const along = isLying ? 1 : 0;
  let [i, j] = [0, 0];
  while ((i < a.data.length || j < b.data.length) && !isEnough()) {
    if (i < a.data.length && j < b.data.length && isNear(a.data, i, b.data, j, b.wide, unseen)) {
      for (let k = 0; k < b.wide; k++) kept[j + k] = a.data[i + k] as number;
      [i, j] = [i + a.wide, j + b.wide];
      continue;
    }
    const ahead =
      i >= a.data.length ? Infinity : j >= b.data.length ? -Infinity : (a.data[i + along] as number) - (b.data[j + along] as number);
    if (!(ahead >= unseen)) {
      changed(inkBox(a, i, i + a.wide));
      i += a.wide;
    }
    if (!(ahead <= -unseen)) {
      changed(inkBox(b, j, j + b.wide));
      j += b.wide;
    }
  }
  return kept;
}

/** A stroke changes beside each corner that moved, an area between where it was and where it is; after it dashes fall elsewhere. */
function comparePath(a: ItemList, b: ItemList, { fill, stroke }: PathItem, { changed, unseen }: Comparing): Float64Array {
  const { length } = b.data;
  if (a.data.length !== length) {
    for (const list of [a, b]) changed(inkBox(list, 0, list.data.length));
    return b.data;
  }
  const kept = b.data.slice();
  const isDashed = stroke !== null && stroke.dash.length > 0;
  for (let i = 0; i < length; i += 2) {
    if (isNear(a.data, i, b.data, i, 2, unseen)) {
      kept[i] = a.data[i] as number;
      kept[i + 1] = a.data[i + 1] as number;
      continue;
    }
    const to = isDashed ? length : Math.min(length, i + 4);
    const boxes = (list: ItemList): Box[] => [
      inkBox(list, Math.max(0, i - 2), to),
      // The last corner of what is closed or filled has the first beside it.
      ...(i === 0 || i === length - 2 ? [inkBox({ ...list, data: endsOf(list.data) }, 0, 4)] : []),
    ];
    const [before, after] = [boxes(a), boxes(b)];
    for (const box of fill === null ? [...before, ...after] : before.map((box, nth) => around(box, after[nth] as Box))) changed(box);
    if (isDashed) break;
  }
  return kept;
}

const endsOf = (data: Float64Array): Float64Array => Float64Array.from([...data.slice(0, 2), ...data.slice(-2)]);
