import { frameOf, plainMeasure, type Frame } from 'core/frame';
import { messageFor } from 'core/result/words';
import { tableOf, type Cell } from 'core/table';
import { applyCues, asRule, cueKinds, kindOf, winnersOf, cueFactsOf, type CueKindName } from '../index';
import { level, valuesOf } from './kind-frames.spec';

// Names that helper columns would like to have.
const NAMES = [
  'average',
  'spread',
  'best',
  'difference',
  'factor',
  'first',
  'whole',
  'median',
  'highest',
  'rank',
  'lower',
  'step',
  'line',
  'score',
  'previous',
];

function frameWith(measures: readonly string[]): Frame {
  const columns = Object.fromEntries(
    measures.map((_, i) => [
      `c${i}`,
      [10, 40, 20, 30, 20, 5].map((value, row): Cell => (row === 4 && i === 1 ? null : value + i * ((row * 7) % 5))),
    ]),
  );
  const read = frameOf(tableOf({ hut: ['A', 'B', 'C', 'D', 'E', 'F'], g: ['x', 'x', 'x', 'y', 'y', 'y'], ...columns }), {
    table: 't',
    category: 'hut',
    step: null,
    outer: [],
    seriesStep: null,
    empty: 'missing',
    series: null,
    panel: null,
    measures: measures.map((name, i) => plainMeasure(name, `sum(c${i})`)),
    helpers: [],
    filters: [],
    order: { by: 'table' },
    whatIfs: [],
  });
  if (!read.ok) throw new Error(read.problems.map(messageFor).join());
  return read.value;
}

const changes: readonly (readonly [kind: CueKindName, change: object])[] = [
  ...(Object.keys(cueKinds) as CueKindName[]).map(kind => [kind, {}] as const),
  ['extremes', { scope: { kind: 'within', columns: ['g'] } }],
  ['rank', { n: 2, unit: 'places' }],
  ['rank', { n: 60, unit: 'share' }],
  ['typical', { level: level('median') }],
  ['change', { from: 'first', draw: 'joined' }],
  ['outlier', { method: 'mad', k: 0.5 }],
  ['band', { by: 'confidence', percent: 90 }],
  ['rescale', { base: 'C' }],
  ['gradient', { classes: 3 }],
  ['running', { n: 3, centred: true }],
  ['plan', { way: 'line', total: true }],
];

describe('a cue opened as formulas', () => {
  for (let at = 0; at < NAMES.length; at += 5)
    for (const [kind, change] of changes) {
      const measures = NAMES.slice(at, at + 5);
      const frame = frameWith(measures);
      const words = cueFactsOf({ category: 'hut', measures, scopes: ['g'] });
      const cue = { ...cueKinds[kind].create('c', words), ...change };
      it(`${kind} ${JSON.stringify(change)} over ${measures.join(', ')} draws, says and computes the same`, () => {
        const rule = asRule(cue, words, ['hut', 'g', ...measures]);
        const [own, opened] = [applyCues([cue], frame)[0], applyCues([rule], frame)[0]];
        if (!own || !opened) return fail('nothing applied');
        expect(own.helpers.length).toBeGreaterThan(0);
        expect(opened.problems).toEqual([]);
        for (const { part } of own.helpers.filter(helper => opened.helpers.some(other => other.part === helper.part)))
          expect([part, valuesOf(opened, part)]).toEqual([part, valuesOf(own, part)]);
        expect(opened.treatments.map(item => JSON.stringify(item)).sort()).toEqual(own.treatments.map(item => JSON.stringify(item)).sort());
        const colours = (list: typeof own) => {
          const { treatment } = winnersOf([list], 6, cue.measure);
          return Array.from(treatment, index => {
            const item = list.treatments[index];
            return item && 'look' in item ? item.look.colour : '';
          });
        };
        expect(colours(opened)).toEqual(colours(own));
      });
    }
  it('keeps both marks of a row that is the highest and the lowest', () => {
    const words = cueFactsOf({ category: 'hut', measures: ['m'] });
    const frame = { ...frameWith(['m']) };
    const cue = cueKinds.extremes.create('c', words);
    const within = { ...cue, scope: { kind: 'within' as const, columns: ['hut'] } };
    const opened = applyCues([asRule(within, words, ['hut', 'm'])], frame)[0];
    expect(opened && valuesOf(opened, 'highest')).toEqual([10, 40, 20, 30, 20, 5]);
    expect(opened && valuesOf(opened, 'lowest')).toEqual([10, 40, 20, 30, 20, 5]);
    expect(opened?.treatments.map(item => item.show === 'mark' && item.legend)).toEqual(['highest in each hut', 'lowest in each hut']);
  });
  it('a measure that takes the name of one of its columns leaves that column its meaning', () => {
    const words = cueFactsOf({ category: 'hut', measures: ['milk'] });
    const rule = asRule(cueKinds.typical.create('c', words), words, ['hut', 'milk']);
    const renamed = kindOf(rule).renamed(rule, 'milk', 'average');
    const before = applyCues([rule], frameWith(['milk']))[0];
    const after = applyCues([renamed], frameWith(['average']))[0];
    expect(before && after && valuesOf(after, 'above')).toEqual(before && valuesOf(before, 'above'));
    expect(after?.problems).toEqual([]);
  });
});
