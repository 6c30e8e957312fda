import { inBrowser } from '../browser';
import type { BenchRow, Timing } from '../measure';

/** 500 bars, five cues on; an end of the axis, or a break, moves a little. */
export const d1: BenchRow = {
  name: 'D1',
  work: '500 categories, five cues, dragging a bound or a break: one step → picture',
  reach: '≤ 1.5 × a plain redraw of the same figure',
  run: async () => [{ at: '', timings: await inBrowser<Timing[]>('d1-page.ts') }],
};
