export { pictureOf, whyOf, type Picture, type PictureRequest } from './picture';
export { planOf, type PlanRequest } from './plan-of';
export type { BarLayer, LabelAsk, LegendEntry, Plan } from './plan';
export { colourIn, type Livery } from './livery';
export { writerOf, type ValueWriter } from './value-writer';
