// The document.
export { PROJECT_VERSION, derivedSchema, figureSchema, numberFormatSchema, projectSchema, tableDocSchema } from './schema';
export type { Derived, Figure, Mark, NumberFormat, Project, TableDoc, View } from './schema';
export { faultsOf, readProject } from './read-project';

// Changing it.
export { applyEdit, type Edit } from './edit';
export { describeEdit } from './describe-edit';
export { firstFigure } from './first-figure';

// The brief: its sentences, and what choosing a word does.
export { briefOf, type Brief, type ColumnWords, type TableWords } from './brief';
export { addColumns, changeFigure, replaceMeasure } from './change-figure';
export { helperScopeOptions, readHelperScope, scopeValue } from './helper-sentence';
export { partsOfMeasure, unitOf } from './measure-names';
export { deriveColumns, orderDerived, type DerivedTable } from './derive-columns';
