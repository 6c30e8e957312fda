// Drawing a figure, on a canvas of the page or of a file, or in a few dozen pixels.
export { FigureDrawing, type DrawingOptions } from './figure-drawing';
export { toPng, type PngSize } from './to-png';
export { drawTiny } from './tiny';

// What is pointed at.
export type { FigurePoint, LineHandle, MarkAt, ScenePart } from './scene/scene';
