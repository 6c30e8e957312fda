// The brief: its sentences, what choosing a word does, what the search finds.
export { briefOf, subjectOf, type Brief } from './brief';
export { chooseWord, decidedKeys, settings, settingsBehind, type FoundSetting } from './settings';
export type { Change, Setting, Subject } from './setting';
export { wordsGoverning } from './governing';
export { candidatesOf, rangeOf } from './data/candidates';
export { cueFactsIn, type CueSubject } from './cue-facts';
export { withCues } from './data/measures-for';
export { cuesAbout, cuesOfMark, filtersAbout, type MarkOffer } from './about-mark';
export { DRESS_PARTS, dressedLike, type DressPart } from './shape/dress-like';
export { withHandColour } from './shape/dress-words';
export type { Section } from './section';
export { addColumns, replaceMeasure } from './data/replace-measure';
export { figureFollowing, renameColumn, type Renaming } from './data/rename-column';
export { helperScopeChoices, readHelperScope, scopeValue } from './data/helper-section';
export { offeredColumns, type ColumnFacts, type TableFacts } from './data/table-facts';

// A first one.
export { firstFigure, firstFigures, type FirstFigures } from './first-figure/first-figure';
export { isAveraged, isYear } from './data/column-roles';
