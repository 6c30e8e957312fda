// The document: its schemas, and reading what was stored or handed over.
export { followTitle } from './follow-title';
export { givenTitle } from './given-title';
export {
  MOST_BASE,
  MOST_BOUND,
  MOST_BREAKS,
  MOST_HEADROOM,
  MOST_LIVERIES,
  MOST_LOOKS,
  MOST_PICTURES,
  MOST_PINS,
  MOST_RUNGS,
  MOST_WIDTH,
  PICTURE_LIMIT,
  PROJECT_VERSION,
  liverySchema,
} from './schema';
export type {
  AlongChoice,
  AxisChoice,
  CrosstabChoice,
  Dress,
  Figure,
  FigureShape,
  Labels,
  LiveryDoc,
  NamedLook,
  NumberFormat,
  SmallPicture,
  Project,
  Scales,
  View,
  Wording,
} from './schema';
export { ALIGN_HOW, MOST_KEYS, SAME_KEYS } from './table-schema';
export type { Derived, Making, Mend, TableDoc } from './table-schema';
export { plainTable, sourceKey } from './plain-table';
export { plainCrosstab, plainDress, plainFormat, plainLabels, plainScales, plainShape } from './plain';
export { MOST_BLOCKS, type PageBlock, type PageDoc } from './page-schema';
export { documentJsonSchema } from './json-schema';
export { LIVERIES, liveryNamed } from './liveries';
export { withAxis } from './with-axis';
export { isLying, isTable, shapeOfFigure } from './figure-form';
export { faultsOf, readProject } from './read-project';
export { readMove } from './read-move';

// What follows from the document: derived columns, each after those that it reads.
export { deriveColumns, orderDerived, type DerivedTable } from './derive-columns';
