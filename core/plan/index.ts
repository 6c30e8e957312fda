export type { DrawnColumn } from './layers/drawn-columns';
export { ledgerTable } from './table/ledger-table';
export { cuedPlaces } from './table/looked-totals';
export { overallsOf } from './overall-asks';
export { computedOf, picturing, pictureOf, type Picture, type PictureRequest } from './picture';
export { namedParts } from './words/named-parts';
export { crosstabHtml, crosstabLines, crosstabTable } from './table/table-out';
export { writeWords } from './words/figure-words';
export { withoutAxes } from './axes/without-axes';
export type { Beyond } from './plan';
export type {
  AlongPlan,
  AxisPlan,
  BandPlan,
  ChartPlan,
  BreakEdge,
  DragTarget,
  GlyphAsk,
  LabelAsk,
  LabelWhere,
  Layer,
  LevelLine,
  PanelPlan,
  Plan,
} from './plan';
export type { LegendEntry, NamedPart, PlanWords } from './words/plan-words';
export type { TableCells, TablePlan, TableRow, Trend } from './table/table-plan';
export { BARE_LIVERY, DARK_LIVERY, LIGHT_LIVERY, type LetterSizes, colourIn, type Livery } from './dress/livery';
