export { success, failure, unreachable, type Result } from './result';
export type {
  CueProblem,
  DocumentProblem,
  FileProblem,
  FormulaProblem,
  MakingProblem,
  MendProblem,
  PictureProblem,
  Place,
  Problem,
  SettingProblem,
} from './problem';
