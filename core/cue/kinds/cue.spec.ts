import { frameOf, plainMeasure, type Frame } from 'core/frame';
import { messageFor } from 'core/result/words';
import { readSentence } from 'core/sentence';
import { rememberStages } from 'core/stages';
import { cellAt, tableOf, type Cell } from 'core/table';
import { applyCues, cueKinds, cueSchema, kindOf, scopeValue, winnersOf, type Cue, type CueFacts, cueFactsOf } from '../index';

function frameFor(lists: Record<string, Cell[]>): Frame {
  const data = {
    table: 't',
    category: 'hut',
    step: null,
    outer: [],
    seriesStep: null,
    empty: 'missing' as const,
    series: null,
    panel: null,
    measures: [plainMeasure('milk', 'sum(litres)')],
    helpers: [],
    filters: [],
    order: { by: 'table' as const },
    whatIfs: [],
  };
  const read = frameOf(tableOf(lists), data);
  if (!read.ok) throw new Error(read.problems.map(messageFor).join());
  return read.value;
}

const words: CueFacts = cueFactsOf({ category: 'hut', measures: ['milk', 'fat'], scopes: ['valley'] });
type Extremes = Extract<Cue, { kind: 'extremes' }>;
const cue = (change: Partial<Extremes> = {}): Extremes => ({ ...cueKinds.extremes.create('c', words), ...change });
const huts = ['A', 'B', 'C', 'D', 'E'];
const valley = ['x', 'x', 'y', 'y', 'y'];

const helpersOf = (cues: Cue[], frame: Frame): Record<string, Cell[]> =>
  Object.fromEntries(
    applyCues(cues, frame).flatMap(({ helpers }) => helpers.map(({ name, column }) => [name, huts.map((_, row) => cellAt(column, row))])),
  );

describe('extremes: helper columns', () => {
  const cases: readonly [name: string, litres: Cell[], change: Partial<Extremes>, expected: Record<string, Cell[]>][] = [
    [
      'highest, lowest and the rest',
      [3, 9, 5, 1, 4],
      {},
      { highest: [null, 9, null, null, null], lowest: [null, null, null, 1, null], rest: [3, null, 5, null, 4] },
    ],
    [
      'ties are all marked',
      [9, 9, 1, 1, 4],
      {},
      { highest: [9, 9, null, null, null], lowest: [null, null, 1, 1, null], rest: [null, null, null, null, 4] },
    ],
    [
      'a missing value is neither, a zero may be',
      [null, 9, 0, 1, 4],
      {},
      { highest: [null, 9, null, null, null], lowest: [null, null, 0, null, null], rest: [null, null, null, 1, 4] },
    ],
    [
      'negative numbers',
      [-3, -9, -5, -1, -4],
      {},
      { highest: [null, null, null, -1, null], lowest: [null, -9, null, null, null], rest: [-3, null, -5, null, -4] },
    ],
    ['the highest alone', [3, 9, 5, 1, 4], { which: 'highest' }, { highest: [null, 9, null, null, null], rest: [3, null, 5, 1, 4] }],
    ['the lowest alone', [3, 9, 5, 1, 4], { which: 'lowest' }, { lowest: [null, null, null, 1, null], rest: [3, 9, 5, null, 4] }],
    [
      'within each valley',
      [3, 9, 5, 1, 4],
      { scope: { kind: 'within', columns: ['valley'] } },
      { highest: [null, 9, 5, null, null], lowest: [3, null, null, 1, null], rest: [null, null, null, null, 4] },
    ],
    ['all equal', [2, 2, 2, 2, 2], {}, { highest: [2, 2, 2, 2, 2], lowest: [2, 2, 2, 2, 2], rest: [null, null, null, null, null] }],
    ['switched off', [3, 9, 5, 1, 4], { on: false }, {}],
    ['all missing', [null, null, null, null, null], {}, {}],
  ];
  for (const [name, litres, change, expected] of cases)
    it(name, () => expect(helpersOf([cue(change)], frameFor({ hut: huts, valley, litres }))).toEqual(expected));

  it('marks do not depend on the order of rows', () => {
    const marked = (order: number[]): Set<Cell> => {
      const litres = [3, 9, 5, 9, 4];
      const frame = frameFor({ hut: order.map(i => huts[i] as string), litres: order.map(i => litres[i] as number) });
      const [highest] = applyCues([cue()], frame)[0]?.helpers ?? [];
      return new Set(huts.flatMap((_, row) => (cellAt(highest!.column, row) === null ? [] : [cellAt(frame.table.columns[0]!, row)])));
    };
    expect(marked([4, 2, 0, 1, 3])).toEqual(marked([0, 1, 2, 3, 4]));
  });
  it('every row with a value is in exactly one helper column', () => {
    for (let seed = 1; seed <= 50; seed++) {
      const litres = huts.map((_, i) => ((seed * (i + 3)) % 7 === 0 ? null : (seed * (i + 5)) % 11));
      const helpers = helpersOf([cue()], frameFor({ hut: huts, valley, litres }));
      if (!helpers['rest']) continue;
      const equal = new Set(litres.filter(value => value !== null)).size === 1;
      huts.forEach((_, row) => {
        const there = ['highest', 'lowest', 'rest'].filter(name => helpers[name]?.[row] !== null).length;
        expect(there).toBe(litres[row] === null ? 0 : equal ? 2 : 1);
      });
    }
  });
  it('a second cue names its columns apart, and none takes the name of data', () => {
    const frame = frameFor({ hut: huts, rest: ['a', 'a', 'b', 'b', 'b'], litres: [3, 9, 5, 1, 4] });
    expect(Object.keys(helpersOf([cue(), cue({ id: 'd' })], frame))).toEqual([
      'highest',
      'lowest',
      'rest 2',
      'highest 2',
      'lowest 2',
      'rest 3',
    ]);
  });
});

