import { isBar, shapeOf } from 'core/shape';
import { dashed, solid } from '../marks/looks';
import type { PlacedLayer, PixelScales, Strip } from '../pixel-scales';
import type { SceneItem } from '../scene';

// The slant of a cut, and how far it reaches beyond the bar that it cuts, in CSS pixels.
const SLANT = 3;
const OVER = 1.5;
// Bars thinner than this show no slant.
const THIN = 6;
// Half the length of the sign on the axis.
const SIGN = 6;

/** Every break of a panel's axes. */
const stripsOf = (pixels: PixelScales, panel: number): { readonly axis: number; readonly strip: Strip }[] =>
  [0, 1].flatMap(axis => pixels.breaksOf(panel, axis).map(strip => ({ axis, strip })));

/** The signs of a break: two slanted strokes on its axis, and two thin lines across the plot. */
export function breakSigns(pixels: PixelScales): SceneItem[] {
  const { area } = pixels.layout;
  const { livery, horizontal, panels } = pixels.plan;
  const [start, end] = horizontal ? [area.top, area.top + area.height] : [area.left, area.left + area.width];
  return panels.flatMap((_, panel) =>
    stripsOf(pixels, panel).flatMap(({ axis, strip }): SceneItem[] => {
      const edges = [strip.low, strip.high];
      const side = (pixels.sideOf(panel, axis) === 'near') === horizontal ? end : start;
      const across = edges.flatMap(pixel => [...pixels.point(start, pixel), ...pixels.point(end, pixel)]);
      const slanted = edges.flatMap(pixel => [...pixels.point(side - SIGN, pixel + SLANT), ...pixels.point(side + SIGN, pixel - SLANT)]);
      return [
        { kind: 'segments', points: Float64Array.from(across), stroke: dashed(livery.hair, 1, 'dotted') },
        { kind: 'segments', points: Float64Array.from(slanted), stroke: solid(livery.ink, 1.5) },
      ];
    }),
  );
}

/** The background over everything behind the marks where a break leaves values out, across the whole plot. */
export function groundStrips(pixels: PixelScales, isCut: (panel: number, axis: number) => boolean): SceneItem[] {
  const { area } = pixels.layout;
  const { livery, horizontal, panels } = pixels.plan;
  return panels.flatMap((_, panel) =>
    stripsOf(pixels, panel)
      .filter(({ axis }) => isCut(panel, axis))
      .map(({ strip }): SceneItem => {
        const [near, deep] = [Math.min(strip.low, strip.high), Math.abs(strip.high - strip.low)];
        const box = horizontal ? [near, area.top, deep, area.height] : [area.left, near, area.width, deep];
        return { kind: 'rects', boxes: Float64Array.from(box), fill: livery.ground, corners: null };
      }),
  );
}

/** Whether a layer is an area, which a break interrupts. */
export const isArea = ({ layer }: PlacedLayer): boolean => !isBar(layer) && shapeOf(layer).byLength;

/** The cut through every bar that a break interrupts: a slanted strip in the background colour, straight for bars too thin to show a slant. */
export function barCuts({ layer, boxes }: PlacedLayer, pixels: PixelScales): SceneItem[] {
  const strips = pixels.breaksOf(layer.panel, layer.axis);
  if (!boxes || strips.length === 0) return [];
  const { horizontal, livery } = pixels.plan;
  const thick = boxes[horizontal ? 3 : 2] as number;
  const slant = thick < THIN ? 0 : SLANT;
  const points: number[] = [];
  const put = (along: number, across: number): void => void (horizontal ? points.push(across, along) : points.push(along, across));
  // Bars are many: each is read in place.
  const [base, side] = horizontal ? [0, 1] : [1, 0];
  for (let at = 0; at < 4 * layer.ends.length; at += 4) {
    const from = boxes[at + base] as number;
    const to = from + (boxes[at + base + 2] as number);
    const start = boxes[at + side] as number;
    const end = start + (boxes[at + side + 2] as number);
    for (const { low, high } of strips) {
      const near = Math.min(low, high);
      if (from >= near || to <= Math.max(low, high)) continue;
      if (slant === 0) {
        put(start, near);
        put(end - start, Math.abs(high - low));
        continue;
      }
      put(start - OVER, low + slant);
      put(start - OVER, high + slant);
      put(end + OVER, high - slant);
      put(end + OVER, low - slant);
    }
  }
  if (points.length === 0) return [];
  if (slant === 0) return [{ kind: 'rects', boxes: joinedCuts(points, { layer, boxes }, pixels), fill: livery.ground, corners: null }];
  return [{ kind: 'polygons', points: Float64Array.from(points), corners: 4, fill: livery.ground, stroke: null }];
}

