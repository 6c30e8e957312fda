import type { Figure } from 'core/document';
import { cueKinds, cueFactsOf } from 'core/cue';
import { plainMeasure } from 'core/frame';
import { readSentence } from 'core/sentence';
import { briefOf, chooseWord, firstFigure, subjectOf, type TableFacts } from './index';

const table: TableFacts = {
  id: 't',
  name: 't',
  rowCount: 10,
  units: {},
  columns: [
    { name: 'hut', type: 'text' },
    { name: 'actual', type: 'number' },
    { name: 'share', type: 'number' },
    { name: 'd', type: 'date' },
  ],
};
const first = firstFigure('f', table);
const own = { shape: null, axis: 'first' as const, format: null };
const figure: Figure = {
  ...first,
  data: {
    ...first.data,
    measures: [plainMeasure('actual', 'sum(actual)')],
    helpers: [
      { name: 'tenth', formula: 'actual / 10', scope: { kind: 'own' }, ...own },
      { name: 'change', formula: '"actual" - lag(actual)', scope: { kind: 'along', column: 'actual', within: [] }, ...own },
    ],
    whatIfs: [{ by: 'hut', category: 'A', split: [], measure: 'actual', value: 5 }],
  },
  cues: [
    {
      ...cueKinds.extremes.create('c', cueFactsOf({ category: 'hut', measures: ['actual'] })),
      looks: { highest: { colour: 'brass', outline: false, glyph: '', label: 'text', text: '{actual as one} of {sum(actual) over ()} L' } },
    },
  ],
};
const about = (now: Figure) => subjectOf(now, [table]);
function changed(token: string, value: string, from = figure): Figure {
  const change = chooseWord(about(from), token, value);
  return { ...from, ...(change.ok ? change.value : fail(`${token} was refused`)) };
}

describe('what speaks of a measure follows it', () => {
  const next = changed('measure:0', 'share');
  it('helper columns by hand, with their scopes', () =>
    expect(next.data.helpers.map(({ formula, scope }) => [formula, scope])).toEqual([
      ['"share" / 10', { kind: 'own' }],
      ['"share" - lag("share")', { kind: 'along', column: 'share', within: [] }],
    ]));
  it('words in braces', () => expect(next.cues[0]?.looks['highest']?.text).toBe('{"share" as one} of {sum("share") over ()} L'));
  it('what-if values stay with the formula they were given for', () => expect(next.data.whatIfs[0]?.measure).toBe('actual'));
  it('no scope is ever shown as it is stored', () => {
    const scope = { kind: 'along' as const, column: 'gone', within: ['nowhere'] };
    const odd = { ...figure, data: { ...figure.data, helpers: [{ name: 'h', formula: 'lag(actual)', scope, ...own }] } };
    expect(briefOf(about(odd)).helpers.map(({ said }) => readSentence(said))).toEqual([
      'Compute h along gone within each nowhere, in the ledger only.',
    ]);
  });
});

