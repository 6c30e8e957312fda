import type { Livery } from 'core/plan';

/** Ink or background colour, whichever differs more in lightness from a colour. */
export function readableOn(colour: string, { ink, ground }: Pick<Livery, 'ink' | 'ground'>): string {
  return Math.abs(lightness(colour) - lightness(ink)) >= Math.abs(lightness(colour) - lightness(ground)) ? ink : ground;
}

// Shares of red, green and blue in how light a colour looks.
const SHARES = [0.3, 0.59, 0.11] as const;
const lightness = (hex: string): number => SHARES.reduce((sum, share, i) => sum + parseInt(hex.slice(1 + 2 * i, 3 + 2 * i), 16) * share, 0);
