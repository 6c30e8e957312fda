// What a table is.
export { MISSING_BOOLEAN, MISSING_TEXT, isMissing, isNumeric, knowRowsWithValue, rowsWithValue } from './column';
export type { BooleanValues, Cell, Column, ColumnType, NumericValues, TextValues, Values } from './column';
export { statsOf, type ColumnStats } from './column-stats';
export { buffersOf, columnOf, makeTable, named, withColumns, type Table } from './table';

// Building and reading.
export { TextCodes, tableOf, valuesFrom } from './build';
export { cellAt, textAt } from './cells';
export { daysOf, withinYears, isoDate, isoTimestamp, parseIsoDate, parseIsoTimestamp } from './dates';

// New tables from old.
export { applyEdits, type CellEdit } from './overlay';
export { isSameTable } from './same-table';
export { carriedEdits, type CarriedEdits } from './carry-edits';
export { takeColumn, takeRows, takeRowsWhenRead, takeValues } from './take';
export { levelIn } from './level-in';
export { DATE_STYLES, type DateStyle, type Reading } from './reading';
export {
  ENCODINGS,
  PLAIN_INTAKE,
  plainColumnIntake,
  THOUSANDS,
  type ColumnIntake,
  type EncodingName,
  type Intake,
  type SourceRange,
  type Thousands,
} from './intake';
