import { firstFigure } from 'core/brief';
import { plainCrosstab, type CrosstabChoice, type Figure } from 'core/document';
import type { Cue } from 'core/cue';
import { plainMeasure } from 'core/frame';
import { messageFor } from 'core/result/words';
import { tableOf } from 'core/table';
import { crosstabHtml, crosstabLines, crosstabTable, pictureOf, type Picture, type TablePlan } from '../index';
import { livery, look, make } from '../plan-frames.spec';

const table = tableOf({
  valley: ['Tolm', 'Tolm', 'Tolm', 'Tolm', 'Siddel', 'Siddel'],
  hut: ['A', 'A', 'B', 'B', 'C', 'C'],
  week: ['1', '2', '1', '2', '1', '3'],
  milk: [10, 20, 30, 40, 50, -60],
});

interface Change {
  readonly data?: Partial<Figure['data']>;
  readonly crosstab?: Partial<CrosstabChoice>;
  readonly cues?: readonly Cue[];
  readonly view?: Figure['view'];
  readonly looks?: readonly { name: string; colour: string }[];
}

function pictured({ data, crosstab, cues = [], view = 'cued', looks = [] }: Change = {}): Picture {
  const first = firstFigure('f', { id: 't', name: 't', rowCount: 6, units: {}, columns: table.columns }, 'hut');
  const figure: Figure = {
    ...first,
    data: {
      ...first.data,
      outer: [{ column: 'valley', step: null }],
      series: 'week',
      measures: [plainMeasure('milk', 'sum(milk)')],
      order: { by: 'table' },
      filters: [],
      ...data,
    },
    shape: { ...first.shape, mark: 'crosstab' },
    cues: [...cues],
    crosstab: { ...plainCrosstab, ...crosstab },
    view,
  };
  const read = pictureOf({ figure, table, writing: { units: {}, formats: [], looks }, livery });
  if (!read.ok) throw new Error(read.problems.map(messageFor).join());
  return read.value;
}
const planned = (change?: Change): TablePlan => pictured(change).plans.at(-1) as TablePlan;

/** Texts of a row, its names first. */
const row = (plan: TablePlan, nth: number): string =>
  [...plan.rows[nth]!.names, ...plan.columns.map((_, i) => plan.cells.texts[nth * plan.columns.length + i])].join(' ');
/** Cells that a list has something for, as “row name/column: what”. */
const named = (plan: TablePlan, what: (at: number) => string | undefined): string[] =>
  plan.cells.texts.flatMap((_, at) => {
    const found = what(at);
    const [down, across] = [Math.floor(at / plan.columns.length), at % plan.columns.length];
    return found ? [`${plan.rows[down]!.names.filter(Boolean).at(-1)}/${plan.heads.at(-1)![across]!.text}: ${found}`] : [];
  });
const grounds = (plan: TablePlan): string[] => named(plan, at => plan.cells.grounds[at]);
const highest = (change: object = {}): Cue =>
  make('extremes', {
    which: 'highest',
    measure: 'milk',
    quiet: false,
    looks: { highest: look('brass'), lowest: look('slate') },
    ...change,
  });

