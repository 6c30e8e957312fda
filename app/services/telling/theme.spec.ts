import {
  converter,
  differenceCiede2000,
  filterDeficiencyDeuter,
  filterDeficiencyProt,
  filterDeficiencyTrit,
  wcagContrast,
  type Color,
} from 'culori';
import { COLOUR_NAMES } from 'core/glyph';
import { readLivery, type ThemeChoice } from './theme';

const difference = differenceCiede2000();
/** CIE L*, from 0 to 100. */
const lightness = (colour: string): number => lab65(colour)?.l ?? NaN;
const lab65 = converter('lab65');
const pairsOf = <T>(items: readonly T[]): [T, T][] => items.flatMap((a, i) => items.slice(i + 1).map((b): [T, T] => [a, b]));
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

    const emphases = COLOUR_NAMES.filter(name => name !== 'ink');
    const sets: readonly [of: string, colours: readonly (readonly [name: string, colour: string])[]][] = [
      ['emphasis', emphases.map(name => [name, livery.colours[name] as string])],
      ['series', livery.series.map((colour, i) => [`series ${i + 1}`, colour])],
      ['quiet series', (livery.quietSeries ?? []).map((colour, i) => [`quiet series ${i + 1}`, colour])],
    ];
    for (const [of, members] of sets)
      it(`every pair of ${of} colours is told apart in every vision, by colour or by lightness`, () => {
        expect(members.length).toBe(6);
        const close = pairsOf(members).flatMap(([[a, first], [b, second]]) => {
          if (Math.abs(lightness(first) - lightness(second)) >= 12) return [];
          return visions.flatMap(([vision, see]) => (difference(see(first), see(second)) < 8 ? [`${a} and ${b} in ${vision}`] : []));
        });
        expect(close).toEqual([]);
      });

    for (const [vision, see] of visions)
      for (const [a, b] of pairs)
        it(`${a} and ${b} are told apart in ${vision}`, () =>
          expect(difference(see(colours[a] as string), see(colours[b] as string))).toBeGreaterThanOrEqual(15));
  });
