export { keptPer, lastPer, oncePer, type Kept } from './identity';
export { rememberStages, runAll, type Stages } from './stages';