describe('sentences say what is computed', () => {
  it('a formula whose windows are all its own looks just as written', () => {
    const scope = { kind: 'along' as const, column: 'd', within: ['hut'] };
    const ranked = {
      ...figure,
      data: { ...figure.data, helpers: [{ name: 'r', formula: 'rank() over (order by actual desc)', scope, ...own }] },
    };
    expect(briefOf(about(ranked)).helpers.map(({ said }) => readSentence(said))).toEqual([
      'Compute r just as written, in the ledger only.',
    ]);
  });
  const stepped = { ...figure, data: { ...figure.data, category: 'd', step: { kind: 'grain' as const, grain: 'month' as const } } };
  const cases: readonly [name: string, figure: Figure, emptyRows: number, says: string | null][] = [
    ['steps that leave gaps', stepped, 2, 'An empty month is missing.'],
    ['steps that leave none', stepped, 0, null],
    ['a decision that was made', { ...stepped, data: { ...stepped.data, empty: 'zero' } }, 0, 'An empty month counts as zero.'],
    ['averages', { ...stepped, data: { ...stepped.data, measures: [plainMeasure('m', 'avg(actual)')] } }, 2, null],
    ['counts', { ...stepped, data: { ...stepped.data, measures: [plainMeasure('m', 'count(*)')] } }, 2, null],
    ['no steps', figure, 2, null],
  ];
  for (const [name, shown, emptyRows, says] of cases)
    it(`empty periods of ${name}`, () => {
      const words = readSentence(briefOf(subjectOf(shown, [table], [], { emptyRows, marks: [], titles: [] })).shape.said);
      if (says) expect(words).toContain(says);
      else expect(words).not.toContain('An empty');
    });
  it('choosing it changes the figure', () => expect(changed('empty', 'zero', stepped).data).toEqual({ ...stepped.data, empty: 'zero' }));
  it('panels say whether they share a scale', () => {
    const panels = { ...figure, data: { ...figure.data, panel: 'hut' } };
    expect(briefOf(about(panels)).scales.finer.map(readSentence)).toContain('The panels share one scale.');
    expect(changed('panel-scales', 'free', panels).scales.panels).toBe('free');
  });
  it('ends of an axis that would cross are refused at the word', () => {
    const bounded = {
      ...figure,
      scales: { ...figure.scales, axes: { ...figure.scales.axes, first: { ...figure.scales.axes.first, high: 60 } } },
    };
    const low = briefOf(about(bounded))
      .scales.finer.flat()
      .find(part => typeof part !== 'string' && part.key === 'low:first');
    const check = low && typeof low !== 'string' && low.input.kind === 'entry' ? low.input.check : () => '';
    expect(check('100')).toBe('The axis would run backwards: its lower end, 100, must lie below its upper end, 60.');
    expect([check('60'), check('59'), check('fitting'), check('x')].map(Boolean)).toEqual([true, false, false, true]);
  });
});

describe('sentences of a typical value', () => {
  const words = cueFactsOf({ category: 'hut', measures: ['actual'], counts: () => ({ there: 18, all: 20 }) });
  const cases: readonly [level: object, says: string][] = [
    [{ is: 'stat', stat: 'average' }, 'Draw the average of actual over the 18 huts with a value in the whole figure as'],
    [{ is: 'overall' }, 'Draw actual over all rows in the whole figure as'],
    [{ is: 'number', value: 50_000 }, 'Draw 50,000 beside actual as'],
    [{ is: 'formula', formula: 'max(actual) / 2' }, 'Draw = max(actual) / 2 beside actual in the whole figure as'],
  ];
  for (const [level, says] of cases)
    it(says, () => {
      const cue = { ...cueKinds.typical.create('c', words), level: level as never };
      expect(readSentence(cueKinds.typical.sentence(cue, words))).toContain(says);
    });
});

describe('edges of a band are found by their names', () => {
  const cases: readonly [measures: string[], by: string, edges: string[]][] = [
    [['milk', 'expected low', 'expected high'], 'edges', ['expected low', 'expected high']],
    [['upper_limit', 'milk', 'lower_limit'], 'edges', ['lower_limit', 'upper_limit']],
    [['min', 'max', 'value'], 'edges', ['min', 'max']],
    [['milkMin', 'milkMax', 'milk'], 'edges', ['milkMin', 'milkMax']],
    [['milk', 'cows', 'fat'], 'deviation', []],
    [['milk', 'minutes', 'maximal'], 'deviation', []],
    [['low', 'high'], 'deviation', []],
    [['yellow', 'highway', 'milk'], 'deviation', []],
  ];
  for (const [measures, by, edges] of cases)
    it(measures.join(', '), () => {
      const cue = cueKinds.band.create('c', cueFactsOf({ category: 'hut', measures }));
      const found = [cue.lower, cue.upper].flatMap(level => (level.is === 'column' ? [level.column] : []));
      expect([cue.by, found]).toEqual([by, edges] as never);
      expect(edges).not.toContain(cue.measure);
    });
});
