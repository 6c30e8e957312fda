// The document.
export {
  MOST_PICTURES,
  PICTURE_LIMIT,
  PROJECT_VERSION,
  derivedSchema,
  figureSchema,
  numberFormatSchema,
  pictureSchema,
  projectSchema,
  tableDocSchema,
} from './schema';
export type { Derived, Figure, Mark, NumberFormat, Picture, Project, Scales, TableDoc, View } from './schema';
export { plainScales } from './plain-scales';
export { faultsOf, readProject } from './read-project';

// A first one.
export { firstFigure } from './first-figure';

// The brief: its sentences, and what choosing a word does.
export { briefOf, type Brief, type ColumnWords, type TableWords } from './brief';
export { addColumns, changeFigure, replaceMeasure } from './change-figure';
export { helperScopeOptions, readHelperScope, scopeValue } from './helper-sentence';
export { partsOfMeasure, unitOf } from './measure-names';
