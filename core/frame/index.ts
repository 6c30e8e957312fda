// Table and data part → frame.
export { frameOf, type Frame } from './frame-of';
export { whenAsked, type SourceRows } from './source-rows';
export { helperFormula, obeysScope, placeInHelper } from './helpers';
export { keyOf, summedColumn } from './measures';
export { partsOfMeasure, ROWS, simpleMeasure, SUMMARIES, unitOf } from './measure-names';
export { plainMeasure } from './plain-measure';
export { isAdditive, overallName, type Overall } from './overall';
export { asFraction, binsOf, binWidth } from './bins';
export { allSteps } from './steps';
export { filterRows } from './filter-rows';
export { emptyValues } from './measures';

// How lines are drawn.
export { DASHES, penSchema, PLAIN_LINE, withPen, type Dash, type Line, type Pen } from './pen';

// The data part of the document.
export { figureDataSchema, helperScopeSchema, whatIfSchema } from './schema';
export type { FigureData, Filter, Helper, HelperScope, LayerShape, Measure, Order, Step, WhatIf } from './schema';
export { categoryAt } from './category-at';
