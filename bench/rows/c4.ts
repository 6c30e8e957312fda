import { inBrowser } from '../browser';
import type { C4Result } from '../c4-page';
import type { BenchRow } from '../measure';

/** 200 and 2,000 labels placed and drawn. */
export const c4: BenchRow = {
  name: 'C4',
  work: '200 / 2,000 labels placed and drawn',
  reach: 'placing (scene with labels less scene without) ≤ drawing them with no placement at all; 200 within a frame',
  run: async () => {
    const results = await inBrowser<C4Result[]>('c4-page.ts');
    return results.map(({ count, timings, placed }) => ({ at: `${count} labels, ${placed} of them placed`, timings }));
  },
};
