// A frame spread out into rows and columns, with the totals of both.
export { crosstabOf } from './crosstab-of';
export { MOST_CELLS, MOST_COLUMNS, type Crosstab, type CrosstabColumn, type CrosstabRow } from './crosstab';
export { levelsOf, shownData, totalsIn, type Level } from './levels';
