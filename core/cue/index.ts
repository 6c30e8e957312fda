// What kinds there are.
export { cueKinds, cueSchema, kindOf, type Cue, type CueKindName } from './registry';
export { aroundOf, cueFactsOf, type Candidate, type CueFacts, type ValueRange } from './scope/surroundings';
export { partnerOf } from './scope/partners';
export { findCues, type CueOffer } from './find-cues';
export { asRule } from './kinds/as-rule';

// How they show.
export type { Look } from './looks/look';
export type { Dash } from 'core/frame';
export type { BandStyle, Treatment, TreatmentOf } from './looks/treatments';
export { penWord, readPen } from './looks/pen-tokens';

// Levels and scopes, as they are typed and chosen.
export { levelWords, readLevel, typedNumber } from './level/level';
export { cueScopeOf, helperScopeOf, partsOfScope, scopeIn, scopeValue, type CueScope } from './scope/scope';

// Applying them.
export { applyCues, type AppliedCue } from './apply-cues';
export { cueDataOf, treatmentsOf, type CueTreatment } from './looks/treatments-of';
export { isColouring, winnersOf, type Colouring } from './looks/winners';
