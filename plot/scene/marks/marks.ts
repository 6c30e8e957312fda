import type { ShapeName } from 'core/shape';
import { areaMarks, lineMarks, pointMarks } from './line-marks';
import { barMarks, spanMarks, stemMarks } from './bar-marks';
import type { MarkMaker } from './mark-maker';

/** How each shape is drawn; its other facts are in its entry in `core/shape`. */
const makers: { readonly [S in ShapeName]: MarkMaker } = {
  column: barMarks,
  stem: stemMarks,
  span: spanMarks,
  line: lineMarks,
  step: lineMarks,
  area: areaMarks,
  'step-area': areaMarks,
  points: pointMarks,
};

/** The marks of a placed layer, by its shape. Cost: O(marks). */
export const marksOf: MarkMaker = (placed, facts) => makers[placed.layer.shape](placed, facts);
