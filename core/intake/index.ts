// How a source is read, as sentences whose words are the controls.
export { chooseColumn, columnSentences, typeWords, wishFor, type ColumnSentences } from './column-words';
export { chooseSource, sourceSentences } from './source-words';

// What a table's next source changes.
export { outlineOf, type OutlineColumn, type TableOutline } from './outline';
export { sourceChanges, type ChangeMend, type NextSource, type SourceChange } from './source-changes';
