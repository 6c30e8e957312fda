import { inBrowser } from '../browser';
import type { C1Result } from '../c1-page';
import type { BenchRow } from '../measure';

/** Create and update a figure of 12, 200, 2,000 bars with colours and hover. */
export const c1: BenchRow = {
  name: 'C1',
  work: 'create / update a figure of 12, 200, 2,000 bars with colours and hover',
  reach: 'update ≤ 1.0 × plain Chart.js drawing the same bars with one colour',
  run: async () => {
    const results = await inBrowser<C1Result[]>('c1-page.ts');
    return results.flatMap(({ count, create, update }) => [
      { at: `create ${count}`, timings: create },
      { at: `update ${count}`, timings: update },
    ]);
  },
};
