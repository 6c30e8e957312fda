import { makeScale, positionsOf, stretchesOf, type ValueScale } from 'core/scale';
import { compare, type BenchRow } from '../measure';
import { millionRows, numberOf } from '../million';

const BREAK = { from: 2_000, to: 3_000 };

/** 1,000,000 values to positions on three scales. */
export const d2: BenchRow = {
  name: 'D2',
  work: '1,000,000 values to positions: linear, log, broken',
  reach: '≤ 1.2 × a hand-written loop of the same arithmetic',
  run: async () => {
    const values = numberOf(millionRows(), 'milk');
    const scales: readonly [at: string, scale: ValueScale, reference: () => Float64Array][] = [
      withReference('linear', makeScale('linear', values, {}), byHand.linear, values),
      withReference('log', makeScale('log', values, {}), byHand.log, values),
      withReference('broken', makeScale('linear', values, { breaks: [BREAK] }), byHand.broken, values),
    ];
    const results = [];
    for (const [at, scale, reference] of scales)
      results.push({
        at,
        timings: await compare(
          [
            { name: 'reference', run: reference },
            { name: 'Cowbell', run: () => positionsOf(scale, values) },
          ],
          { rounds: 15, warmup: 5 },
        ),
      });
    return results;
  },
};

type ByHand = (values: Float64Array, scale: ValueScale) => Float64Array;

const withReference = (
  at: string,
  scale: ValueScale,
  reference: ByHand,
  values: Float64Array,
): [at: string, scale: ValueScale, reference: () => Float64Array] => [at, scale, () => reference(values, scale)];

/** By hand: one loop each, written for just this scale. */
const byHand = {
  linear: (values: Float64Array, { low, high }: ValueScale): Float64Array => {
    const out = new Float64Array(values.length);
    const per = 1 / (high - low);
    for (let i = 0; i < values.length; i++) out[i] = ((values[i] as number) - low) * per;
    return out;
  },
  log: (values: Float64Array, { low, high }: ValueScale): Float64Array => {
    const out = new Float64Array(values.length);
    const [from, per] = [Math.log(low), 1 / Math.log(high / low)];
    for (let i = 0; i < values.length; i++) out[i] = (Math.log(values[i] as number) - from) * per;
    return out;
  },
  broken: (values: Float64Array, scale: ValueScale): Float64Array => {
    const [a, b] = stretchesOf(scale);
    if (!a || !b) throw new Error('the break leaves nothing out');
    const out = new Float64Array(values.length);
    const [slopeA, slopeB] = [(a.to - a.from) / (a.high - a.low), (b.to - b.from) / (b.high - b.low)];
    const slopeGap = (b.from - a.to) / (b.low - a.high);
    for (let i = 0; i < values.length; i++) {
      const value = values[i] as number;
      if (value <= a.high) out[i] = a.from + (value - a.low) * slopeA;
      else if (value <= b.low) out[i] = a.to + (value - a.high) * slopeGap;
      else out[i] = b.from + (value - b.low) * slopeB;
    }
    return out;
  },
};
