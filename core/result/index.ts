export { success, failure, unreachable, type Result } from './result';
export { messageFor } from './message-for';
export type { CueProblem, DocumentProblem, FileProblem, FormulaProblem, Place, Problem, SettingProblem } from './problem';
