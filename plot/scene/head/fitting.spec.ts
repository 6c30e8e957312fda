import { reduceLine } from '../marks/reduce-line';
import { fitted, shortened, wrapped } from '../axes/shortened';

describe('long lines', () => {
  const wave = Float64Array.from({ length: 20_000 }, (_, i) => (i === 7_001 ? 500 : i === 13_333 ? -500 : Math.sin(i)));
  const marked = new Uint8Array(20_000);
  marked[4_242] = 1;
  const kept = reduceLine(wave, 100, marked);
  it('keep extremes, marked points and order, and no more than a few points per pixel', () => {
    for (const at of [0, 7_001, 13_333, 4_242, 19_999]) expect(kept).toContain(at);
    expect(kept.length).toBeLessThan(420);
    expect(kept.every((at, i) => i === 0 || at > (kept[i - 1] as number))).toBe(true);
  });
  it('keep what lies far apart when they are to scale: a pixel holds what lies on it', () => {
    // Twenty thousand seconds, of which the last hundred lie an hour apart: all of those show.
    const places = Float64Array.from(wave, (_, i) => (i < 19_900 ? i : 19_900 + (i - 19_900) * 3_600));
    const toScale = reduceLine(wave, 100, marked, places);
    expect(toScale.filter(at => at >= 19_900).length).toBe(100);
    expect(kept.filter(at => at >= 19_900).length).toBeLessThan(5);
    for (const at of [0, 7_001, 13_333, 4_242, 19_999]) expect(toScale).toContain(at);
    expect(toScale.length).toBeLessThan(520);
  });
  it('keep their gaps, and short ones keep all', () => {
    const gap = Float64Array.from(wave).fill(NaN, 10_000, 10_050);
    const around = reduceLine(gap, 100, marked).filter(at => at >= 9_999 && at <= 10_050);
    expect(around).toEqual([9_999, 10_000, 10_050]);
    expect(reduceLine(Float64Array.of(1, 2, 3), 100, marked)).toEqual([0, 1, 2]);
  });
});

describe('texts that must fit', () => {
  const width = (text: string): number => text.length;
  const cuts: readonly [text: string, longest: number, short: string][] = [
    ['Alm', 5, 'Alm'],
    ['Juniper Rise', 8, 'Juniper…'],
    ['🔔🔔🔔🔔', 3, '🔔🔔…'],
  ];
  for (const [text, longest, short] of cuts) it(`${text} in ${longest}`, () => expect(shortened(text, longest)).toBe(short));
  const lines: readonly [text: string, most: number, result: string[]][] = [
    ['one two three', 3, ['one two', 'three']],
    ['one two three four', 1, ['one two…']],
    ['unbreakable-word', 2, ['unbreak…']],
    ['', 2, []],
  ];
  for (const [text, most, result] of lines) it(`“${text}” in ${most} lines`, () => expect(wrapped(text, 8, most, width)).toEqual(result));
  it('cuts to a width', () => expect([fitted('abcdef', 4, width), fitted('abc', 4, width)]).toEqual(['abc…', 'abc']));
});
