import type { GlyphAsk } from 'core/plan';
import type { Sizes } from './looks';
import { rectAt } from './flat';
import type { MarkFacts } from './mark-maker';
import type { PlacedLayer, PixelScales } from '../pixel-scales';
import type { FigurePoint, SceneItem } from '../scene';

// A line of more points than this has no room for a marker at each.
const MOST_MARKERS = 200;

/** Glyphs at marks, and the markers of a line. */
export function glyphItems(placed: PlacedLayer, { pixels, sizes }: MarkFacts): SceneItem[] {
  const { layer } = placed;
  const size = sizeIn(pixels, sizes);
  const markers =
    layer.stroke.marker && sizes.marker > 0 && layer.rows.length < MOST_MARKERS ? markersOf(placed, pixels, sizes.marker) : [];
  const glyphs = layer.glyphs.flatMap((ask): SceneItem[] => {
    const at = glyphPlace(placed, ask, pixels, size);
    return at ? [{ kind: 'glyph', glyph: ask.glyph, x: at.x, y: at.y, size, colour: ask.colour }] : [];
  });
  return [...markers, ...glyphs];
}

/** The size of glyphs: no wider than their category, no smaller than legible. */
const sizeIn = ({ pitch }: PixelScales, { glyph }: Sizes): number => Math.max(Math.min(glyph, 3.5), Math.min(glyph, pitch * 0.45));

/**
 * The position of a glyph: on a point, beyond the end of a bar, or in the label's place. Null where the value is missing or beyond the axis, which
 * has a sign of its own.
 */
function glyphPlace(placed: PlacedLayer, { at, beyond, inside = false }: GlyphAsk, pixels: PixelScales, size: number): FigurePoint | null {
  const { layer, ends, boxes } = placed;
  const [x, y] = [ends[2 * at] as number, ends[2 * at + 1] as number];
  if (Number.isNaN(x + y) || (layer.beyond.length > 0 && pixels.isBeyond(layer, at))) return null;
  if (inside && boxes) {
    const [left, top, width, height] = rectAt(boxes, 4 * at);
    return { x: left + width / 2, y: top + height / 2 };
  }
  if (!boxes && !beyond) return { x, y };
  const away = (size + (beyond ? 8 : 5)) * ((layer.values[at] as number) < 0 !== pixels.runsBack(layer) ? -1 : 1);
  return pixels.plan.horizontal ? { x: x + away, y } : { x, y: y - away };
}

function markersOf({ layer, ends }: PlacedLayer, pixels: PixelScales, size: number): SceneItem[] {
  return Array.from(layer.ends.keys())
    .filter(at => !Number.isNaN(layer.ends[at]) && !(layer.beyond.length && pixels.isBeyond(layer, at)))
    .map(at => ({
      kind: 'glyph',
      glyph: layer.stroke.marker,
      x: ends[2 * at] as number,
      y: ends[2 * at + 1] as number,
      size,
      colour: layer.colour,
    }));
}
