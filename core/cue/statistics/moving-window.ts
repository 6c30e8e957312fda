import { windowOf, type Scope } from '../scope/scope';

/** A window that moves along an order: so many rows, up to each row or around it, with the row itself or without. */
export interface MovingWindow {
  readonly scope: Scope;
  readonly rows: number;
  readonly place: 'before' | 'up to' | 'around';
  /** The values of a window that reaches beyond the first or last row: missing, or computed from the rows that exist. */
  readonly edges: 'full' | 'partial';
}

/**
 * A statistic of a moving window as a formula. An even window around a row lies half a row off it, so the mean of the two nearest ones is taken:
 * the centred 2 × n average of the trade.
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
