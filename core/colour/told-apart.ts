import { converter, differenceCiede2000, filterDeficiencyDeuter, filterDeficiencyProt, filterDeficiencyTrit, type Color } from 'culori';

/** A way to see colours. */
export type Vision = 'full colour vision' | 'protanopia' | 'deuteranopia' | 'tritanopia';

type See = (colour: string) => Color | string | undefined;

/** How colours look in each. Source: Machado, Oliveira and Fernandes, 2009, at full severity. */
const VISIONS: readonly (readonly [Vision, See])[] = [
  ['full colour vision', colour => colour],
  ['protanopia', filterDeficiencyProt(1) as See],
  ['deuteranopia', filterDeficiencyDeuter(1) as See],
  ['tritanopia', filterDeficiencyTrit(1) as See],
];
// Colours this far apart are told apart, by CIEDE2000; so are those whose lightness differs by that much, in CIE L*.
const [LEAST_DIFFERENCE, LEAST_LIGHTNESS] = [8, 12];

const difference = differenceCiede2000();
const lab65 = converter('lab65');

/** CIE L* of a hex colour, 0 to 100. */
const lightnessOf = (colour: string): number => lab65(colour)?.l ?? NaN;

/** The visions in which two hex colours are not told apart, neither by colour nor by lightness. Source: CIEDE2000. */
export function collapsesIn(a: string, b: string): Vision[] {
  if (Math.abs(lightnessOf(a) - lightnessOf(b)) >= LEAST_LIGHTNESS) return [];
  return VISIONS.flatMap(([vision, see]) => (difference(see(a) as string, see(b) as string) < LEAST_DIFFERENCE ? [vision] : []));
}
