// What makes and changes figures, and knows the kinds of cues: more than the first picture needs, so it is imported when it is called for.
// One file of its own, since a folder's entry that is loaded late would take all of the folder into the first download.
export { kindOf } from 'core/cue';
export { firstFigure, PROJECT_VERSION, replaceMeasure } from 'core/project';
