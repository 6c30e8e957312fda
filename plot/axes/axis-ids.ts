/** The name of the category axis within Chart.js. */
export const CATEGORY_AXIS = 'category';

/** A panel's first value axis is 0, its second 1. */
export const valueAxisId = (panel: number, axis = 0): string => (axis === 0 ? `value${panel}` : `second${panel}`);

/** The strip beside a panel that holds its name and keeps it apart from its neighbour: an axis without anything on it. */
export const stripId = (panel: number, axis = 0): string => (axis === 0 ? `strip${panel}` : `strip-second${panel}`);
