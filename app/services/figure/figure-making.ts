// What makes and changes figures, and knows the kinds of cues: more than the first picture needs, so it is imported when it is called for.
// One file of its own, since a folder's entry that is loaded late would take all of the folder into the first download.
export { kindOf, cueFactsOf } from 'core/cue';
export { firstFigures, replaceMeasure } from 'core/brief';
export { MOST_PINS, PROJECT_VERSION, withAxis } from 'core/document';
export { categoryAt } from 'core/frame';
export { movedBreak } from 'core/scale';
