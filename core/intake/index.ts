// How a source is read, as sentences whose words are the controls.
export { chooseColumn, columnSentences, wishFor, type ColumnSentences } from './column-words';
export { chooseSource, sourceSentences } from './source-words';
