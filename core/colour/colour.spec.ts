import { collapsesIn, contrastOf, isReadable, nearestReadable, nearestToldApart } from './index';

describe('contrast', () => {
  // By hand: grey 119 has luminance 0.1845, so (1 + 0.05) / (0.1845 + 0.05) = 4.478.
  const cases: readonly [a: string, b: string, contrast: number][] = [
    ['#000000', '#ffffff', 21],
    ['#ffffff', '#ffffff', 1],
    ['#777777', '#ffffff', 4.478],
    ['#ff0000', '#ffffff', 3.998],
  ];
  for (const [a, b, contrast] of cases) it(`${a} on ${b}`, () => expect(contrastOf(a, b)).toBeCloseTo(contrast, 2));
  it('is enough or not', () =>
    expect([isReadable('#777777', '#ffffff', 4.5), isReadable('#767676', '#ffffff', 4.5)]).toEqual([false, true]));
});

describe('telling colours apart', () => {
  const cases: readonly [a: string, b: string, visions: string[]][] = [
    ['#000000', '#ffffff', []],
    ['#3b66a6', '#3b66a6', ['full colour vision', 'protanopia', 'deuteranopia', 'tritanopia']],
    ['#8a7a2e', '#5c8a3c', ['protanopia', 'deuteranopia']],
  ];
  for (const [a, b, visions] of cases)
    it(`${a} and ${b}`, () => {
      const found = collapsesIn(a, b);
      for (const vision of visions) expect(found as string[]).toContain(vision);
      expect(found.length === 0).toBe(visions.length === 0);
    });
});

describe('the nearest colour that passes', () => {
  it('is itself where it passes', () => expect(nearestReadable('#15302a', '#ffffff', 4.5)).toBe('#15302a'));
  it('is darker on white and lighter on black', () => {
    const [dark, light] = [nearestReadable('#aaaaaa', '#ffffff', 4.5) as string, nearestReadable('#444444', '#000000', 4.5) as string];
    expect([contrastOf(dark, '#ffffff') >= 4.5, contrastOf(light, '#000000') >= 4.5]).toEqual([true, true]);
    // One step further towards the first colour would not pass.
    expect(contrastOf(dark, '#ffffff')).toBeLessThan(4.8);
  });
  it('is told apart from all others', () => {
    const found = nearestToldApart('#417d47', ['#417d47', '#b5401f'], '#ffffff', 3) as string;
    expect(collapsesIn(found, '#417d47')).toEqual([]);
    expect(isReadable(found, '#ffffff', 3)).toBeTrue();
  });
  it('is none where none passes', () => expect(nearestReadable('#888888', '#888888', 22)).toBeNull());
});
