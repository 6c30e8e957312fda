import { frameOf, plainMeasure, type Frame } from 'core/frame';
import { messageFor } from 'core/result';
import { cellAt, makeTable, named, tableOf, valuesFrom, type Cell } from 'core/table';
import {
  applyCues,
  asRule,
  cueKinds,
  cueSchema,
  findCues,
  kindOf,
  readLevel,
  levelWords,
  type AppliedCue,
  type Cue,
  type CueKindName,
  type CueWords,
} from './index';
import { normalQuantile } from './normal-quantile';

const HUTS = ['A', 'B', 'C', 'D', 'E', 'F'];
const DAYS = ['2030-06-03', '2030-06-10', '2030-06-17', '2031-06-02', '2031-06-10', '2031-06-16'];
const words: CueWords = { category: 'hut', measures: ['a', 'b'], scopes: ['g'], along: { column: 'hut', descending: false } };
const along = { kind: 'along' as const, column: 'hut', descending: false, within: null };

/** A frame of huts A to F with measures a and b, groups x x x y y y, and a date per hut. */
function frameFor(a: Cell[], b: Cell[] = a, by = 'hut'): Frame {
  const rows = HUTS.slice(0, a.length);
  const table = makeTable('t', [
    ...tableOf({ hut: rows, g: ['x', 'x', 'x', 'y', 'y', 'y'].slice(0, a.length), a_: a, b_: b }).columns,
    named('day', valuesFrom('date', DAYS.slice(0, a.length))),
  ]);
  const data = {
    table: 't',
    category: by,
    step: null,
    series: null,
    panel: null,
    measures: [plainMeasure('a', 'sum(a_)'), plainMeasure('b', 'sum(b_)')],
    helpers: [],
    filters: [],
    order: { by: 'table' as const },
    whatIfs: [],
  };
  const read = frameOf(table, data);
  if (!read.ok) throw new Error(read.problems.map(messageFor).join());
  return read.value;
}

const make = (kind: CueKindName, change: object): Cue => ({ ...cueKinds[kind].create('c', words), ...change }) as Cue;
const applied = (cue: Cue, frame: Frame): AppliedCue => applyCues([cue], frame)[0] as AppliedCue;
const valuesOf = ({ helpers }: AppliedCue, part: string): Cell[] | undefined => {
  const column = helpers.find(helper => helper.part === part)?.column;
  return column && Array.from({ length: column.data.length }, (_, row) => cellAt(column, row));
};
const close = (cells: Cell[] | undefined): Cell[] | undefined =>
  cells?.map(value => (typeof value === 'number' ? Number(value.toFixed(6)) : value));

const n = null;
const level = (text: string) => readLevel(text, ['a', 'b']);

