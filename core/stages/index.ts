export { rememberStages, runAll, type Stages } from './stages';
