import { pictureGlyph } from 'core/glyph';
import type { SmallPicture } from 'core/document';
import type { Layer } from './plan';

/** The analyst's own pictures that a figure uses, as data URLs by glyph name. */
export function picturesOf(layers: readonly Layer[], pictures: readonly SmallPicture[]): Record<string, string> {
  const used = new Set(layers.flatMap(layer => [layer.stroke.marker, ...layer.glyphs.map(({ glyph }) => glyph)]));
  const own = pictures.filter(({ name }) => used.has(pictureGlyph(name)));
  return Object.fromEntries(own.map(({ name, type, data }) => [pictureGlyph(name), `data:${type};base64,${data}`]));
}
