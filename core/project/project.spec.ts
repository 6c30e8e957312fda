import { plainMeasure } from 'core/frame';
import { readSentence } from 'core/sentence';
import { addColumns, briefOf, changeFigure, firstFigure, replaceMeasure, scopeValue, type Figure, type TableWords } from './index';

const deliveries: TableWords = {
  id: 'd',
  name: 'deliveries',
  rowCount: 480,
  units: { milk: 'L' },
  columns: [
    { name: 'hut', type: 'text' },
    { name: 'valley', type: 'text' },
    { name: 'week', type: 'date' },
    { name: 'week no', type: 'number' },
    { name: 'milk', type: 'number' },
    { name: 'fat', type: 'number' },
  ],
};
const tanks: TableWords = {
  id: 't',
  name: 'tanks',
  rowCount: 170,
  units: {},
  columns: [
    { name: 'day', type: 'date' },
    { name: 'level', type: 'number' },
  ],
};
const tables = [deliveries, tanks];
const figure = firstFigure('f', deliveries);
const reads = (now: Figure): string => {
  const { data, shape, scales, words } = briefOf(now, tables);
  return [data, shape, scales, words].map(readSentence).join(' ');
};

describe('a first figure', () => {
  const cases: readonly [name: string, table: TableWords, shape: RegExp][] = [
    ['text by its first real measure', deliveries, /Show milk summed by hut as columns, largest first/],
    ['days in order of time', tanks, /Show level summed by day value by value as columns, by day, rising/],
    ['text alone is counted', { ...tanks, columns: [{ name: 'hut', type: 'text' }] }, /Show the number of rows by hut/],
    ['years alone', { ...tanks, columns: [{ name: 'year', type: 'number' }] }, /Show the number of rows by year/],
  ];
  for (const [name, table, shape] of cases)
    it(name, () => {
      const made = firstFigure('f', table);
      expect(readSentence(briefOf(made, [table]).shape)).toMatch(shape);
      expect(made.cues.length).toBe(1);
    });
});

describe('the brief', () => {
  it('reads as sentences', () =>
    expect(reads(figure)).toBe(
      'Take deliveries, 480 rows. Show milk summed by hut as columns, largest first, as one series in one panel. Draw it 16:9. Values stand in L with fitting decimals and hair-thin gridlines. The axis starts as its shapes need, from fitting to fitting, with numbers. Call it Milk by hut, and say nothing below.',
    ));

  const changes: readonly [token: string, value: string, says: RegExp, also: (changed: Figure) => unknown, expected: unknown][] = [
    [
      'measure',
      'fat',
      /Show fat summed by hut/,
      changed => [changed.cues[0]?.measure, changed.words.title, changed.data.order],
      ['fat', 'Fat by hut', { by: 'measure', measure: 'fat', descending: true }],
    ],
    ['measure', '*', /Show the number of rows by hut/, changed => changed.data.measures[0]?.formula, 'count(*)'],
    ['summary', 'avg', /Show milk averaged by hut/, changed => changed.data.measures[0], plainMeasure('average milk', 'avg(milk)')],
    ['category', 'valley', /by valley as/, changed => changed.name, 'Milk by valley'],
    ['category', 'milk', /by milk value by value as/, changed => changed.data.measures[0]?.name, 'milk (measure)'],
    ['order', 'table', /in table order/, changed => changed.data.order, { by: 'table' }],
    ['order', 'category:desc', /by hut, falling/, changed => changed.data.order, { by: 'category', descending: true }],
    ['order', 'measure:asc', /smallest first/, changed => changed.data.order, { by: 'measure', measure: 'milk', descending: false }],
    ['category', 'week', /by week value by value as columns, by week, rising/, changed => changed.data.step, null],
    ['series', 'valley', /a series per valley in one panel, side by side/, changed => changed.data.series, 'valley'],
    ['panel', 'column:valley', /in a panel per valley/, changed => changed.data.panel, 'valley'],
    ['arrange', 'stacked', /Show milk/, changed => changed.shape.arrange, 'stacked'],
    ['order', 'hand', /by hand as arranged/, changed => changed.data.order, { by: 'hand', keys: [] }],
    ['hand', '["B",null]', /Show milk/, changed => changed.data.order, { by: 'hand', keys: ['B', null] }],
    ['layer:0', 'line', /Show milk/, changed => changed.data.measures[0]?.shape, 'line'],
    ['format:0', 'volume', /Show milk/, changed => changed.data.measures[0]?.format, 'volume'],
    ['mark', 'bar', /as lying bars/, changed => changed.shape.mark, 'bar'],
    ['pen:0', 'width:3', /Draw it 16:9\. Values/, changed => changed.data.measures[0]?.pen, { width: 3, dash: null, marker: null }],
    ['mark', 'step', /Lines are 2 px wide, solid\./, changed => changed.shape.mark, 'step'],
    ['proportion', '1:1', /Draw it 1:1/, changed => changed.shape.proportion, '1:1'],
    ['unit', 'hL', /in hL with/, changed => changed.scales.unit, 'hL'],
    ['decimals', '2', /with 2 decimals/, changed => changed.scales.decimals, 2],
    ['decimals', 'auto', /with fitting decimals/, changed => changed.scales.decimals, null],
    ['gridlines', 'false', /and no gridlines/, changed => changed.scales.gridlines, false],
    ['title', 'Milk, at last', /Call it Milk, at last,/, changed => changed.name, 'Milk by hut'],
    ['subtitle', 'A note', /say A note below/, changed => changed.words.subtitle, 'A note'],
    ['table', 't', /Take tanks, 170 rows\. Show level summed by day/, changed => [changed.data.table, changed.id], ['t', 'f']],
    ['table', 'gone', /Take deliveries/, changed => changed.data.table, 'd'],
  ];
  for (const [token, value, says, also, expected] of changes)
    it(`${token} to ${value}`, () => {
      const changed = { ...figure, ...changeFigure(figure, token, value, tables) };
      expect(reads(changed)).toMatch(says);
      expect(also(changed)).toEqual(expected);
    });
  it('words of one’s own stay when the measure changes', () => {
    const own = { ...figure, name: 'Mine', words: { title: 'My title', subtitle: '' } };
    const changed = { ...own, ...changeFigure(own, 'measure', 'fat', tables) };
    expect([changed.name, changed.words.title]).toEqual(['Mine', 'My title']);
  });
  it('a line’s width, dash and markers are words; what they cannot be is refused', () => {
    const line = { ...figure, ...changeFigure(figure, 'mark', 'line', tables) };
    const dashed = { ...line, ...changeFigure(line, 'pen:0', 'dash:dotted', tables) };
    const marked = { ...dashed, ...changeFigure(dashed, 'pen:0', 'marker:ring', tables) };
    expect(reads(marked)).toContain('Lines are 2 px wide, dotted, with rings.');
    for (const value of ['width:0', 'dash:wavy', 'marker:cow', 'scent:sweet', ''])
      expect(() => changeFigure(line, 'pen:0', value, tables)).toThrow();
  });
  it('has no other token', () => expect(() => changeFigure(figure, 'glow', '1', tables)).toThrowError(RangeError));
});