describe('helper columns of every kind, by hand', () => {
  const A = [10, 40, 20, 30, 20, 0];
  const cases: readonly [name: string, kind: CueKindName, change: object, a: Cell[], b: Cell[], parts: Record<string, Cell[]>][] = [
    [
      'rank: ties share a place, all at the edge are in',
      'rank',
      { n: 3 },
      A,
      A,
      { rank: [5, 1, 3, 2, 3, 6], in: [n, 40, 20, 30, 20, n], rest: [10, n, n, n, n, 0] },
    ],
    ['rank: a missing value has no place', 'rank', { n: 2 }, [5, n, 7], [5, n, 7], { rank: [2, n, 1], in: [5, n, 7] }],
    ['rank: bottom', 'rank', { n: 1, end: 'bottom' }, A, A, { rank: [2, 6, 3, 5, 3, 1], in: [n, n, n, n, n, 0] }],
    ['rank: a third of the places', 'rank', { n: 34, unit: 'percent' }, A, A, { in: [n, 40, 20, 30, 20, n] }],
    [
      'rank: those that together make half the total',
      'rank',
      { n: 50, unit: 'share' },
      A,
      A,
      { 'cumulated share': [1, 1 / 3, 11 / 12, 7 / 12, 11 / 12, 1].map(value => Number(value.toFixed(6))), in: [n, 40, n, 30, n, n] },
    ],
    ['rank: within a group', 'rank', { n: 1, scope: { kind: 'within', column: 'g' } }, A, A, { in: [n, 40, n, 30, n, n] }],
    [
      'threshold: steps with the edge in the lower one',
      'threshold',
      {
        steps: [
          { name: 'low', upTo: level('10') },
          { name: 'middle', upTo: level('20') },
          { name: 'high', upTo: n },
        ],
      },
      [10, 40, 20, n],
      [n, n, n, n],
      { step: ['low', 'high', 'middle', n], low: [10, n, n, n], middle: [n, n, 20, n], high: [n, 40, n, n] },
    ],
    [
      'threshold: the edge in the upper one',
      'threshold',
      {
        edge: 'upper',
        steps: [
          { name: 'low', upTo: level('10') },
          { name: 'high', upTo: n },
        ],
      },
      [10, 9],
      [n, n],
      { step: ['high', 'low'] },
    ],
    [
      'threshold: a share of another column, an average with deviations',
      'threshold',
      {
        steps: [
          { name: 'low', upTo: level('50 % of b') },
          { name: 'middle', upTo: level('average + 1 sd') },
          { name: 'high', upTo: n },
        ],
      },
      [10, 40, 20, 30],
      [30, 40, 50, 20],
      // Average 25, sample standard deviation √(500/3) = 12.909944.
      { 'edge 1': [15, 20, 25, 10], 'edge 2': [37.909944, 37.909944, 37.909944, 37.909944], step: ['low', 'high', 'low', 'middle'] },
    ],
    [
      'plan: reached, short by, beyond',
      'plan',
      { plan: 'b' },
      [10, 40, 20, n, 5],
      [15, 30, 20, 7, n],
      { reached: [10, 30, 20, n, n], 'short by': [5, 0, 0, n, n], beyond: [0, 10, 0, n, n], whole: [15, 40, 20, n, n] },
    ],
    [
      'plan: below and above, the plan as a line',
      'plan',
      { plan: 'b', way: 'line' },
      [10, 40],
      [15, 30],
      { reached: [10, 30], beyond: [0, 10], 'plan line': [15, 30] },
    ],
    [
      'typical: the average, equal counts as above',
      'typical',
      {},
      [10, 20, 30, n],
      [n, n, n, n],
      { line: [20, 20, 20, 20], above: [n, 20, 30, n], below: [10, n, n, n], difference: [-10, 0, 10, n] },
    ],
    ['typical: a percentile', 'typical', { level: level('p75') }, [10, 20, 30, 40], [n, n, n, n], { line: [32.5, 32.5, 32.5, 32.5] }],
    [
      'typical: the median within a group',
      'typical',
      { level: level('median'), scope: { kind: 'within', column: 'g' } },
      A,
      A,
      { line: [20, 20, 20, 20, 20, 20] },
    ],
    ['typical: a formula', 'typical', { level: level('= 2 * min(b)') }, [1, 2, 3], [4, 5, 6], { line: [8, 8, 8] }],
    ['reference: a column, a number', 'reference', { level: level('b') }, [1, 2], [4, n], { reference: [4, n] }],
    ['reference: a number per row', 'reference', { level: level('1,250') }, [1, 2], [4, n], { reference: [1250, 1250] }],
    [
      'change: from the one before, the first has none',
      'change',
      {},
      [10, 15, 12, 12, n],
      [n, n, n, n, n],
      {
        previous: [n, 10, 15, 12, 12],
        difference: [n, 5, -3, 0, n],
        'percent change': [n, 0.5, -0.2, 0, n],
        direction: [n, 'rise', 'fall', 'level', n],
        rise: [n, 15, n, n, n],
      },
    ],
    [
      'change: a first row of zero',
      'change',
      { first: 'zero', as: 'difference' },
      [10, 15],
      [n, n],
      { difference: [0, 5], direction: ['level', 'rise'] },
    ],
    ['change: a first row of 5 %', 'change', { first: 'value', value: level('5') }, [10, 15], [n, n], { 'percent change': [0.05, 0.5] }],
    [
      'change: from the first',
      'change',
      { from: 'first' },
      [10, 15, 5],
      [n, n, n],
      { first: [10, 10, 10], 'percent change': [0, 0.5, -0.5] },
    ],
    [
      'change: from nothing has no percent; from below zero it has',
      'change',
      {},
      [0, 5, -10, -5],
      [n, n, n, n],
      { 'percent change': [n, n, -3, 0.5] },
    ],
    ['change: within each group', 'change', { scope: { ...along, within: 'g' } }, A, A, { previous: [n, 10, 40, n, 30, 20] }],
    [
      'span',
      'span',
      { high: 'b' },
      [3, 8, n],
      [7, 5, 1],
      {
        low: [3, 5, n],
        high: [7, 8, n],
        spread: [4, 3, n],
        middle: [5, 6.5, n],
        'average low': [4, 4, 4],
        'average high': [7.5, 7.5, 7.5],
      },
    ],
    [
      'band: two edges',
      'band',
      { by: 'edges', lower: level('10'), upper: level('b') },
      [5, 15, 30, n],
      [20, 20, 20, 20],
      { lower: [10, 10, 10, 10], upper: [20, 20, 20, 20], outside: [5, n, 30, n], inside: [n, 15, n, n] },
    ],
    [
      'band: a centre and a width',
      'band',
      { by: 'width', centre: level('average'), width: level('4') },
      [10, 20],
      [n, n],
      { lower: [11, 11], upper: [19, 19] },
    ],
    // Mean 20, sample standard deviation 10.
    ['band: standard deviations', 'band', { by: 'deviation', k: 2 }, [10, 20, 30], [n, n, n], { lower: [0, 0, 0], upper: [40, 40, 40] }],
    // The standard error is 10 / √3 = 5.773503.
    ['band: standard errors', 'band', { by: 'error', k: 1 }, [10, 20, 30], [n, n, n], { lower: [14.226497, 14.226497, 14.226497] }],
    // 1.959964 × 5.773503 = 11.315857.
    [
      'band: a confidence interval',
      'band',
      { by: 'confidence', percent: 95 },
      [10, 20, 30],
      [n, n, n],
      { upper: [31.315857, 31.315857, 31.315857] },
    ],
    [
      'band: the middle half',
      'band',
      { by: 'percentiles', percent: 50 },
      [10, 20, 30, 40, 50],
      [n, n, n, n, n],
      { lower: [20, 20, 20, 20, 20], upper: [40, 40, 40, 40, 40] },
    ],
    // Two rows at a time: means 15, 25; standard deviations of two values apart by 10: 7.071068.
    [
      'band: moving',
      'band',
      { by: 'deviation', k: 1, moving: 2, scope: along },
      [10, 20, 30],
      [n, n, n],
      { lower: [n, 7.928932, 17.928932] },
    ],
    [
      'outlier: fences at the quartiles',
      'outlier',
      { k: 1.5 },
      [10, 11, 12, 13, 60],
      [n, n, n, n, n],
      {
        'lower quartile': [11, 11, 11, 11, 11],
        'upper quartile': [13, 13, 13, 13, 13],
        score: [-0.5, 0, 0, 0, 23.5],
        outlier: [n, n, n, n, 60],
      },
    ],
    [
      'outlier: standard deviations',
      'outlier',
      { method: 'deviation', k: 1 },
      [10, 20, 30, n],
      [n, n, n, n],
      { score: [-1, 0, 1, n], outlier: [n, n, n, n] },
    ],
    // Median 12; distances 2 1 0 1 48; their median 1.
    [
      'outlier: median absolute deviations',
      'outlier',
      { method: 'mad', k: 3 },
      [10, 11, 12, 13, 60],
      [n, n, n, n, n],
      { MAD: [1, 1, 1, 1, 1], score: [-2, -1, 0, 1, 48], outlier: [n, n, n, n, 60] },
    ],
    ['running: a total', 'running', { of: 'total', n: 0 }, [1, 2, n, 4], [n, n, n, n], { running: [1, 3, 3, 7] }],
    ['running: a moving average', 'running', { n: 2 }, [1, 3, 5, 7], [n, n, n, n], { running: [1, 2, 4, 6] }],
    ['running: around each row', 'running', { n: 3, of: 'median', centred: true }, [1, 9, 5, 7], [n, n, n, n], { running: [5, 5, 7, 6] }],
    ['rescale: an index', 'rescale', {}, [20, 30, 10], [n, n, n], { factor: [5, 5, 5], scaled: [100, 150, 50] }],
    ['rescale: the first that is there is 100', 'rescale', {}, [n, 20, 30], [n, n, n], { scaled: [n, 100, 150] }],
    ['rescale: a chosen row is 100', 'rescale', { base: 'B' }, [20, 40, 10], [n, n, n], { scaled: [50, 100, 25] }],
    ['rescale: share of the total', 'rescale', { to: 'share' }, [1, 3, n], [n, n, n], { scaled: [0.25, 0.75, n] }],
    ['rescale: 0 to 1', 'rescale', { to: 'unit' }, [10, 20, 30], [n, n, n], { scaled: [0, 0.5, 1] }],
    ['rescale: z-scores', 'rescale', { to: 'z' }, [10, 20, 30], [n, n, n], { scaled: [-1, 0, 1] }],
    [
      'rescale: the range of another',
      'rescale',
      { to: 'range', other: 'b' },
      [0, 5, 10],
      [100, 300, 200],
      { factor: [20, 20, 20], scaled: [100, 200, 300] },
    ],
    [
      'compare: another column',
      'compare',
      {},
      [5, 3, 4, n],
      [3, 5, 4, 1],
      { difference: [2, -2, 0, n], direction: ['more', 'less', 'equal', n], more: [5, n, n, n], less: [n, 3, n, n] },
    ],
    ['gradient: from light to deep', 'gradient', {}, [10, 20, 30, n], [n, n, n, n], { position: [0, 0.5, 1, n] }],
    ['gradient: equal values lie in the middle', 'gradient', {}, [4, 4], [n, n], { position: [0.5, 0.5] }],
    [
      'gradient: in classes',
      'gradient',
      { classes: 2 },
      [10, 19, 20, 30],
      [n, n, n, n],
      { class: [1, 1, 2, 2], shade: [0.25, 0.25, 0.75, 0.75] },
    ],
    // The far side reaches 40 from the midpoint: −10 lies a quarter of that below it.
    [
      'gradient: around a midpoint',
      'gradient',
      { way: 'diverging', midpoint: level('0') },
      [-10, 0, 40],
      [n, n, n],
      { position: [0.375, 0.5, 1] },
    ],
    [
      'rule: the first true branch takes a row',
      'rule',
      {
        branches: [
          { name: 'big', when: 'a > 25' },
          { name: 'even', when: 'a > 15 and b is null' },
        ],
      },
      [10, 40, 20, n],
      [n, n, n, n],
      { branch: [n, 'big', 'even', n], big: [n, 40, n, n], even: [n, n, 20, n] },
    ],
    [
      'extremes along an order: highest so far',
      'extremes',
      { which: 'highest', scope: along },
      [10, 8, 12, 12],
      [n, n, n, n],
      { highest: [10, n, 12, 12] },
    ],
  ];
  for (const [name, kind, change, a, b, parts] of cases)
    it(name, () => {
      const result = applied(make(kind, change), frameFor(a, b));
      expect(result.helpers.length).toBeGreaterThan(0);
      for (const [part, expected] of Object.entries(parts)) expect([part, close(valuesOf(result, part))]).toEqual([part, expected]);
    });

  it('change: the same day a year before, or the nearest week', () => {
    const scope = { kind: 'along', column: 'day', descending: false, within: null };
    const result = applied(make('change', { from: 'year', scope }), frameFor([1, 2, 3, 10, 20, 30], [n, n, n, n, n, n], 'day'));
    // 2 June 2031 has no such day before; 3 June 2030 lies 364 days back. 10 June has its own.
    expect(valuesOf(result, 'previous')).toEqual([n, n, n, 1, 2, 3]);
  });
});

