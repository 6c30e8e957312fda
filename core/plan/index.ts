export { pictureOf, whyOf, type Picture, type PictureRequest } from './picture';
export { planOf, type PlanRequest } from './plan-of';
export type {
  AxisPlan,
  BandPlan,
  DragTarget,
  GlyphAsk,
  LabelAsk,
  Layer,
  LegendEntry,
  LinePlan,
  PanelPlan,
  Plan,
  PlanShape,
  Stroke,
} from './plan';
export { colourIn, type Livery } from './livery';
export { rowNames } from './category-names';
export { styleOf, writerOf, type ValueWriter, type Writing } from './value-writer';
