// Changing a project, and saying so.
export { applyEdit, type Edit } from './edit';
export { describeEdit } from './describe-edit';

// What follows from the document: derived columns, each after those that it reads.
export { deriveColumns, orderDerived, type DerivedTable } from './derive-columns';