describe('cues that are applied again', () => {
  const rule = (id: string, formula: string): Cue => ({ ...cueKinds.rule.create(id, words), branches: [{ name: 'found', when: formula }] });
  const frame = frameFor({ hut: huts, litres: [3, 9, 5, 1, 4] });

  it('read what was computed before, though one between them cannot be computed', () => {
    const stages = rememberStages();
    const first = cue();
    applyCues([first], frame, stages);
    const [, broken, reads] = applyCues([first, rule('d', '"no such column" > 1'), rule('e', 'highest > 1')], frame, stages);
    expect([broken!.problems.length, broken!.helpers.length, reads!.problems, reads!.helpers.length > 0]).toEqual([1, 0, [], true]);
    expect(huts.map((_, row) => cellAt(reads!.helpers[0]!.column, row))).toEqual([null, 'found', null, null, null]);
  });

  const reading: readonly [formula: string, follows: boolean][] = [
    ['highest > 4', true],
    ['HIGHEST > 4', true],
    ['"highest" > 4', true],
    ['sum(highest) over () > 4', true],
    ['milk > 4', false],
    // Words that merely hold the name.
    ["hut = 'highests' or milk > 4", false],
  ];
  for (const [formula, follows] of reading)
    it(`${formula}: ${follows ? 'follows' : 'stays as it is after'} a change of the cue before`, () => {
      const stages = rememberStages();
      const cues = (which: 'highest' | 'both'): Cue[] => [cue({ which }), rule('d', formula)];
      const [before, after] = (['highest', 'both'] as const).map(which => applyCues(cues(which), frame, stages)[1]!);
      expect([before!.problems, after!.problems]).toEqual([[], []]);
      expect(after!.helpers === before!.helpers).toBe(!follows);
      expect(after!.helpers).toEqual(applyCues(cues('both'), frame)[1]!.helpers);
    });

  it('are the very same, but for the one that changed', () => {
    const stages = rememberStages();
    const [first, second] = [cue(), rule('d', 'milk > 4')];
    const before = applyCues([first, second], frame, stages);
    const after = applyCues([{ ...first, quiet: !first.quiet }, second], frame, stages);
    expect([after[0] === before[0], after[0]!.helpers === before[0]!.helpers, after[1] === before[1]]).toEqual([false, true, true]);
  });
});

