// Figures as files, on the page or without one: apart, so that the stage comes without what makes them.
export { pageScene, toPng, type PngWishes } from './to-png';
export { toPdf, type PageWords } from './to-pdf';
export { layOut, layOutTable } from '../headless';
export { letterMiddle } from '../scene/labels/letter-middle';
export { fontIn } from '../canvas/blind-canvas';
export type { Brushes } from '../canvas/brushes';
export { drawPath } from '../canvas/draw-path';
export { paintStill } from '../canvas/paint-still';
export { toSvg, type EmbeddedFont, type HoverMark, type SvgWishes } from '../svg/to-svg';
export type { CueNumbers } from '../svg/group-names';
