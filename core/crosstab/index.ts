// A frame spread out into rows and columns, with the totals of both.
export { crosstabOf } from './crosstab-of';
export { type Crosstab } from './crosstab';
export { levelsOf, shownData, totalsIn } from './levels';
