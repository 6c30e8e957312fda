import { wcagContrast } from 'culori';

/** The least contrast of text, and of marks, on their ground. Source: WCAG 2.2, success criteria 1.4.3 and 1.4.11. */
export const [LEAST_TEXT, LEAST_MARK] = [4.5, 3];

// Of few colours many marks are made: each pair is reckoned once. Enough for every palette at hand, with a ramp's steps.
const KEPT = 4_000;
const known = new Map<string, number>();

/** Contrast of two hex colours, 1 to 21. Source: WCAG 2.2, contrast ratio. Cost: that of a look-up for a pair asked before. */
export function contrastOf(a: string, b: string): number {
  const pair = `${a} ${b}`;
  let contrast = known.get(pair);
  if (contrast === undefined) {
    if (known.size >= KEPT) known.clear();
    known.set(pair, (contrast = wcagContrast(a, b)));
  }
  return contrast;
}

/** Whether a hex colour has so much contrast on another. */
export const isReadable = (colour: string, ground: string, least: number): boolean => contrastOf(colour, ground) >= least;
