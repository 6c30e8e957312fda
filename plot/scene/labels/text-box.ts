import type { Box } from 'core/label';
import type { SceneItem, TextWidth } from '../scene';

/** A text of a scene. */
export type TextItem = Extract<SceneItem, { readonly kind: 'text' }>;

/** The share of a text's width before its anchor. */
export const SHARES = { left: 0, centre: 0.5, right: 1 } as const;

/** The box of a text before rotation. */
export function levelBox({ text, x, y, font, align }: TextItem, width: TextWidth): Box {
  const wide = width(text, font);
  return { left: x - wide * SHARES[align], top: y - font.size / 2, width: wide, height: font.size };
}

/** A corner of a text. */
export type Corner = readonly [x: number, y: number];

/** The corners of a text after rotation, clockwise from its top left. */
export function cornersOf(item: TextItem, width: TextWidth): Corner[] {
  const { left, top, width: wide, height } = levelBox(item, width);
  const { turn = 0, x, y } = item;
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
  return (
    [
      [left, top],
      [left + wide, top],
      [left + wide, top + height],
      [left, top + height],
    ] as const
  ).map(([cornerX, cornerY]) => {
    const [dx, dy] = [cornerX - x, cornerY - y];
    return [x + dx * cos - dy * sin, y + dx * sin + dy * cos];
  });
}

/** The bounding box of a text after rotation. */
export function textBox(item: TextItem, width: TextWidth): Box {
  if (!item.turn) return levelBox(item, width);
  const corners = cornersOf(item, width);
  const [xs, ys] = [corners.map(([x]) => x), corners.map(([, y]) => y)];
  const [left, top] = [Math.min(...xs), Math.min(...ys)];
  return { left, top, width: Math.max(...xs) - left, height: Math.max(...ys) - top };
}
