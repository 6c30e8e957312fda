import { differenceCiede2000, filterDeficiencyDeuter, filterDeficiencyProt, filterDeficiencyTrit, wcagContrast, type Color } from 'culori';
import { COLOUR_NAMES } from 'core/glyph';
import { readLivery, type ThemeChoice } from './theme';

const difference = differenceCiede2000();
const visions: readonly [name: string, see: (colour: Color | string) => Color | string][] = [
  ['full colour vision', colour => colour],
  ['protanopia', filterDeficiencyProt(1) as (colour: Color | string) => Color],
  ['deuteranopia', filterDeficiencyDeuter(1) as (colour: Color | string) => Color],
  ['tritanopia', filterDeficiencyTrit(1) as (colour: Color | string) => Color],
];
// Pairs that a cue sets against each other by default, and each against what steps back.
const pairs: readonly [a: string, b: string][] = [
  ['brass', 'slate'],
  ['brass', 'quiet'],
  ['slate', 'quiet'],
];
const variable = (name: string): string => getComputedStyle(document.documentElement).getPropertyValue(`--${name}`).trim();

for (const theme of ['light', 'dark'] satisfies ThemeChoice[])
  describe(`colours, ${theme}`, () => {
    const livery = readLivery(theme);
    const colours: Readonly<Record<string, string>> = { ...livery.colours, quiet: livery.quiet, base: livery.base };

    beforeAll(() => void readLivery(theme));

    for (const text of ['ink', 'soft', 'accent-ink', 'warn-ink'])
      for (const ground of ['ground', 'surface', 'raised', 'accent-wash', 'figure-ground'])
        it(`${text} on ${ground} reads at 4.5 : 1`, () =>
          expect(wcagContrast(variable(text), variable(ground))).toBeGreaterThanOrEqual(4.5));

    for (const name of [...COLOUR_NAMES, 'base', 'quiet'])
      it(`${name} marks stand out from the figure's ground at 3 : 1`, () =>
        expect(wcagContrast(colours[name] as string, livery.ground)).toBeGreaterThanOrEqual(3));

    for (const [vision, see] of visions)
      for (const [a, b] of pairs)
        it(`${a} and ${b} are told apart in ${vision}`, () =>
          expect(difference(see(colours[a] as string), see(colours[b] as string))).toBeGreaterThanOrEqual(15));
  });
