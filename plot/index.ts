// Drawing a figure, on a canvas of the page or of a file, or in a few dozen pixels.
export { FigureDrawing } from './figure-drawing';
export { drawStill, type Still } from './still';
export { TextWidths } from './canvas/text-widths';
export { drawTiny } from './tiny';

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
export { levelBox, textBox } from './scene/labels/text-box';
