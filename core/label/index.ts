export { around, contains, crosses, grown, overlaps, type Box, type Segment } from './box';
export { Obstacles, type Ground } from './obstacles';
export { placeLabels, type LabelGround } from './place-labels';
export { heightOf, LINE, type LabelPlace, type LabelWish, type Side, type Spot, type WidthAt } from './wish';
export { spreadApart } from './spread-apart';
