export { overlaps, placeBarLabels, type BarEnd, type Box } from './place-bar-labels';
