import type { Dash } from 'core/cue';

/** The dash pattern of a line in CSS pixels, for its width. */
export function dashOf(dash: Dash, width: number): number[] {
  const unit = Math.max(1.5, width);
  return { solid: [], dashed: [unit * 3.5, unit * 2.5], dotted: [unit, unit * 2], 'dash-dot': [unit * 4, unit * 2, unit, unit * 2] }[dash];
}
