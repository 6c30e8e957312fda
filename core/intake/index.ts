// How a source is read, as sentences whose words are the controls.
export { chooseColumn, columnSentences, typeWords } from './column-words';
export { chooseSource, sourceSentences } from './source-words';

// What a table's next source changes.
export { outlineOf, type TableOutline } from './outline';
export { sourceChanges, type ChangeMend, type SourceChange } from './source-changes';
