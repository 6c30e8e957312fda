// The brief: its sentences, what choosing a word does, what the search finds.
export { briefOf, subjectOf } from './brief';
export { chooseWord, decidedKeys, settings, settingsBehind } from './settings';
export type { Change } from './setting';
export { wordsGoverning } from './governing';
export { candidatesOf, rangeOf } from './data/candidates';
export { cueFactsIn } from './cue-facts';
export { withCues } from './data/measures-for';
export { cuesAbout, cuesOfMark, filtersAbout } from './about-mark';
export { DRESS_PARTS, dressedLike } from './shape/dress-like';
export { withHandColour } from './shape/dress-words';
export type { Section } from './section';
export { addColumns, replaceMeasure } from './data/replace-measure';
export { renameColumn } from './data/rename-column';
export { helperScopeChoices, readHelperScope, scopeValue } from './data/helper-section';
export { type ColumnFacts, type TableFacts } from './data/table-facts';

// A first one.
export { firstFigure, firstFigures, type FirstFigures } from './first-figure/first-figure';
