import { messageFor } from 'core/result/words';
import type { Cell } from 'core/table';
import { applyCues, cueKinds, findCues, levelWords, readLevel, type CueKindName } from '../index';
import { applied, frameFor, make, words } from '../kinds/kind-frames.spec';
import { normalQuantile } from '../statistics/normal-quantile';

describe('finding a cue by typed words', () => {
  const queries: readonly [query: string, first: CueKindName, reads?: RegExp][] = [
    ['avg', 'typical', /Draw the average/],
    ['above plan', 'plan'],
    ['top 5', 'rank', /Mark the top 5 places/],
    ['bottom 2 b', 'rank', /Mark the bottom 2 places by b/],
    ['median', 'typical', /Draw the median/],
    ['running total', 'running', /running total of a over all rows so far/],
    ['moving average 7', 'running', /moving average of a over 7 rows/],
    ['p90', 'typical', /Draw the percentile 90/],
    ['p100', 'typical', /Draw the percentile 100/],
    ['top 0', 'rank', /Mark the top 3 places/],
    ['top 99999999', 'rank', /Mark the top 3 places/],
    ['moving average 1', 'running', /over 4 rows/],
    ['heat', 'gradient'],
    ['confidence', 'band'],
    ['if', 'rule'],
    ['year before', 'change'],
  ];
  for (const [query, first, reads = /./] of queries)
    it(query, () => {
      const [offer] = findCues(query, words);
      expect(offer?.kind).toBe(first);
      expect(offer?.reads).toMatch(reads);
    });
  it('all of them without a word, none for a strange one', () => {
    expect(findCues('', words).length).toBe(Object.keys(cueKinds).length);
    expect(findCues('qwertz', words)).toEqual([]);
    expect(findCues('p101', words)).toEqual([]);
  });
});

describe('levels, as they are typed', () => {
  const texts: readonly [text: string, reads: string | null][] = [
    ['3,000', '3,000'],
    ['−2.5', '-2.5'],
    ['A', 'a'],
    ['90 % of b', '90 % of b'],
    ['mean', 'average'],
    ['average - sd', 'average − 1 sd'],
    ['p95', 'percentile 95'],
    ['percentile 101', null],
    ['= max(a) / 2', '= max(a) / 2'],
    ['about ten', null],
    ['90 % of c', null],
    ['', null],
  ];
  for (const [text, reads] of texts)
    it(`“${text}”`, () => {
      const found = readLevel(text, ['a', 'b']);
      expect(found && levelWords(found)).toBe(reads);
    });
  // From published tables of the normal distribution.
  for (const [share, quantile] of [
    [0.5, 0],
    [0.975, 1.959964],
    [0.995, 2.575829],
    [0.01, -2.326348],
  ] as const)
    it(`the normal quantile of ${share}`, () => expect(normalQuantile(share)).toBeCloseTo(quantile, 6));
  it('knows no quantile of 1', () => expect(() => normalQuantile(1)).toThrowError(RangeError));
});

describe('what a cue has to say', () => {
  const cases: readonly [name: string, kind: CueKindName, change: object, a: Cell[], says: RegExp, rests: boolean][] = [
    ['no order', 'change', { scope: { kind: 'figure' } }, [1, 2], /needs an order/, true],
    ['no dates', 'change', { from: 'year' }, [1, 2], /only be found along dates/, true],
    ['no such row', 'rescale', { base: 'Z' }, [1, 2], /no hut called Z/, true],
    [
      'a formula that does not work',
      'rule',
      { branches: [{ name: 'x', when: 'c > 1' }] },
      [1, 2],
      /formula of branch does not work here: No column is called “c”/,
      true,
    ],
    ['negative parts', 'plan', { plan: 'b' }, [-1, 2], /negative/, false],
    ['a moving range without an order', 'band', { by: 'deviation', moving: 3 }, [1, 2], /needs an order/, true],
    ['all equal', 'gradient', {}, [2, 2], /are equal/, false],
  ];
  for (const [name, kind, change, a, says, rests] of cases)
    it(name, () => {
      const result = applied(make(kind, change), frameFor(a));
      expect(result.problems.map(messageFor).join()).toMatch(says);
      expect(result.helpers.length === 0).toBe(rests);
    });
  it('a cue whose formula fails leaves the others as they are', () => {
    const frame = frameFor([1, 2, 3]);
    const [bad, good] = applyCues([make('rule', { branches: [{ name: 'x', when: 'c > 1' }] }), make('extremes', {})], frame);
    expect([bad?.helpers.length, good?.helpers.length]).toEqual([0, 3]);
  });
  it('a later cue sees nothing of one that rests, not even the columns that worked', () => {
    const columns = [
      { name: 'half', formula: 'a / 2' },
      { name: 'broken', formula: 'c + 1' },
    ];
    const second = make('rule', { branches: [{ name: 'x', when: 'half > 1' }] });
    const [bad, later] = applyCues([make('rule', { columns, branches: [{ name: 'y', when: 'a > 0' }] }), second], frameFor([1, 4]));
    expect([bad?.helpers.length, later?.helpers.length]).toEqual([0, 0]);
    expect(later?.problems.map(messageFor).join()).toContain('No column is called “half”');
    const [, fine] = applyCues(
      [make('rule', { columns: columns.slice(0, 1), branches: [{ name: 'y', when: 'a > 0' }] }), second],
      frameFor([1, 4]),
    );
    expect(fine?.problems).toEqual([]);
  });
});
