import { collapsesIn, contrastOf } from 'core/colour';
import { LIVERIES, liverySchema } from 'core/document';
import { COLOUR_NAMES } from 'core/glyph';

const pairsOf = <T>(items: readonly T[]): [T, T][] => items.flatMap((a, i) => items.slice(i + 1).map((b): [T, T] => [a, b]));
// Grey has no more than these that are told apart and stand out from white.
const GREYS = ['brass', 'slate', 'clay'];

describe('liveries that come with Cowbell', () => {
  it('are five, two of them dark, one in grey', () => {
    const dark = LIVERIES.filter(({ ground }) => contrastOf(ground, '#000000') < 3);
    const grey = LIVERIES.filter(livery =>
      [livery.base, ...Object.values(livery.colours)].every(hex => hex.slice(1, 3) === hex.slice(3, 5)),
    );
    expect([LIVERIES.length, dark.length, grey.length]).toEqual([5, 2, 1]);
  });
  for (const livery of LIVERIES)
    describe(livery.name, () => {
      it('passes its schema', () => expect(liverySchema.safeParse(livery).success).toBeTrue());
      it('has text that reads and marks that stand out', () => {
        for (const text of [livery.ink, livery.soft]) expect(contrastOf(text, livery.ground)).toBeGreaterThanOrEqual(4.5);
        const marks = [livery.base, livery.quiet, ...Object.values(livery.colours), ...livery.series];
        for (const mark of marks) expect(contrastOf(mark, livery.ground)).withContext(mark).toBeGreaterThanOrEqual(3);
      });
      it('has emphases that are told apart in every vision', () => {
        expect(Object.keys(livery.colours).sort()).toEqual([...COLOUR_NAMES].sort());
        const names = livery.name === 'Ink on paper' ? GREYS : COLOUR_NAMES.filter(name => name !== 'ink');
        const told = [...names, 'quiet'].map(name => [name, livery.colours[name] ?? livery.quiet] as const);
        expect(
          pairsOf(told).flatMap(([[a, one], [b, other]]) => collapsesIn(one, other).map(vision => `${a} and ${b} in ${vision}`)),
        ).toEqual([]);
      });
      it('has series that are told apart', () => {
        if (livery.name === 'Ink on paper') return expect(new Set(livery.series).size).toBe(6);
        expect(pairsOf(livery.series).flatMap(([a, b]) => collapsesIn(a, b).map(vision => `${a} and ${b} in ${vision}`))).toEqual([]);
      });
    });
});
