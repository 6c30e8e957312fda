import { windowOf, type Scope } from '../scope/scope';

/** A window that moves along an order: a number of rows, up to each row or around it, including the row or not. */
export interface MovingWindow {
  readonly scope: Scope;
  readonly rows: number;
  readonly place: 'before' | 'up to' | 'around';
  /** The values of a window that reaches beyond the first or last row: missing, or computed from the rows that exist. */
  readonly edges: 'full' | 'partial';
}

/**
 * A statistic over a moving window as a formula. An even window around a row is half a row off its middle, so the mean of the two nearest windows is
 * taken: the centred 2 × n average.
 */
export function movingFormula(statistic: (window: string) => string, moving: MovingWindow): string {
  const windows = boundsOf(moving).map(bounds => windowOf(moving.scope, bounds));
  const whole = windows.length === 1 ? statistic(windows[0] as string) : `(${windows.map(statistic).join(' + ')}) / 2`;
  if (moving.edges === 'partial') return whole;
  const full = windows.map(window => `count(*) ${window} = ${moving.rows}`).join(' and ');
  return `case when ${full} then ${whole} end`;
}

function boundsOf({ rows, place }: MovingWindow): string[] {
  if (place === 'before') return [`rows between ${rows} preceding and 1 preceding`];
  if (place === 'up to') return [`rows between ${rows - 1} preceding and current row`];
  const half = rows >> 1;
  if (rows % 2 === 1) return [`rows between ${half} preceding and ${half} following`];
  return [`rows between ${half} preceding and ${half - 1} following`, `rows between ${half - 1} preceding and ${half} following`];
}
