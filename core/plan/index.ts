export type { DrawnColumn } from './drawn-columns';
export { ledgerTable } from './ledger-table';
export { cuedPlaces, type LookedTotals } from './looked-totals';
export { overallsOf } from './overall-asks';
export { computedOf, picturing, pictureOf, type Picture, type PictureRequest } from './picture';
export { namedParts } from './named-parts';
export { planOf } from './plan-of';
export { crosstabHtml, crosstabLines, crosstabTable } from './table-out';
export { writeWords, type WordsOver } from './figure-words';
export { withoutAxes } from './without-axes';
export type { PlanRequest } from './requests';
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
export type { LegendEntry, NamedPart, PlanWords, Stroke } from './plan-words';
export type { TableCells, TableColumn, TableHead, TablePlan, TableRow, Trend } from './table-plan';
export { BARE_LIVERY, DARK_LIVERY, LIGHT_LIVERY, type LetterSizes, colourIn, type Livery } from './livery';
