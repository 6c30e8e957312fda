export { COLOUR_NAMES, colourOptions } from './colours';
export { glyphOf, glyphOptions, glyphs, pictureGlyph, type Glyph } from './glyphs';
