// What is said of a figure: why a mark looks as it does, what hovering tells, the whole in words.
export { findingTitles, titlesOf, type FindingTitle } from './finding-titles';
export type { CuedPlace } from './findings';
export { changedFindings, foundBy, type ChangedFinding, type CueFound } from './changed-findings';
export { describeFigure, inSentences } from './describe-figure';
export { filterWords } from './filter-words';
export { hoverText, type HoverText } from './hover-text';
export { whyOf, type Computed } from './why';

// How its values and rows are written.
export { axisNames, partName, rowNames } from './row-names';
export { styleOf, writerOf, type ValueWriter, type Writing } from './value-writer';
