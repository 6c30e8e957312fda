import { asRule, cueKinds, cueSchema, kindOf, type CueKindName } from './index';
import { applied, frameFor, make, n, valuesOf, words } from './kind-frames.spec';

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
      const [own, rule] = [applied(cue, frame), applied(asRule(cue), frame)];
      const marks = own.treatments.filter(item => item.show === 'mark').map(item => item.part);
      expect(rule.problems).toEqual([]);
      for (const part of marks) expect([part, valuesOf(rule, part)]).toEqual([part, valuesOf(own, part)]);
      expect(rule.treatments.map(item => item.show).sort()).toEqual(own.treatments.map(item => item.show).sort());
      expect(cueSchema.safeParse(asRule(cue)).success).toBe(true);
    });
  }
});
