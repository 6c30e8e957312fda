export { COLOUR_NAMES, colourOptions } from './colours';
export { glyphOf, glyphOptions, pictureGlyph, type Glyph } from './glyphs';
