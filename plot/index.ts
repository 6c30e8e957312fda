// Drawing a figure, on a canvas of the page or of a file, or in a few dozen pixels.
export { FigureDrawing, type DrawingOptions } from './figure-drawing';
export { toPng, type PngSize } from './to-png';
export { toPdf, type PageWords } from './to-pdf';
export { drawStill, type Still } from './still';
export { BAR, tableLayout, TREND, type TableLayout } from './table/table-layout';
export { TextWidths } from './canvas/text-widths';
export { drawTiny } from './tiny';

export { layOut, layOutTable } from './headless';

// Painting a laid-out figure elsewhere than on the stage.
export { letterMiddle } from './scene/letter-middle';
export { fontIn } from './canvas/blind-canvas';
export type { Brushes } from './canvas/brushes';
export { drawPath } from './canvas/draw-path';
export { paintStill } from './canvas/paint-still';
export { toSvg, type EmbeddedFont, type HoverMark, type SvgWishes } from './svg/to-svg';
export type { CueNumbers } from './svg/group-names';
export type { FigureSize } from './figure-size';

// What is drawn and pointed at.
export type {
  DroppedLabel,
  FigurePoint,
  Font,
  LabelledMark,
  LineHandle,
  MarkAt,
  Scene,
  SceneItem,
  ScenePart,
  TextWidth,
} from './scene/scene';
export { levelBox, textBox } from './scene/text-box';
