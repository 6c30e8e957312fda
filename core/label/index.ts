export { GAP_BEYOND, overlaps, placeBarLabels, type BarEnd, type Box } from './place-bar-labels';
