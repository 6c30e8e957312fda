export { frameOf, type Frame } from './frame-of';
export { keyOf, summedColumn } from './measures';
export { figureDataSchema, filterSchema, measureSchema, orderSchema, whatIfSchema } from './schema';
export type { FigureData, Filter, Measure, Order, WhatIf } from './schema';
