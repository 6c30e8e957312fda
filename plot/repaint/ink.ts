import type { Box } from 'core/label';
import type { SceneItem, TextWidth } from '../scene/scene';
import { SHARES, type TextItem } from '../scene/labels/text-box';
import { inkBox, listOf } from './item-lists';

// Marks set upon each other reach as far as they like.
const TOWERING = /\p{M}{3}/u;
const EVERYWHERE: Box = { left: -1e6, top: -1e6, width: 2e6, height: 2e6 };

// A picture is larger than its size says, and a glyph has a thin edge around it.
const PICTURE = 1.3;
const EDGE = 4;

/** The box that holds all the ink of an item, or more than that; a box without any area where it has none. Cost: O(its pieces). */
export function inkOfItem(item: SceneItem, measure: TextWidth): Box {
  if (item.kind === 'text') {
    return TOWERING.test(item.text) ? EVERYWHERE : inkOfText(item, measure(item.text, item.font));
  }
  if (item.kind === 'glyph') {
    const half = item.size * PICTURE + EDGE;
    return { left: item.x - half, top: item.y - half, width: 2 * half, height: 2 * half };
  }
  const list = listOf(item);
  return inkBox(list, 0, list.data.length);
}

// How far letters leave the line that they are written along, in sizes of their font; those of some scripts by more.
const [LATIN, ANY] = [0.9, 1.5];
const IS_LATIN = /^[\x20-\x7e]*$/;

/** Around the line that a text is written along. */
function inkOfText({ text, x, y, font, align, turn = 0 }: TextItem, width: number): Box {
  const [cos, sin, beyond] = [Math.cos(turn), Math.sin(turn), (IS_LATIN.test(text) ? LATIN : ANY) * font.size];
  const [from, to] = [-width * SHARES[align], width * (1 - SHARES[align])];
  const [left, top] = [x + Math.min(from * cos, to * cos), y + Math.min(from * sin, to * sin)];
  return { left: left - beyond, top: top - beyond, width: width * Math.abs(cos) + 2 * beyond, height: width * Math.abs(sin) + 2 * beyond };
}
