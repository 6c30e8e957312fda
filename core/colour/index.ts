export { contrastOf, isReadable, LEAST_MARK, LEAST_TEXT } from './contrast';
export { nearestReadable, nearestToldApart } from './nearest';
export { collapsesIn } from './told-apart';
