// What kinds there are.
export { cueKinds, cueSchema, kindOf, type Cue, type CueKindName } from './registry';
export type { CueBase, CueKind, CueWords, HelperColumn, Treatment } from './kind';
export { COLOUR_NAMES } from './colours';

// Applying them.
export { applyCues, type AppliedCue } from './apply-cues';
export { winnersOf, type Winners } from './winners';
