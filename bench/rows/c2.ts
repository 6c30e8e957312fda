import { inBrowser } from '../browser';
import type { C2Result } from '../c2-page';
import type { BenchRow } from '../measure';

/** Update a line of 1,000, 10,000 and 100,000 points. */
export const c2: BenchRow = {
  name: 'C2',
  work: 'update a line of 1,000 / 10,000 / 100,000 points',
  reach: 'never slower than Chart.js with linear x, parsing off, reduced to the pixels',
  run: async () => (await inBrowser<C2Result[]>('c2-page.ts')).map(({ count, update }) => ({ at: `update ${count}`, timings: update })),
};
