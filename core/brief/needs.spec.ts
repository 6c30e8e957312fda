import { cueFactsOf, cueKinds, kindOf, partnerOf, type Cue, type CueFacts } from 'core/cue';
import type { Figure } from 'core/document';
import { figure } from './first-figure/huts.spec';
import { candidatesOf, rangeOf, subjectOf, withCues, type TableFacts } from './index';

const stats = (low: number, high: number) => ({ there: 9, distinct: 9, whole: false, low, high });
const table: TableFacts = {
  id: 'd',
  name: 'nights',
  rowCount: 9,
  units: { fat: '%' },
  columns: [
    { name: 'hut', type: 'text' },
    { name: 'year', type: 'number' },
    { name: 'milk', type: 'number', stats: stats(10, 900) },
    { name: 'lowest cows', type: 'number', stats: stats(1, 20) },
    { name: 'highest cows', type: 'number', stats: stats(4, 40) },
    { name: 'planned milk', type: 'number', stats: stats(20, 800) },
    { name: 'fat', type: 'number', stats: stats(3, 5) },
  ],
};
const subject = subjectOf(figure, [table]);
const candidates = candidatesOf(subject);
const facts = (...measures: readonly string[]): CueFacts =>
  cueFactsOf({
    measures,
    candidates: [{ name: 'milk', formula: 'sum(milk)' }, ...candidates].filter(({ name }) => !measures.includes(name)),
    rangeOf: name => rangeOf(subject, candidates, name),
  });

describe('what a cue may need of the table', () => {
  it('every number column that is not measured yet, summed or averaged as it means something', () =>
    expect(candidates.map(({ formula }) => formula)).toEqual([
      'sum("lowest cows")',
      'sum("highest cows")',
      'sum("planned milk")',
      'avg(fat)',
    ]));

  const partners: readonly [words: CueFacts, measure: string, called: RegExp, expected: string][] = [
    [facts('milk'), 'milk', /plan/, 'planned milk'],
    [facts('milk'), 'milk', /nobody/, 'planned milk'],
    [facts('lowest cows'), 'lowest cows', /highest/, 'highest cows'],
    [facts('lowest cows'), 'lowest cows', /nobody/, 'highest cows'],
    [facts('milk', 'fat share'), 'milk', /nobody/, 'planned milk'],
    [cueFactsOf({ measures: ['milk', 'fat'] }), 'milk', /nobody/, 'fat'],
    [cueFactsOf({ measures: ['milk'] }), 'milk', /plan/, ''],
  ];
  for (const [words, measure, called, expected] of partners)
    it(`${measure} beside ${words.measures.join(', ')}, called ${called.source}: ${expected || 'none'}`, () =>
      expect(partnerOf(words, measure, called)).toBe(expected));

  const fresh: readonly [name: string, cue: Cue, columns: readonly string[]][] = [
    ['a span of what shows, with its other end', cueKinds.span.create('c', facts('lowest cows')), ['lowest cows', 'highest cows']],
    ['a span from the other end', cueKinds.span.create('c', facts('highest cows')), ['lowest cows', 'highest cows']],
    ['a plan of the table', cueKinds.plan.create('c', facts('milk')), ['milk', 'planned milk']],
    ['a plan that shows alone, against what was reached', cueKinds.plan.create('c', facts('planned milk')), ['milk', 'planned milk']],
    ['a span in a table of one number', cueKinds.span.create('c', cueFactsOf({ measures: ['milk'] })), ['milk', '']],
  ];
  for (const [name, cue, columns] of fresh) it(name, () => expect(kindOf(cue).columns(cue)).toEqual([...columns]));

  it('comes with the cue: measures that it looks at stand in the ledger only', () => {
    const cue = cueKinds.plan.create('c', facts('milk'));
    const { data, cues } = withCues(figure, [cue], candidates);
    expect(data?.measures.map(({ name, formula, shape }) => [name, formula, shape])).toEqual([
      ['milk', 'sum(milk)', null],
      ['planned milk', 'sum("planned milk")', 'none'],
    ]);
    expect(cues).toEqual([cue]);
    expect(withCues({ ...figure, data } as Figure, [cue], candidates).data).toBeUndefined();
  });
  it('what a cue marks is drawn', () =>
    expect(
      withCues(figure, [{ ...cueKinds.extremes.create('c', facts('milk')), measure: 'average fat' }], candidates).data?.measures[1]?.shape,
    ).toBeNull());
  it('the list of a word offers what can be added, and says so', () => {
    const cue = cueKinds.span.create('c', facts('milk'));
    const word = kindOf(cue)
      .sentence(cue, facts('milk'))
      .find(part => typeof part !== 'string' && part.key === 'high');
    const labels = typeof word === 'object' && word.input.kind === 'choice' ? word.input.options.map(({ label }) => label) : [];
    expect(labels).toEqual([
      'milk',
      'lowest cows, added to the ledger',
      'highest cows, added to the ledger',
      'planned milk, added to the ledger',
      'average fat, added to the ledger',
    ]);
  });
});
