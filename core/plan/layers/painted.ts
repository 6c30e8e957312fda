import type { BandPlan, GlyphAsk, Layer, LevelLine } from '../plan';
import type { LegendEntry } from '../words/plan-words';
import { isPlaceholder, type Paint } from './placeholders';

/** A layer with its colours resolved. Cost: O(marks). */
export function paintedLayer(layer: Layer, paint: Paint): Layer {
  const [colours, glyphs] = [paintedAll(layer.colours, paint), paintedGlyphs(layer.glyphs, paint)];
  return colours === layer.colours && glyphs === layer.glyphs && !isPlaceholder(layer.colour)
    ? layer
    : { ...layer, colour: paint(layer.colour), colours, glyphs };
}

/** A line or band with its colour resolved. */
export const paintedLevel = <T extends LevelLine | BandPlan>(item: T, paint: Paint): T =>
  isPlaceholder(item.colour) ? { ...item, colour: paint(item.colour) } : item;

/** An entry of the legend with its colour resolved; a ramp keeps its own colours. */
export const paintedEntry = (entry: LegendEntry, paint: Paint): LegendEntry =>
  entry.key.kind !== 'ramp' && isPlaceholder(entry.key.colour)
    ? { ...entry, key: { ...entry.key, colour: paint(entry.key.colour) } }
    : entry;

function paintedAll(colours: readonly string[], paint: Paint): readonly string[] {
  let painted: string[] | null = null;
  for (let at = 0; at < colours.length; at++) {
    const colour = colours[at] as string;
    if (isPlaceholder(colour)) (painted ??= [...colours])[at] = paint(colour);
  }
  return painted ?? colours;
}

const paintedGlyphs = (glyphs: readonly GlyphAsk[], paint: Paint): readonly GlyphAsk[] =>
  glyphs.some(({ colour }) => isPlaceholder(colour))
    ? glyphs.map(glyph => (isPlaceholder(glyph.colour) ? { ...glyph, colour: paint(glyph.colour) } : glyph))
    : glyphs;
