export { around, contains, crosses, grown, overlaps, type Box } from './box';
export { Obstacles } from './obstacles';
export { placeLabels } from './place-labels';
export { heightOf, LINE, type LabelPlace, type LabelWish, type Side, type Spot, type WidthAt } from './wish';
export { spreadApart } from './spread-apart';