describe('the plan of a crosstab', () => {
  it('heads, names and texts', () => {
    const plan = planned({ crosstab: { totals: { rows: 'last', columns: 'last', parts: ['last'] } } });
    expect(plan.levels).toEqual(['valley', 'hut']);
    expect(plan.heads.map(heads => heads.map(({ text }) => text))).toEqual([['1', '2', '3', 'Total']]);
    expect(plan.rows.map((_, i) => row(plan, i))).toEqual([
      'Tolm A 10 20 – 30',
      'Tolm B 30 40 – 70',
      'Tolm, total  40 60 – 100',
      'Siddel C 50 – −60 −10',
      'Siddel, total  50 – −60 −10',
      'Total  90 60 −60 90',
    ]);
    expect(plan.rows.map(({ same }) => same)).toEqual([0, 1, 0, 0, 0, 0]);
    expect(plan.axisNote).toBe('milk by valley and hut, across week');
  });

  it('several measures stand under each value', () => {
    const plan = planned({ data: { measures: [plainMeasure('milk', 'sum(milk)'), plainMeasure('rows', 'count(*)')] } });
    expect(plan.heads.map(heads => heads.map(({ text, span }) => `${text}×${span}`))).toEqual([
      ['1×2', '2×2', '3×2', 'Total×2'],
      ['milk×1', 'rows×1', 'milk×1', 'rows×1', 'milk×1', 'rows×1', 'milk×1', 'rows×1'],
    ]);
    expect(row(plan, 0)).toBe('Tolm A 10 1 20 1 – – 30 2');
  });

  const scopes: readonly [name: string, scope: Cue['scope'], marked: string[]][] = [
    ['the whole table, never its totals', { kind: 'figure' }, ['C/1: #b87f0a']],
    ['each row', { kind: 'within', columns: ['valley', 'hut'] }, ['A/2: #b87f0a', 'B/2: #b87f0a', 'C/1: #b87f0a']],
    ['each column', { kind: 'within', columns: ['week'] }, ['B/2: #b87f0a', 'C/1: #b87f0a', 'C/3: #b87f0a']],
    ['each value of a level', { kind: 'within', columns: ['valley'] }, ['B/2: #b87f0a', 'C/1: #b87f0a']],
    ['the totals of rows', { kind: 'totals', of: 'rows' }, ['B/Total: #b87f0a']],
    ['the totals of columns', { kind: 'totals', of: 'columns' }, ['Total/1: #b87f0a']],
  ];
  for (const [name, scope, marked] of scopes)
    it(`a cue looks at ${name}`, () => expect(grounds(planned({ cues: [highest({ scope })] }))).toEqual(marked));

  it('a cue that looks at totals rests where none show, and in no cell', () => {
    const { applied, plans } = pictured({
      cues: [highest({ scope: { kind: 'totals', of: 'rows' } })],
      crosstab: { totals: { rows: 'none', columns: 'last', parts: [] } },
    });
    expect(applied[0]!.problems.map(messageFor)).toEqual([
      'The figure shows no totals of rows, so the cue rests. A crosstab has them, unless they are left out.',
    ]);
    expect(grounds(plans[0] as TablePlan)).toEqual([]);
    expect(pictured({ cues: [highest({ scope: { kind: 'totals', of: 'rows' } })] }).applied[0]!.problems).toEqual([]);
  });

  it('colours the text instead, readable on the ground', () => {
    const plan = planned({ cues: [highest()], crosstab: { paints: 'text' } });
    expect(grounds(plan)).toEqual([]);
    const [ink] = named(plan, at => plan.cells.inks[at]);
    expect(ink).toMatch(/^C\/1: #/);
    // Brass has 3.4 on white: as text it is darkened until it can be read.
    expect(ink).not.toContain('#b87f0a');
  });

  it('text on a coloured cell is ink or ground, whichever has more contrast', () => {
    const inks = (colour: string): string[] => {
      const plan = planned({ cues: [highest({ looks: { highest: look(colour), lowest: look('') } })] });
      return named(plan, at => (plan.cells.grounds[at] ? plan.cells.inks[at] : ''));
    };
    expect([inks('#ffee00'), inks('#201060')]).toEqual([['C/1: #000000'], ['C/1: #ffffff']]);
  });

  it('outline, glyph and words of a cue stand in its cell', () => {
    const plan = planned({
      cues: [highest({ looks: { highest: look('brass', { outline: true, glyph: 'up', label: 'name' }), lowest: look('') } })],
    });
    expect(named(plan, at => (plan.cells.outlined[at] ? 'outlined' : ''))).toEqual(['C/1: outlined']);
    expect(named(plan, at => plan.cells.glyphs[at]?.glyph)).toEqual(['C/1: up']);
    expect(named(plan, at => plan.cells.labels[at])).toEqual(['C/1: C']);
  });

  it('named looks of the project are colours of cues', () => {
    const cue = highest({ looks: { highest: look('on course'), lowest: look('') } });
    expect(grounds(planned({ cues: [cue], looks: [{ name: 'on course', colour: 'pasture' }] }))).toEqual(['C/1: #3a7a3c']);
    expect(grounds(planned({ cues: [cue], looks: [{ name: 'on course', colour: '#123456' }] }))).toEqual(['C/1: #123456']);
  });

  it('bars of a column share their zero; a cue colours the bar', () => {
    const plan = planned({ cues: [highest()], crosstab: { drawings: [{ measure: 'milk', as: 'bars' }] } });
    // From −60 to 50: zero stands at 60/110 in every column of cells; totals run from −10 to 70.
    expect(plan.columns.map(({ zero }) => zero!.toFixed(4))).toEqual(['0.5455', '0.5455', '0.5455', '0.1250']);
    expect(named(plan, at => (Number.isNaN(plan.cells.bars[at]) ? '' : plan.cells.bars[at]!.toFixed(3)))).toEqual([
      'A/1: 0.636',
      'A/2: 0.727',
      'A/Total: 0.500',
      'B/1: 0.818',
      'B/2: 0.909',
      'B/Total: 1.000',
      'C/1: 1.000',
      'C/3: 0.000',
      'C/Total: 0.000',
    ]);
    expect(grounds(plan)).toEqual([]);
    expect(named(plan, at => (plan.cells.marked[at] ? plan.cells.barColours[at] : ''))).toEqual(['C/1: #b87f0a']);
  });

  it('a small line runs along each row, with what cues mark', () => {
    const plan = planned({ cues: [highest()], crosstab: { drawings: [{ measure: 'milk', as: 'trend' }] } });
    expect(plan.columns.at(-1)!.kind).toBe('trend');
    const trend = (nth: number) => plan.cells.trends[nth * plan.columns.length + plan.columns.length - 1]!;
    expect([...trend(2).at]).toEqual([1, NaN, 0]);
    expect(trend(2).marked).toEqual([{ at: 0, colour: '#b87f0a' }]);
    // Totals have none.
    expect(trend(3)).toBeUndefined();
  });

  it('a cue without a place rests and says so; one with a part that has none shows the rest', () => {
    const { applied } = pictured({
      cues: [
        make('reference', { measure: 'milk', level: { is: 'number', value: 5 }, form: 'level', name: 'goal' }),
        make('typical', { measure: 'milk' }),
      ],
    });
    expect(applied[0]!.treatments).toEqual([]);
    expect(applied.map(({ problems }) => problems.map(messageFor))).toEqual([
      ['A crosstab has no place for its line, so the cue rests here. In any other shape it shows again.'],
      ['A crosstab has no place for its line; the rest of the cue shows.'],
    ]);
    expect(applied[0]!.helpers.length).toBeGreaterThan(0);
  });

  it('a scaled measure stands in the cells, and has no totals', () => {
    const plan = planned({
      cues: [make('rescale', { measure: 'milk', to: 'share', draw: 'instead' })],
      data: { filters: [{ kind: 'values', column: 'hut', keep: ['A', 'B'] }] },
    });
    expect([row(plan, 0), row(plan, 2)]).toEqual(['Tolm A 25.00 % 33.33 % –', 'Total  – – –']);
    expect(plan.notes).toContain('what is drawn in the place of a measure has no total');
  });

  it('plain and cued stand side by side over the same numbers', () => {
    const [plain, cued] = pictured({ cues: [highest()], view: 'both' }).plans as TablePlan[];
    expect([grounds(plain!), grounds(cued!)]).toEqual([[], ['C/1: #b87f0a']]);
    expect(plain!.cells.texts).toEqual(cued!.cells.texts);
  });

  it('is told in words', () => {
    const { description, legend } = planned({ cues: [highest()] });
    expect(description).toContain('Crosstab of milk for 6 values, a column per week: 1, 2 and 3, rows nested in valley');
    expect(legend.map(({ text }) => text)).toEqual(['highest']);
  });
});

describe('a crosstab handed over', () => {
  const plan = planned({ cues: [highest()], data: { outer: [] } });
  it('as a table of exact numbers', () => {
    const { columns } = crosstabTable(plan);
    expect(columns.map(({ name }) => name)).toEqual(['hut', '1', '2', '3', 'Total']);
    expect([...(columns[1]!.data as Float64Array)]).toEqual([10, 30, 50, 90]);
  });
  it('as lines for a grid', () =>
    expect(crosstabLines(plan).split('\r\n').slice(0, 2)).toEqual(['hut\t1\t2\t3\tTotal', 'A\t10\t20\t\t30']));
  it('as a page that runs nothing, names escaped', () => {
    const hostile = {
      ...plan,
      title: '<script>alert(1)</script>',
      rows: plan.rows.map(item => ({ ...item, names: ['"><img src=x onerror=alert(1)>'] })),
    };
    const html = crosstabHtml(hostile);
    expect(html).not.toMatch(/<script|<img/);
    expect(html).toContain('&lt;script&gt;');
    expect(crosstabHtml(plan)).toContain('<td style="text-align:right;background:#b87f0a;color:#000000">50</td>');
  });
});
