// From text to a checked formula.
export { compileFormula, scopeOf, scopeWith } from './compile';
export { parseFormula, MAX_CHAIN, MAX_CHARACTERS, MAX_NESTING } from './parse';
export type { FormulaPlace, Scope } from './checking';
export type { Expr } from './ast';
export type { Typed } from './typed';

// From a checked formula to values.
export { Evaluator } from './evaluate';
export { groupRows } from './groups';
export { RollUp } from './roll-up';
export { sortRows, type SortKey } from './sort-rows';

// SQL text and the function reference.
export { literalText, nameText } from './key';
export { functionReference, type FunctionEntry } from './reference';
export { PLAIN_DIALECT, sqlIn, sqlOf, sqlTextOf, SqlTooLong, type SqlDialect } from './sql-text';
export type { NamedFormula } from './named-formula';
export { addWindows, placeWithoutWindows } from './add-windows';
export { namesOfText, renameNames } from './rename-names';
export { namesIn } from './names-in';
export { DATE_GRAINS, LONGEST_TEXT, truncateDay, type DateGrain } from './functions';
export type { Groups } from './functions';
export { ROW, sheetText, type SheetColumn, type SheetRoom, type SheetText } from './sheet-text';
export type { Conditions } from './sheet-aggregates';
export { partsOf, type TypedAggregate, type TypedOrder } from './typed';
