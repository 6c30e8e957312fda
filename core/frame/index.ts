// Table and data part → frame.
export { frameOf, type Frame } from './frame-of';
export { helperFormula, placeInHelper } from './helpers';
export { keyOf, summedColumn } from './measures';
export { binWidth } from './steps';

// How lines are drawn.
export { DASHES, MARKERS, penSchema, PLAIN_LINE, withPen, type Dash, type Line, type Pen } from './pen';

// The data part of the document.
export {
  figureDataSchema,
  filterSchema,
  helperSchema,
  helperScopeSchema,
  LAYER_SHAPES,
  measureSchema,
  orderSchema,
  plainMeasure,
  stepSchema,
  whatIfSchema,
} from './schema';
export type { FigureData, Filter, Helper, HelperScope, LayerShape, Measure, Order, Step, WhatIf } from './schema';