describe('extremes: what it says', () => {
  it('reads as a sentence', () =>
    expect(readSentence(cueKinds.extremes.sentence(cue(), words))).toBe(
      'Mark the highest and the lowest of milk in the whole figure in brass and slate, with their values; quiet the rest.',
    ));
  const changes: readonly [token: string, value: string, reads: RegExp][] = [
    ['which', 'lowest', /^Mark the lowest of milk in the whole figure in slate,/],
    ['measure', 'fat', /of fat in/],
    ['scope', scopeValue({ kind: 'within', columns: ['valley'] }), /within each valley in/],
    ['scope', scopeValue({ kind: 'along', column: 'hut', descending: true, within: [] }), /along hut falling in/],
    ['scope', scopeValue({ kind: 'figure' }), /in the whole figure in/],
    ['look:highest:colour', '#102030', /in #102030 and slate/],
    ['labels', 'none', /, without labels;/],
    ['quiet', 'false', /leave the rest\.$/],
  ];
  for (const [token, value, reads] of changes)
    it(`${token} to ${value}`, () => {
      const kind = kindOf(cue());
      const changed = kind.change(cue(), token, value, words);
      expect(readSentence(kind.sentence(changed, words))).toMatch(reads);
      expect(cueSchema.safeParse(changed).success).toBe(true);
    });
  it('has no other token', () => expect(() => kindOf(cue()).change(cue(), 'glyph', 'x', words)).toThrowError(RangeError));

  const problems: readonly [name: string, litres: Cell[], change: Partial<Extremes>, says: RegExp, helpers: number][] = [
    ['no such measure', [1, 2, 3, 4, 5], { measure: 'fat' }, /There is no measure called fat here\. Choose milk\./, 0],
    ['no such scope', [1, 2, 3, 4, 5], { scope: { kind: 'within', columns: ['week'] } }, /week is not one value per hut/, 0],
    ['all missing', [null, null, null, null, null], {}, /Every value of milk is missing/, 0],
    ['one value', [null, 4, null, null, null], {}, /There is only one value of milk/, 3],
    ['all equal', [4, 4, 4, 4, 4], {}, /All values of milk are equal/, 3],
    ['nothing to say', [1, 2, 3, 4, 5], {}, /^$/, 3],
  ];
  for (const [name, litres, change, says, helpers] of problems)
    it(`says when there is ${name}`, () => {
      const [applied] = applyCues([cue(change)], frameFor({ hut: huts, valley, litres }));
      expect(applied?.problems.map(messageFor).join() ?? '').toMatch(says);
      expect(applied?.helpers.length).toBe(helpers);
    });

  const reasons: readonly [row: number, change: Partial<Extremes>, part: string, says: string][] = [
    [1, {}, 'highest', 'milk 9 is the highest of 5 huts'],
    [3, { scope: { kind: 'within', columns: ['valley'] } }, 'lowest', 'milk 1 is the lowest of 3 huts in y'],
  ];
  for (const [row, change, part, says] of reasons)
    it(says, () => {
      const frame = frameFor({ hut: huts, valley, litres: [3, 9, 5, 1, 4] });
      expect(kindOf(cue()).why(cue(change), { frame, row, part, helper: () => null, write: (_name, value) => String(value) })).toBe(says);
    });
});

describe('which cue wins a row', () => {
  it('the first that marks it', () => {
    const frame = frameFor({ hut: huts, valley, litres: [3, 9, 5, 1, 4] });
    const within = cue({ id: 'w', which: 'highest', scope: { kind: 'within', columns: ['valley'] } });
    const winners = (cues: Cue[]): number[] => [...winnersOf(applyCues(cues, frame), 5, 'milk').cue];
    expect(winners([cue(), within])).toEqual([-1, 0, 1, 0, -1]);
    expect(winners([within, cue()])).toEqual([-1, 0, 0, 1, -1]);
    expect(winners([])).toEqual([-1, -1, -1, -1, -1]);
  });
});
