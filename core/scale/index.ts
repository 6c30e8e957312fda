export {
  countedIn,
  distances,
  placesAlong,
  runsOneWay,
  type Along,
  type AlongTick,
  type Count,
  type Division,
  type TimeCount,
} from './along';
export { movedBreak, type Break } from './broken-scale';
export { linearScale, type LinearScaleOptions, type ZeroChoice } from './linear-scale';
export {
  describeScale,
  hasEvenTicks,
  hasPlace,
  minorTicksOf,
  positionOf,
  positionsOf,
  powerAt,
  scaleTimes,
  scaleWords,
  straightOf,
  straightPieces,
  stretchesOf,
  valueAt,
  zerosAligned,
} from './kinds';
export { baseWord } from './log-scale';
export { AXIS_SCALES, makeScale, SCALE_NAMES, type ScaleName, type ScaleOptions } from './registry';
export { proposeBreaks, type BreakOffer } from './propose-breaks';
export { divisionsOf } from './divisions';
export type { ValueScale } from './scale';
export { timeNames } from './time-names';
