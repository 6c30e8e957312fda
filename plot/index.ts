export { FigureDrawing, type CanvasPoint } from './figure-drawing';
export { toPng, type PngSize } from './to-png';
export type { HoverText } from './hover-text';
export { drawPath } from './glyph-painter';
export type { LineHandle } from './line-handles';
export { drawTiny } from './tiny';