/**
 * Cuts through neighbouring thin bars of a single layer, joined to one: only background is between them. Hundreds of cuts would cost as much as the
 * bars.
 */
function joinedCuts(cuts: readonly number[], { layer, boxes }: Pick<PlacedLayer, 'layer' | 'boxes'>, { plan }: PixelScales): Float64Array {
  const panel = plan.panels[layer.panel];
  const isAlone = panel?.axes.length === 1 && panel.layers.filter(isBar).length === 1;
  const side = plan.horizontal ? 1 : 0;
  const pitch = boxes && boxes.length > 4 ? Math.abs((boxes[4 + side] as number) - (boxes[side] as number)) : 0;
  if (!isAlone || pitch === 0) return Float64Array.from(cuts);
  const joined: number[] = [];
  // The last cut of each break, by where it lies along the value axis.
  const last = new Map<number, number>();
  for (let i = 0; i < cuts.length; i += 4) {
    const [at, value] = [cuts[i + side] as number, cuts[i + 1 - side] as number];
    const before = last.get(value);
    const start = before === undefined ? NaN : (joined[before + side] as number);
    const end = before === undefined ? NaN : start + (joined[before + 2 + side] as number);
    if (before !== undefined && at > start && at - end < pitch) joined[before + 2 + side] = at + (cuts[i + 2 + side] as number) - start;
    else {
      last.set(value, joined.length);
      joined.push(...cuts.slice(i, i + 4));
    }
  }
  return Float64Array.from(joined);
}

/** A path without the parts within breaks. `value`: 0 where x is along the value axis, 1 where y is. Cost: O(points × breaks). */
export function cutPath(points: Float64Array, strips: readonly Strip[], value: 0 | 1): Float64Array[] {
  if (strips.length === 0) return [points];
  const pieces: number[][] = [];
  let piece: number[] = [];
  const close = (): void => {
    if (piece.length > 2) pieces.push(piece);
    piece = [];
  };
  for (let i = 0; i + 3 < points.length; i += 2) {
    const [x0, y0, x1, y1] = points.slice(i, i + 4) as unknown as [number, number, number, number];
    const at = (share: number): [number, number] => [x0 + share * (x1 - x0), y0 + share * (y1 - y0)];
    let from = 0;
    for (const [out, back] of sharesWithin(value === 0 ? [x0, x1] : [y0, y1], strips)) {
      if (piece.length === 0) piece.push(...at(from));
      if (out > from) piece.push(...at(out));
      close();
      from = back;
    }
    if (from >= 1) continue;
    if (piece.length === 0) piece.push(...at(from));
    piece.push(x1, y1);
  }
  close();
  return pieces.map(list => Float64Array.from(list));
}

/** The shares of a segment between two pixels that lie within strips, in its direction. */
function sharesWithin([from, to]: readonly [number, number], strips: readonly Strip[]): [number, number][] {
  return strips
    .flatMap(({ low, high }): [number, number][] => {
      const [least, most] = [Math.min(low, high), Math.max(low, high)];
      if (from === to) return from > least && from < most ? [[0, 1]] : [];
      const ends = [(least - from) / (to - from), (most - from) / (to - from)].sort((a, b) => a - b) as [number, number];
      const [first, last] = [Math.max(0, ends[0]), Math.min(1, ends[1])];
      return first < last ? [[first, last]] : [];
    })
    .sort((a, b) => a[0] - b[0]);
}
