import { asRule, cueKinds, cueSchema, kindOf, type CueKindName } from '../index';
import { along, applied, frameFor, make, n, valuesOf, words } from './kind-frames.spec';

// Measures of these names would take the place of helper columns of the same ones.
const TAKEN = ['hut', 'a', 'b', 'g'];

describe('sentences of every kind', () => {
  for (const name of Object.keys(cueKinds) as CueKindName[]) {
    const cue = make(name, {});
    const definition = kindOf(cue);
    it(`${name}: every word of it can be chosen, and gives a cue that can be stored`, () => {
      const tokens = [definition.sentence(cue, words), ...definition.finer(cue, words)].flat().filter(part => typeof part !== 'string');
      expect(tokens.length).toBeGreaterThan(2);
      for (const { key, input } of tokens) {
        const values = 'options' in input ? input.options.map(option => option.value) : input.kind === 'text' ? ['Word'] : [input.value];
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
      const [own, rule] = [applied(cue, frame), applied(asRule(cue, words, TAKEN), frame)];
      const marks = own.treatments.filter(item => item.show === 'mark').map(item => item.part);
      expect(rule.problems).toEqual([]);
      for (const part of marks) expect([part, valuesOf(rule, part)]).toEqual([part, valuesOf(own, part)]);
      expect(rule.treatments.map(item => item.show).sort()).toEqual(own.treatments.map(item => item.show).sort());
      expect(cueSchema.safeParse(asRule(cue, words, TAKEN)).success).toBe(true);
    });
  }
});

describe('a cue says how many rows it saw', () => {
  const among = { ...words, counts: () => ({ there: 18, all: 20 }) };
  const steps = (edge: object): object => ({
    steps: [
      { name: 'low', upTo: edge },
      { name: 'high', upTo: null },
    ],
  });
  const cases: readonly [kind: CueKindName, change: object, says: boolean][] = [
    ['threshold', steps({ is: 'stat', stat: 'average' }), true],
    ['threshold', steps({ is: 'number', value: 3 }), false],
    ['band', { by: 'deviation' }, true],
    ['band', { by: 'edges', lower: { is: 'percentile', percentile: 10 }, upper: { is: 'number', value: 9 } }, true],
    ['band', { by: 'edges', lower: { is: 'number', value: 1 }, upper: { is: 'number', value: 9 } }, false],
    ['band', { by: 'deviation', moving: 4, scope: along }, false],
    ['gradient', {}, true],
    ['outlier', {}, true],
    ['outlier', { scope: { kind: 'within', columns: ['g'] } }, false],
    ['rescale', { to: 'z' }, true],
    ['rescale', { to: 'index' }, false],
    ['rank', { unit: 'share' }, true],
    ['rank', {}, false],
  ];
  for (const [kind, change, says] of cases)
    it(`${kind} ${JSON.stringify(change)}`, () => {
      const cue = { ...make(kind, { scope: { kind: 'figure' } }), ...change };
      const texts = kindOf(cue)
        .finer(cue as never, among)
        .flat();
      expect(texts.includes('Computed over the 18 huts with a value.')).toBe(says);
    });
});

describe('a line at a level says of what, over what and where it is computed', () => {
  const among = { ...words, counts: () => ({ there: 18, all: 20 }) };
  const within = { kind: 'within', columns: ['g'] };
  const cases: readonly [level: object, scope: object, says: string][] = [
    [{ is: 'stat', stat: 'maximum' }, { kind: 'figure' }, 'the maximum of a over the 18 huts with a value in the whole figure'],
    [{ is: 'stat', stat: 'maximum' }, within, 'the maximum of a over the huts within each g'],
    [{ is: 'percentile', percentile: 90 }, within, 'the percentile 90 of a over the huts within each g'],
    [{ is: 'end', end: 'first', along: 'hut', descending: false }, within, 'the first of a over the huts within each g'],
    [{ is: 'overall' }, within, 'a over all rows within each g'],
    [{ is: 'formula', formula: 'avg(a)' }, within, '= avg(a) beside a within each g'],
    [{ is: 'column', column: 'b' }, within, 'b beside a'],
    [{ is: 'number', value: 5000 }, { kind: 'figure' }, '5,000 beside a'],
  ];
  for (const kind of ['reference', 'typical'] as const)
    for (const [level, scope, says] of cases)
      it(`${kind}: ${says}`, () => {
        const cue = { ...make(kind, { scope }), level };
        const sentence = kindOf(cue).sentence(cue as never, among);
        expect(sentence.map(part => (typeof part === 'string' ? part : part.text)).join('')).toContain(`Draw ${says} as a `);
      });
});
