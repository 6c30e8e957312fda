import type { Figure } from 'core/document';
import { plainMeasure } from 'core/frame';
import { readSentence } from 'core/sentence';
import { about, chosen, figure, formats, tables } from './first-figure/huts.spec';
import { addColumns, briefOf, decidedKeys, replaceMeasure, scopeValue, settings, settingsBehind, subjectOf } from './index';

const reads = (now: Figure): string => {
  const { data, shape, scales, words } = briefOf(about(now));
  return [data, shape, scales, words]
    .map(({ said }) => readSentence(said))
    .filter(Boolean)
    .join(' ');
};

describe('the brief', () => {
  it('reads as sentences', () =>
    expect(reads(figure)).toBe('Take deliveries, 480 rows. Show milk summed by hut as columns, largest first.'));

  const changes: readonly [token: string, value: string, says: RegExp, also: (changed: Figure) => unknown, expected: unknown][] = [
    [
      'measure:0',
      'fat',
      /Show fat summed by hut/,
      changed => [changed.cues[0]?.measure, changed.words.title, changed.data.order],
      ['fat', 'Fat by hut', { by: 'measure', measure: 'fat', descending: true }],
    ],
    ['measure:0', '*', /Show the number of rows by hut/, changed => changed.data.measures[0]?.formula, 'count(*)'],
    ['summary:0', 'avg', /Show milk averaged by hut/, changed => changed.data.measures[0], plainMeasure('average milk', 'avg(milk)')],
    ['category', 'valley', /by valley as/, changed => changed.name, 'Milk by valley'],
    ['category', 'milk', /by milk as/, changed => changed.data.measures[0]?.name, 'milk (measure)'],
    ['high:first', '80 %', /The axis ends at 0\.8\./, changed => changed.scales.axes.first.high, 0.8],
    ['order', 'table', /in table order/, changed => changed.data.order, { by: 'table' }],
    ['order', 'category:desc', /by hut, falling/, changed => changed.data.order, { by: 'category', descending: true }],
    ['order', 'measure:asc', /smallest first/, changed => changed.data.order, { by: 'measure', measure: 'milk', descending: false }],
    ['category', 'week', /by week as columns, by week, rising/, changed => changed.data.step, null],
    ['series', 'valley', /largest first, a series per valley\./, changed => changed.data.series, 'valley'],
    ['panel', 'column:valley', /in a panel per valley/, changed => changed.data.panel, 'valley'],
    ['arrange', 'stacked', /Show milk/, changed => changed.shape.arrange, 'stacked'],
    ['order', 'hand', /by hand as arranged/, changed => changed.data.order, { by: 'hand', keys: [] }],
    ['hand', '["B",null]', /Show milk/, changed => changed.data.order, { by: 'hand', keys: ['B', null] }],
    ['layer:0', 'line', /Show milk/, changed => changed.data.measures[0]?.shape, 'line'],
    ['format:0', 'volume', /Show milk/, changed => changed.data.measures[0]?.format, 'volume'],
    ['mark', 'bar', /as lying bars/, changed => changed.shape.mark, 'bar'],
    ['pen:0', 'width:3', /Show milk/, changed => changed.data.measures[0]?.pen, { width: 3, dash: null, marker: null }],
    ['mark', 'step', /as a stepped line/, changed => changed.shape.mark, 'step'],
    ['proportion', '1:1', /Draw it 1:1/, changed => changed.shape.proportion, '1:1'],
    ['unit', 'hL', /Values stand in hL\./, changed => changed.scales.unit, 'hL'],
    ['decimals', '2', /Numbers have 2 decimals\./, changed => changed.scales.decimals, 2],
    ['decimals', 'auto', /largest first\.$/, changed => changed.scales.decimals, null],
    ['gridlines', 'false', /There are no gridlines\./, changed => changed.scales.gridlines, false],
    ['title', 'Milk, at last', /Call it Milk, at last\./, changed => changed.name, 'Milk by hut'],
    ['subtitle', 'A note', /Say A note below\./, changed => changed.words.subtitle, 'A note'],
    ['table', 't', /Take tanks, 170 rows\. Show level averaged by day/, changed => [changed.data.table, changed.id], ['t', 'f']],
    ['table', 'd', /Take deliveries/, changed => changed.data.table, 'd'],
  ];
  for (const [token, value, says, also, expected] of changes)
    it(`${token} to ${value}`, () => {
      const changed = { ...figure, ...chosen(figure, token, value) };
      expect(reads(changed)).toMatch(says);
      expect(also(changed)).toEqual(expected);
    });
  it('words of one’s own stay when the measure changes', () => {
    const own = { ...figure, name: 'Mine', words: { title: 'My title', subtitle: '' } };
    const changed = { ...own, ...chosen(own, 'measure:0', 'fat') };
    expect([changed.name, changed.words.title]).toEqual(['Mine', 'My title']);
  });
  it('a line’s width, dash and markers are words; what they cannot be is refused', () => {
    const line = { ...figure, ...chosen(figure, 'mark', 'line') };
    const dashed = { ...line, ...chosen(line, 'pen:0', 'dash:dotted') };
    const marked = { ...dashed, ...chosen(dashed, 'pen:0', 'marker:ring') };
    expect(reads(marked)).toContain('Lines are 2 px wide, dotted, with rings.');
    for (const value of ['width:0', 'dash:wavy', 'marker:cow', 'scent:sweet', '']) expect(() => chosen(line, 'pen:0', value)).toThrow();
  });
  const refusals: readonly [token: string, value: string, says: string][] = [
    ['glow', '1', 'This figure has no setting “glow”. Choose one of the underlined words of the brief.'],
    ['pen:7', 'width:3', 'This figure has no setting “pen:7”. Choose one of the underlined words of the brief.'],
    ['toString', '1', 'This figure has no setting “toString”. Choose one of the underlined words of the brief.'],
    ['table', 'gone', 'Table cannot be “gone” here. Choose one of: deliveries, tanks.'],
    [
      'summary:0',
      'sum; drop',
      'Summed how cannot be “sum; drop” here. Choose one of: summed, averaged, at its lowest, at its highest, at the middle, counted.',
    ],
    ['proportion', '', 'Proportions cannot be “” here. Choose one of: 16:9, 4:3, 1:1.'],
    ['decimals', '7078', 'Decimals cannot be “7078” here. Choose one of: fitting, 0, 1, 2, 3.'],
    ['zero:first', 'x', 'Zero cannot be “x” here. Choose one of: starts as its shapes need, keeps zero, leaves zero out.'],
    [
      'low:first',
      'soon',
      'No column is called “soon”. Choose one of: hut, milk. A number, a percent, a formula such as “0.8 * min(…)”, or “fitting” to follow the data.',
    ],
    [
      'order',
      'measure:desc:cheese',
      'Order cannot be “measure:desc:cheese” here. Choose one of: largest first, smallest first, in table order, last row first, by hut, rising, by hut, falling, by hand.',
    ],
    ['note', 'x'.repeat(301), 'Note takes up to 300 characters. Shorten it.'],
    ['title', 'x'.repeat(301), 'Title takes up to 300 characters. Shorten it.'],
  ];
  for (const [token, value, says] of refusals)
    it(`refuses ${token} as ${value.slice(0, 20)}`, () => expect(() => chosen(figure, token, value)).toThrowError(says));
  it('refuses ends that cross, and a list that is none', () => {
    const high = { ...figure, ...chosen(figure, 'high:first', '10') };
    expect(high.scales.axes.first.high).toBe(10);
    expect(() => chosen(high, 'low:first', '11')).toThrowError(/its lower end, 11, must lie below its upper end, 10/);
    const hand = { ...figure, ...chosen(figure, 'order', 'hand') };
    for (const value of ['', '{}', '[1]', 'null']) expect(() => chosen(hand, 'hand', value)).toThrowError(/list of the categories/);
  });
  it('every value that a word offers can be chosen, and reads as its label', () => {
    const lined = { ...figure, ...chosen(figure, 'mark', 'line'), ...addColumns(figure, ['fat']) };
    for (const [name, setting] of Object.entries(settings))
      for (const place of setting.places(lined)) {
        const key = place ? `${name}:${place}` : name;
        const { input } = setting.word(subjectOf(lined, tables, formats), place, key);
        for (const option of input.kind === 'choice' ? input.options : []) {
          const now = { ...lined, ...chosen(lined, key, option.value) };
          const label = setting.word(subjectOf(now, tables, formats), place, key).text;
          if (name !== 'pen' && option.value) expect(label).withContext(`${key} = ${option.value}`).toBe(option.label);
        }
      }
  });
  it('nothing is decided in a first figure; what is chosen is', () => {
    expect(decidedKeys(about(figure))).toEqual([]);
    const changed = { ...figure, ...chosen(figure, 'gridlines', 'false') };
    expect(decidedKeys(about({ ...changed, ...chosen(changed, 'low:first', '2') }))).toEqual(['gridlines', 'low:first']);
  });
  it('the search finds decisions by their words; formulas are none', () =>
    expect(settingsBehind(about(figure), ['gridlines', 'pen:0', 'derived:x']).map(({ key, about: says }) => [key, says])).toEqual([
      ['gridlines', 'Gridlines'],
      ['pen:0', 'Line of milk'],
    ]));
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
    [two, 'layer:1', 'line', /milk summed and fat summed as a line by hut/, changed => changed.data.measures.length, 2],
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
      scopeValue({ kind: 'within', columns: ['valley'] }),
      /Compute change within each valley, in the ledger only/,
      changed => changed.data.helpers[0]?.scope,
      { kind: 'within', columns: ['valley'] },
    ],
    [
      helped,
      'helper-scope:0',
      scopeValue({ kind: 'along', column: 'hut', within: [] }),
      /Compute change along hut/,
      changed => changed.data.helpers[0]?.scope,
      { kind: 'along', column: 'hut', within: [] },
    ],
    [
      helped,
      'helper-scope:0',
      scopeValue({ kind: 'along', column: 'milk', within: ['valley'] }),
      /Compute change along milk within each valley/,
      changed => changed.data.helpers[0]?.scope,
      { kind: 'along', column: 'milk', within: ['valley'] },
    ],
    [helped, 'helper-shape:0', 'points', /Compute change just as written, as points/, changed => changed.data.helpers[0]?.shape, 'points'],
    [helped, 'helper-format:0', 'percent', /Compute change/, changed => changed.data.helpers[0]?.format, 'percent'],
  ];
  for (const [from, token, value, says, also, expected] of changes)
    it(`${token} to ${value || 'nothing'}`, () => {
      const changed = { ...from, ...chosen(from, token, value) };
      const brief = briefOf(about(changed));
      expect([brief.shape, ...brief.helpers].map(({ said }) => readSentence(said)).join(' ')).toMatch(says);
      expect(also(changed)).toEqual(expected);
    });
  it('columns that are there already are not added again', () => expect(two.data.measures.map(item => item.name)).toEqual(['milk', 'fat']));
  it('a measure of one’s own stays when the category changes', () => {
    const own = { ...figure, ...replaceMeasure(figure, 0, plainMeasure('share', 'sum(fat) / sum(milk)')) };
    expect(own.cues[0]?.measure).toBe('share');
    expect(readSentence(briefOf(about({ ...own, ...chosen(own, 'category', 'valley') })).shape.said)).toContain('Show share by valley');
  });
});
