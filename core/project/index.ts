// The document.
export { PROJECT_VERSION, figureSchema, projectSchema, tableDocSchema } from './schema';
export type { Figure, Project, TableDoc, View } from './schema';
export { faultsOf, readProject } from './read-project';

// Changing it.
export { applyEdit, type Edit } from './edit';
export { describeEdit } from './describe-edit';
export { firstFigure } from './first-figure';

// The brief: its sentences, and what choosing a word does.
export { briefOf, type Brief, type TableWords } from './brief';
export { changeFigure } from './change-figure';
export { partsOfMeasure, unitOf } from './measure-names';
