export { aggregates, placesToTexts, type Aggregate, type AggregateOptions, type Groups } from './aggregates';
export { choose } from './choose';
export {
  DATE_FIELDS,
  DATE_GRAINS,
  extractField,
  parseInterval,
  shiftMoment,
  shiftVec,
  TIME_FIELDS,
  truncateDay,
  type DateField,
  type DateGrain,
  type Interval,
} from './dates';
export type { FunctionGroup, FunctionHelp, Scalar } from './entry';
export { fromPairs } from './moments';
export { quantileAt } from './quantiles';
export { scalars } from './scalars';
export { joinTexts, likeTexts } from './texts';
export { windowFunctions, type FrameRanges, type SortedRows, type WindowFunction } from './windows';