describe('what holds for any values', () => {
  const lists = Array.from({ length: 40 }, (_, seed) =>
    HUTS.map((_hut, i): Cell => ((seed * (i + 3)) % 7 === 0 ? n : ((seed + 2) * (i + 5) * 37) % 101)),
  );
  const plans = lists.map(list => list.map((value, i): Cell => (value === n || i === 4 ? n : ((value as number) * 13 + i * 29) % 97)));
  const numbers = (cells: Cell[] | undefined): number[] => (cells ?? []).map(value => (typeof value === 'number' ? value : NaN));

  it('reached and short make the plan; reached and beyond make the actual', () =>
    lists.forEach((actual, at) => {
      const result = applied(make('plan', { plan: 'b' }), frameFor(actual, plans[at]));
      const [reached, short, beyond] = ['reached', 'short by', 'beyond'].map(part => numbers(valuesOf(result, part))) as [
        number[],
        number[],
        number[],
      ];
      reached.forEach((value, row) => {
        if (Number.isNaN(value)) return;
        expect(value + (short[row] as number)).toBe(plans[at]?.[row] as number);
        expect(value + (beyond[row] as number)).toBe(actual[row] as number);
      });
    }));
  it('ranks do not depend on the order of rows', () =>
    lists.forEach(list => {
      const ranks = (values: Cell[]): Map<Cell, Cell> => {
        const result = valuesOf(applied(make('rank', {}), frameFor(values)), 'rank') ?? [];
        return new Map(values.map((value, row) => [value, result[row] as Cell]));
      };
      const there = list.some(value => value !== n);
      if (there) expect(ranks([...list].reverse())).toEqual(new Map([...ranks(list)].reverse()));
    }));
  it('scaling there and back gives the values', () =>
    lists.forEach((list, at) => {
      const result = applied(make('rescale', { to: 'range', other: 'b' }), frameFor(list, plans[at]));
      const [scaled, factor] = ['scaled', 'factor'].map(part => numbers(valuesOf(result, part))) as [number[], number[]];
      const low = Math.min(...numbers(plans[at]).filter(value => !Number.isNaN(value)));
      const own = Math.min(...numbers(list).filter(value => !Number.isNaN(value)));
      scaled.forEach((value, row) => {
        if (!Number.isNaN(value) && factor[row] !== 0)
          expect((value - low) / (factor[row] as number) + own).toBeCloseTo(list[row] as number, 6);
      });
    }));
  it('every value is in one step, inside or outside, and above or below', () =>
    lists.forEach(list => {
      const frame = frameFor(list);
      for (const [kind, parts] of [
        ['threshold', ['low', 'middle', 'high']],
        ['band', ['inside', 'outside']],
        ['typical', ['above', 'below']],
      ] as const) {
        const result = applied(make(kind, kind === 'band' ? { by: 'deviation' } : {}), frame);
        if (result.helpers.length === 0) continue;
        const columns = parts.map(part => valuesOf(result, part) ?? []);
        list.forEach((value, row) => expect(columns.filter(column => column[row] !== n).length).toBe(value === n ? 0 : 1));
      }
    }));
});

