import type { Layer } from 'core/plan';

/** Left, top, width and height in CSS pixels. */
export type Rect = readonly [left: number, top: number, width: number, height: number];

/** The box at an index of a flat list. */
export const rectAt = (boxes: Float64Array, i: number): Rect => [
  boxes[i] as number,
  boxes[i + 1] as number,
  boxes[i + 2] as number,
  boxes[i + 3] as number,
];

/** Items of a layer grouped by look. */
export function byLook<Look>(layer: Layer, keeps: (at: number) => boolean, keyOf: (at: number) => Look): Map<Look, number[]> {
  const groups = new Map<Look, number[]>();
  for (let at = 0; at < layer.ends.length; at++) {
    if (!keeps(at)) continue;
    const key = keyOf(at);
    const list = groups.get(key);
    if (list) list.push(at);
    else groups.set(key, [at]);
  }
  return groups;
}

/** Selected entries of a flat list, `wide` numbers each. */
export function picked(from: Float64Array, items: readonly number[], wide: 2 | 4): Float64Array {
  const out = new Float64Array(items.length * wide);
  for (let i = 0; i < items.length; i++) for (let k = 0; k < wide; k++) out[i * wide + k] = from[(items[i] as number) * wide + k] as number;
  return out;
}