describe('several measures, steps and helper columns', () => {
  const two = { ...figure, ...addColumns(figure, ['fat', 'milk']) };
  const helper = {
    name: 'change',
    formula: 'milk - lag(milk)',
    scope: { kind: 'own' as const },
    shape: null,
    axis: 'first' as const,
    format: null,
  };
  const helped = { ...figure, data: { ...figure.data, helpers: [helper] } };
  const weekly = { ...figure, data: { ...figure.data, category: 'week' } };
  const binned = { ...figure, data: { ...figure.data, category: 'fat', step: { kind: 'bin' as const, width: null } } };
  const changes: readonly [
    from: Figure,
    token: string,
    value: string,
    says: RegExp,
    also: (changed: Figure) => unknown,
    expected: unknown,
  ][] = [
    [two, 'layer:1', 'line', /milk summed like the figure and fat summed as a line by hut/, changed => changed.data.measures.length, 2],
    [two, 'measure:1', '', /Show milk summed by hut/, changed => changed.data.measures.map(item => item.name), ['milk']],
    [two, 'summary:1', 'avg', /fat averaged/, changed => changed.data.measures[1]?.name, 'average fat'],
    [two, 'panel', 'measures', /in a panel per measure/, changed => changed.shape.panels, 'measures'],
    [
      two,
      'order',
      'measure:desc:fat',
      /largest fat first/,
      changed => changed.data.order,
      { by: 'measure', measure: 'fat', descending: true },
    ],
    [
      weekly,
      'step',
      'month',
      /by week month by month as columns, by week, rising/,
      changed => changed.data.step,
      { kind: 'grain', grain: 'month' },
    ],
    [binned, 'bin', '10', /by fat in bins of 10/, changed => changed.data.step, { kind: 'bin', width: 10 }],
    [
      helped,
      'helper-scope:0',
      scopeValue({ kind: 'within', column: 'valley' }),
      /Compute change within each valley, in the ledger only/,
      changed => changed.data.helpers[0]?.scope,
      { kind: 'within', column: 'valley' },
    ],
    [
      helped,
      'helper-scope:0',
      scopeValue({ kind: 'along', column: 'hut', within: null }),
      /Compute change along hut/,
      changed => changed.data.helpers[0]?.scope,
      { kind: 'along', column: 'hut', within: null },
    ],
    [
      helped,
      'helper-scope:0',
      scopeValue({ kind: 'along', column: 'milk', within: 'valley' }),
      /Compute change along milk within each valley/,
      changed => changed.data.helpers[0]?.scope,
      { kind: 'along', column: 'milk', within: 'valley' },
    ],
    [helped, 'helper-shape:0', 'points', /Compute change just as written, as points/, changed => changed.data.helpers[0]?.shape, 'points'],
    [helped, 'helper-format:0', 'percent', /Compute change/, changed => changed.data.helpers[0]?.format, 'percent'],
  ];
  for (const [from, token, value, says, also, expected] of changes)
    it(`${token} to ${value || 'nothing'}`, () => {
      const changed = { ...from, ...changeFigure(from, token, value, tables) };
      const brief = briefOf(changed, tables);
      expect([brief.shape, ...brief.helpers].map(readSentence).join(' ')).toMatch(says);
      expect(also(changed)).toEqual(expected);
    });
  it('columns that are there already are not added again', () => expect(two.data.measures.map(item => item.name)).toEqual(['milk', 'fat']));
  it('a measure of one’s own stays when the category changes', () => {
    const own = { ...figure, ...replaceMeasure(figure, 0, plainMeasure('share', 'sum(fat) / sum(milk)')) };
    expect(own.cues[0]?.measure).toBe('share');
    expect(readSentence(briefOf({ ...own, ...changeFigure(own, 'category', 'valley', tables) }, tables).shape)).toContain(
      'Show share by valley',
    );
  });
});
