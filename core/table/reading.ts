/** Ways to write a date: `2031-06-02`, `2031/06/02`, day before month, month before day, or with the month's name. */
export const DATE_STYLES = ['iso', 'year-first', 'day-first', 'month-first', 'named'] as const;
/** How dates of a file are written. */
export type DateStyle = (typeof DATE_STYLES)[number];

/** How the texts of a column were read, so that what is typed later means the same: the decimal mark of numbers, the style of dates. */
export interface Reading {
  readonly decimal: 'point' | 'comma';
  readonly dates: DateStyle;
}
