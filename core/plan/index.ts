export { pictureOf, whyOf, type Picture, type PictureRequest } from './picture';
export { planOf, type PlanRequest } from './plan-of';
export type { LabelAsk, Layer, LegendEntry, PanelPlan, Plan } from './plan';
export { colourIn, type Livery } from './livery';
export { rowNames } from './category-names';
export { styleOf, writerOf, type ValueWriter, type Writing } from './value-writer';