describe('sentences of every kind', () => {
  for (const name of Object.keys(cueKinds) as CueKindName[]) {
    const cue = make(name, {});
    const definition = kindOf(cue);
    it(`${name}: every word of it can be chosen, and gives a cue that can be stored`, () => {
      const tokens = [definition.sentence(cue, words), ...definition.finer(cue, words)].flat().filter(part => typeof part !== 'string');
      expect(tokens.length).toBeGreaterThan(2);
      for (const { key, input } of tokens) {
        const values =
          'options' in input ? input.options.map(option => option.value) : input.kind === 'text' ? ['Word'] : [input.value as string];
        for (const value of values)
          expect([key, value, cueSchema.safeParse(definition.change(cue, key, value, words)).success]).toEqual([key, value, true]);
      }
    });
    it(`${name}: its measures are renamed wherever it speaks of them`, () => {
      const renamed = definition.renamed(definition.renamed(cue, 'a', 'milk'), 'b', 'planned');
      expect(applied(renamed, frameFor([1, 2, 3], [3, 2, 1])).problems.map(({ code }) => code)).toContain('cue-no-measure');
      expect(JSON.stringify(renamed)).not.toMatch(/"(a|b)"/);
    });
    it(`${name}: rests with a word where its measure is gone, or all missing`, () => {
      const gone = applied(make(name, { measure: 'nowhere' }), frameFor([1, 2, 3]));
      const empty = applied(cue, frameFor([n, n, n], [n, n, n]));
      expect([gone.helpers.length, gone.problems[0]?.code]).toEqual([0, 'cue-no-measure']);
      expect([empty.helpers.length, empty.problems[0]?.code]).toEqual([0, 'cue-all-missing']);
    });
    it(`${name}: one row does no harm, and says why it is marked`, () => {
      const frame = frameFor([5], [7]);
      const result = applied(cue, frame);
      const facts = {
        frame,
        row: 0,
        write: (_name: string, value: number) => String(value),
        helper: (part: string) => valuesOf(result, part)?.[0] ?? null,
      };
      for (const item of result.treatments)
        expect(definition.why(cue, { ...facts, part: 'part' in item ? item.part : '' })).not.toMatch(/undefined|NaN/);
    });
    it(`${name}: opened as formulas it computes the same`, () => {
      const frame = frameFor([10, 40, 20, 30, 20, 5], [12, 35, 20, 33, 18, 4]);
      const [own, rule] = [applied(cue, frame), applied(asRule(cue), frame)];
      const marks = own.treatments.filter(item => item.show === 'mark').map(item => item.part);
      expect(rule.problems).toEqual([]);
      for (const part of marks) expect([part, valuesOf(rule, part)]).toEqual([part, valuesOf(own, part)]);
      expect(rule.treatments.map(item => item.show).sort()).toEqual(own.treatments.map(item => item.show).sort());
      expect(cueSchema.safeParse(asRule(cue)).success).toBe(true);
    });
  }
});

describe('finding a cue by typed words', () => {
  const queries: readonly [query: string, first: CueKindName, reads?: RegExp][] = [
    ['avg', 'typical', /Draw the average/],
    ['above plan', 'plan'],
    ['top 5', 'rank', /Mark the top 5 places/],
    ['bottom 2 b', 'rank', /Mark the bottom 2 places by b/],
    ['median', 'typical', /Draw the median/],
    ['running total', 'running', /moving total of a over 0/],
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
});
