import { frameOf, plainMeasure, type Frame } from 'core/frame';
import { messageFor } from 'core/result/words';
import { readSentence } from 'core/sentence';
import { cellAt, columnOf, tableOf, type Cell } from 'core/table';
import { aroundOf, asRule, kindOf, cueFactsOf, type CueKindName, type CueFacts } from '../index';
import { applied, make, valuesOf } from '../kinds/kind-frames.spec';

const n = null;

/** Two panels of two series over two or three weeks. */
function splitFrame(): Frame {
  const rows = [
    ['P', 'a', 1, 10],
    ['P', 'b', 1, 20],
    ['P', 'a', 2, 15],
    ['P', 'b', 2, 50],
    ['Q', 'a', 1, 100],
    ['Q', 'a', 2, 130],
    ['Q', 'a', 3, 400],
  ] as const;
  const at = (i: number) => rows.map(row => row[i] as Cell);
  const read = frameOf(tableOf({ panel: at(0), series: at(1), week: at(2), m: at(3) }), {
    table: 't',
    category: 'week',
    step: null,
    outer: [],
    seriesStep: null,
    empty: 'missing',
    series: 'series',
    panel: 'panel',
    measures: [plainMeasure('m_', 'sum(m)')],
    helpers: [],
    filters: [],
    order: { by: 'table' },
    whatIfs: [],
  });
  if (!read.ok) throw new Error(read.problems.map(messageFor).join());
  return read.value;
}

const frame = splitFrame();
const words: CueFacts = cueFactsOf({
  ...aroundOf(frame),
  measures: ['m_'],
  scopes: ['series', 'panel'],
  along: { column: 'week', descending: false },
});
const fresh = (kind: CueKindName, change: object = {}) => ({ ...kindOf({ kind }).create('c', words), ...change });
const both = 'within each series and panel';

describe('a fresh cue looks where the figure’s split says', () => {
  it('has the rows it is about', () =>
    expect(Array.from({ length: 7 }, (_, row) => cellAt(columnOf(frame.table, 'm_') as never, row))).toEqual([
      10, 20, 15, 50, 100, 130, 400,
    ]));
  const cases: readonly [kind: CueKindName, change: object, part: string, values: Cell[], says: string][] = [
    ['change', {}, 'previous', [n, n, 10, 20, n, 100, 130], `along week ${both}`],
    ['running', { of: 'total', n: 0 }, 'running', [10, 20, 25, 70, 100, 230, 630], `along week ${both}`],
    ['rescale', {}, 'scaled', [100, 100, 150, 250, 100, 130, 400], `along week ${both}`],
    ['rescale', { to: 'share' }, 'scaled', [0.4, 2 / 7, 0.6, 5 / 7, 10 / 63, 13 / 63, 40 / 63], both],
    ['rank', { n: 1 }, 'in', [n, n, n, 50, n, n, 400], 'within each panel'],
    // Averages 23.75 in P and 210 in Q.
    ['typical', {}, 'above', [n, n, n, 50, n, n, 400], 'within each panel'],
    ['outlier', { method: 'deviation', k: 1 }, 'outlier', [n, n, n, 50, n, n, 400], 'within each panel'],
    ['band', { by: 'percentiles', percent: 50 }, 'lower', [13.75, 13.75, 13.75, 13.75, 115, 115, 115], 'within each panel'],
    ['extremes', {}, 'highest', [n, n, n, n, n, n, 400], 'in the whole figure'],
  ];
  for (const [kind, change, part, values, says] of cases)
    it(`${kind} ${JSON.stringify(change)}: ${says}`, () => {
      const cue = fresh(kind, change);
      const found = valuesOf(applied(cue, frame), part)?.map(value => (typeof value === 'number' ? Number(value.toFixed(9)) : value));
      expect(found).toEqual(values.map(value => (typeof value === 'number' ? Number(value.toFixed(9)) : value)));
      expect(readSentence(kindOf(cue as never).sentence(cue as never, words))).toContain(says);
    });
  it('a band that starts to move goes along the order, within each part', () => {
    const moving = kindOf({ kind: 'band' }).change(fresh('band'), 'moving', '1', words);
    expect(valuesOf(applied({ ...moving, by: 'percentiles' } as never, frame), 'lower')).toEqual([n, n, 10, 20, n, 100, 130]);
    const still = kindOf(moving).change(moving, 'moving', '0', words);
    expect(still.scope).toEqual({ kind: 'within', columns: ['series', 'panel'] });
  });
  it('follows when the figure is split otherwise', () => {
    const one = { ...frame, panel: null };
    expect(valuesOf(applied(fresh('rank', { n: 1 }) as never, one), 'in')).toEqual([n, n, n, n, n, n, 400]);
  });
  it('opened as formulas, it goes on looking there', () => {
    const cue = fresh('change') as never;
    expect(valuesOf(applied(asRule(cue, words, ['m_']), frame), 'rise')).toEqual(valuesOf(applied(cue, frame), 'rise'));
  });
});

describe('what the words of a scope offer', () => {
  const offered = (kind: CueKindName, change: object = {}): string[] => {
    const token = kindOf({ kind })
      .sentence(fresh(kind, change) as never, words)
      .concat(...kindOf({ kind }).finer(fresh(kind, change) as never, words))
      .find(part => typeof part !== 'string' && part.key === 'scope');
    return token && typeof token !== 'string' && 'options' in token.input ? token.input.options.map(({ label }) => label) : [];
  };
  it('orders only where the rows so far are meant', () => {
    expect(offered('rescale', { to: 'share' }).filter(label => label.startsWith('along'))).toEqual([]);
    expect(offered('band').filter(label => label.startsWith('along'))).toEqual([]);
    expect(offered('rank').filter(label => label.startsWith('along'))).toEqual([]);
    expect(offered('extremes').filter(label => label.startsWith('along')).length).toBeGreaterThan(4);
  });
  it('only rising ones for a change', () => expect(offered('change').filter(label => label.includes('falling'))).toEqual([]));
  it('each once', () =>
    (['rank', 'extremes', 'change', 'rescale'] as const).forEach(kind => expect(new Set(offered(kind)).size).toBe(offered(kind).length)));
  it('every one of several columns', () => expect(offered('extremes')).toContain('within each series and panel'));
});

describe('what a hover says of where a cue looked', () => {
  it('rows of a split figure are values, not weeks', () => {
    const cue = fresh('extremes') as never;
    const result = applied(cue, frame);
    const why = kindOf(cue).why(cue, {
      frame,
      row: 6,
      part: 'highest',
      write: (_m, value) => String(value),
      helper: part => valuesOf(result, part)?.[6] ?? null,
    });
    expect(why).toBe('m_ 400 is the highest of 7 values');
  });
  it('and which part it was', () => {
    const cue = fresh('rank', { n: 1 }) as never;
    const result = applied(cue, frame);
    const why = kindOf(cue).why(cue, {
      frame,
      row: 3,
      part: 'in',
      write: (_m, value) => String(value),
      helper: part => valuesOf(result, part)?.[3] ?? null,
    });
    expect(why).toBe('m_ 50 is number 1 of 4 values in P');
  });
  it('its measure keeps its name for the column', () => expect(make('rank', {}).measure).toBe('a'));
});
