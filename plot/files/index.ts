// Figures as files, on the page or without one: apart, so that the stage comes without what makes them.
export { pageScene, toPng } from './to-png';
export { toPdf } from './to-pdf';
export { layOut, layOutTable } from '../headless';
export { letterMiddle } from '../scene/labels/letter-middle';
export { fontIn } from '../canvas/blind-canvas';
export type { Brushes } from '../canvas/brushes';
export { drawPath } from '../canvas/draw-path';
export { paintStill } from '../canvas/paint-still';
export { toSvg, type EmbeddedFont } from '../svg/to-svg';
