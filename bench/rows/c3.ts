import { inBrowser } from '../browser';
import type { BenchRow, Timing } from '../measure';

/** 200 bars, ten cues on, one edit → picture. */
export const c3: BenchRow = {
  name: 'C3',
  work: '200 bars, ten cues on, one edit → picture',
  reach: '≤ 1.5 × the update of C1',
  run: async () => [{ at: '', timings: await inBrowser<Timing[]>('c3-page.ts') }],
};
