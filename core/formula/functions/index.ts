export { aggregates, placesToTexts } from './aggregates';
export type { Aggregate, AggregateOptions, Groups } from './aggregate-entry';
export { choose, chooseBy } from './choose';
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
export type { FunctionHelp, Scalar } from './entry';
export { fromPairs } from './moments';
export { quantileAt } from './quantiles';
export { scalars } from './scalars';
export { roundedTo } from './numbers';
export { likeTexts } from './like';
export { similarTexts } from './similar';
export { patternOf } from './similar-pattern';
export { joinTexts, LONGEST_TEXT, mapTexts } from './texts';
export { windowFunctions, type FrameRanges, type SortedRows, type WindowFunction } from './windows';
