export { aggregates, type Aggregate, type AggregateName, type Groups } from './aggregates';
export { ranks, type RankName, type SortedRows } from './ranks';
export { choose, scalars, type Scalar, type ScalarName } from './scalars';
