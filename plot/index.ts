export { FigureDrawing, type CanvasPoint } from './figure-drawing';
export { toPng, type PngSize } from './to-png';
export { hoverText, type HoverText } from './hover-text';
