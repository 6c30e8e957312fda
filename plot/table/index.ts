// How tables stand in so many pixels, and their picture.
export { BAR, tableLayout, TREND } from './table-layout';
export { tableScene } from './table-scene';
export { paintTable } from './paint-table';
