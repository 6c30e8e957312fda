import type { NumberStyle } from './format-number';
import { rungFor } from './ladder';
import { numberFacts, type NumberFacts } from './number-facts';

// More decimals than this tell nothing that is read at a glance.
const MOST = 5;
// Below this size of the largest number, each is written by its power of ten.
const TINY = 1e-4;

/**
 * A style with one number of decimals for all of some values: as many as they need, and no more than the largest of them is read with. A style that
 * says its digits keeps them. Of a ladder of units, each value keeps its own with the digits that this one needs; where one unit is for all, it is the
 * largest that the largest value fills. Missing values count for nothing. Cost: one pass, a second where values are not whole.
 */
export function oneDecimals(style: NumberStyle, values: ArrayLike<number>): NumberStyle {
  if (style.ladder?.length) return onLadder(style, values);
  if (style.decimals !== undefined || style.significant) return style;
  const factor = (style.percent ? 100 : 1) / (style.scale ?? 1);
  const facts = factsOf(values);
  const largest = largestOf(facts) * factor;
  if (largest === 0 || (facts.whole && Number.isInteger(factor))) return { ...style, decimals: 0 };
  if (largest < TINY) return style;
  const most = largest >= 1000 ? 0 : largest >= 100 ? 1 : largest >= (style.percent ? 0.1 : 1) ? 2 : MOST;
  return { ...style, decimals: needed(values, factor, most) };
}

const factsOf = (values: ArrayLike<number>): NumberFacts =>
  numberFacts(values instanceof Float64Array ? values : Float64Array.from(values));

/** The largest without its sign; 0 where there is none. */
const largestOf = ({ low, high }: NumberFacts): number => (low > high ? 0 : Math.max(-low, high));

/** One unit for all values, where a style asks for it, written behind each as any unit is. */
function onLadder(style: NumberStyle, values: ArrayLike<number>): NumberStyle {
  if (!style.unitForAll) return style;
  const factor = (style.percent ? 100 : 1) / (style.scale ?? 1);
  const { symbol, size } = rungFor(largestOf(factsOf(values)) * factor, style.ladder ?? []);
  const suffix = `${symbol ? ` ${symbol}` : ''}${style.suffix ?? ''}`;
  return oneDecimals({ ...style, ladder: undefined, scale: (style.scale ?? 1) * size, suffix }, values);
}

/** The fewest decimals that write every value, up to a number of them. */
function needed(values: ArrayLike<number>, factor: number, most: number): number {
  let decimals = 0;
  for (let i = 0; i < values.length && decimals < most; i++) {
    const value = (values[i] as number) * factor;
    while (decimals < most && !isWritten(value, decimals)) decimals++;
  }
  return decimals;
}

function isWritten(value: number, decimals: number): boolean {
  if (value !== value) return true;
  const shifted = value * 10 ** decimals;
  return Math.abs(shifted - Math.round(shifted)) <= Math.abs(shifted) * 1e-9;
}
