// From text to a checked formula.
export { compileFormula, scopeOf, scopeWith } from './evaluate/compile';
export { parseFormula, MAX_CHARACTERS } from './tree/parse';
export type { FormulaPlace, Scope } from './check/checking';
export type { Expr } from './tree/ast';
export type { Typed } from './evaluate/typed';

// From a checked formula to values.
export { Evaluator } from './evaluate/evaluate';
export { groupRows } from './evaluate/groups';
export { RollUp } from './evaluate/roll-up';
export { sortRows, type SortKey } from './windows/sort-rows';

// SQL text and the function reference.
export { literalText, nameText } from './evaluate/key';
export { functionReference, type FunctionEntry } from './check/reference';
export { PLAIN_DIALECT, sqlIn, sqlOf, sqlTextOf, SqlTooLong, type SqlDialect } from './text/sql-text';
export type { NamedFormula } from './tree/named-formula';
export { addWindows, placeWithoutWindows } from './tree/add-windows';
export { namesOfText, renameNames } from './tree/rename-names';
export { namesIn } from './tree/names-in';
export { DATE_GRAINS, LONGEST_TEXT, truncateDay, type DateGrain } from './functions';
export type { Groups } from './functions';
export { ROW, sheetText, type SheetColumn, type SheetRoom, type SheetText } from './text/sheet-text';
export type { Conditions } from './text/sheet-aggregates';
export { partsOf, type TypedAggregate, type TypedOrder } from './evaluate/typed';
