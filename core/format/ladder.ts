/** A unit of a ladder: its symbol, and how many of what is counted it stands for; above 0. */
export interface Rung {
  readonly symbol: string;
  readonly size: number;
}

/** Ladders to begin with: counts, masses from grams, volumes from litres. */
export const LADDERS = {
  counts: [
    { symbol: '', size: 1 },
    { symbol: 'K', size: 1e3 },
    { symbol: 'M', size: 1e6 },
    { symbol: 'bn', size: 1e9 },
  ],
  grams: [
    { symbol: 'g', size: 1 },
    { symbol: 'kg', size: 1e3 },
    { symbol: 't', size: 1e6 },
  ],
  litres: [
    { symbol: 'mL', size: 1e-3 },
    { symbol: 'L', size: 1 },
    { symbol: 'hL', size: 100 },
  ],
} as const satisfies Readonly<Record<string, readonly Rung[]>>;

const FREE: Rung = { symbol: '', size: 1 };

/**
 * The largest unit that a value fills, so that at least 1 is written; the smallest for what fills none. `rounded`: a number as it will be written, since
 * 999,960 with one decimal is 1.0 M, not 1,000.0 K. `ladder`: rising.
 */
export function rungFor(value: number, ladder: readonly Rung[], rounded: (value: number) => number = same): Rung {
  const size = Math.abs(value);
  let found = ladder[0] ?? FREE;
  for (const rung of ladder.slice(1)) if (rounded(size / found.size) * found.size >= rung.size * (1 - 1e-12)) found = rung;
  return found;
}

const same = (value: number): number => value;

/** A ladder as it is typed: "g = 1, kg = 1000, t = 1000000". */
export const ladderText = (ladder: readonly Rung[]): string => ladder.map(({ symbol, size }) => `${symbol} = ${size}`.trim()).join(', ');

/** A typed ladder, or what is wrong with it. Commas within numbers are not taken: they separate units. */
export function readLadder(text: string): { readonly ladder: Rung[] } | { readonly fault: string } {
  if (text.trim() === '') return { ladder: [] };
  const parts = text.split(',').map(part => /^\s*(.{0,12}?)\s*=\s*(\S+)\s*$/.exec(part));
  const rungs = parts.map(match => ({ symbol: match?.[1] ?? '', size: Number(match?.[2] ?? NaN) }));
  const wrong = rungs.findIndex(({ size }) => !(size > 0 && Number.isFinite(size)));
  if (wrong !== -1)
    return { fault: `“${text.split(',')[wrong]?.trim()}” is no unit. Write each as its symbol = its size, such as kg = 1000.` };
  const fallen = rungs.findIndex(({ size }, i) => i > 0 && size <= (rungs[i - 1]?.size ?? 0));
  if (fallen === -1) return { ladder: rungs };
  const [before, here] = [rungs[fallen - 1] as Rung, rungs[fallen] as Rung];
  return { fault: `${here.symbol || here.size} must be larger than ${before.symbol || before.size}: the units of a ladder rise.` };
}
