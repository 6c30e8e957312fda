export { overlaps, type Box } from './box';
export { GAP_BEYOND, placeBarLabels, type BarEnd } from './place-bar-labels';
