import { plainMeasure } from 'core/frame';
import { firstFigure } from 'core/brief';
import { plainScales, type Figure } from 'core/document';
import { messageFor } from 'core/result/words';
import { tableOf } from 'core/table';
import { livery, make, planned } from '../plan-frames.spec';
import { pictureOf, type ChartPlan, type Picture } from '../index';
import { whyOf } from 'core/words';
import { partsOf } from '../parts.spec';

const table = tableOf({
  hut: ['A', 'B', 'A', 'B', 'A', 'B'],
  valley: ['x', 'x', 'y', 'y', 'z', 'z'],
  milk: [200, 100, 1000, 400, 20, 40],
  share: [0.1, 0.2, 0.3, 0.25, 0.4, 0.5],
});
const writing = { units: {}, formats: [] };
type Axis = Figure['scales']['axes']['first'];

function pictured(change: {
  data?: Partial<Figure['data']>;
  shape?: Partial<Figure['shape']>;
  scales?: Partial<Figure['scales']>;
  cues?: Figure['cues'];
}): {
  picture: Picture;
  figure: Figure;
} {
  const first = firstFigure('f', { id: 'd', name: 'd', rowCount: 6, units: {}, columns: table.columns });
  const figure: Figure = {
    ...first,
    data: { ...first.data, measures: [plainMeasure('milk', 'sum(milk)')], order: { by: 'table' }, ...change.data },
    shape: { ...first.shape, ...change.shape },
    scales: { ...plainScales, ...change.scales },
    cues: change.cues ?? [],
  };
  const read = pictureOf({ figure, table, writing, livery });
  if (!read.ok) throw new Error(read.problems.map(messageFor).join());
  return { picture: read.value, figure };
}
const axis = (change: Partial<Axis>): Figure['scales']['axes'] => ({
  ...plainScales.axes,
  first: { ...plainScales.axes.first, ...change },
});
const planOf = (change: Parameters<typeof pictured>[0]) => pictured(change).picture.plans[0] as ChartPlan;
const ends = (plan: ReturnType<typeof planOf>, panel = 0, at = 0) => {
  const scale = plan.panels[panel]?.axes[at]?.scale;
  return [scale?.low, scale?.high];
};

describe('bounds of an axis', () => {
  it('what lies beyond them is marked at the edge, counted and said', () => {
    const plan = planOf({ data: { category: 'valley' }, scales: { axes: axis({ high: 500 }) } });
    expect(partsOf(plan).layers[0]?.beyond).toEqual([{ at: 1, side: 1 }]);
    expect(plan.notes).toEqual(['1 value beyond the axis: 1 above 500']);
    expect(plan.axisNote).toContain('1 value beyond the axis: 1 above 500');
    expect(plan.description).toContain('1 value beyond the axis: 1 above 500.');
  });
  it('on both sides', () => {
    const plan = planOf({ data: { category: 'valley' }, shape: { mark: 'points' }, scales: { axes: axis({ low: 100, high: 500 }) } });
    expect(partsOf(plan).layers[0]?.beyond).toEqual([
      { at: 1, side: 1 },
      { at: 2, side: -1 },
    ]);
    expect(plan.notes).toEqual(['2 values beyond the axis: 1 above 500, 1 below 100']);
  });
  it('a range that reaches beyond is said, in rows', () => {
    const edge = (value: number) => ({ is: 'number', value }) as const;
    const cue = make('band', { measure: 'milk', by: 'edges', lower: edge(10), upper: edge(2500), looks: {} });
    const plan = planOf({ data: { category: 'valley' }, scales: { axes: axis({ high: 2000 }) }, cues: [cue] });
    const rows = plan.categories.length;
    expect(plan.notes).toEqual([`the range reaches at ${rows} rows beyond the axis`]);
    expect(planOf({ data: { category: 'valley' }, cues: [cue] }).notes).toEqual([]);
  });
  it('a line that lies beyond is named', () => {
    const cue = make('reference', { measure: 'milk', level: { is: 'number', value: 5000 }, form: 'level', name: 'goal' });
    const plan = planOf({ data: { category: 'valley' }, scales: { axes: axis({ high: 2000 }) }, cues: [cue] });
    expect(partsOf(plan).lines).toEqual([]);
    expect(plan.notes).toEqual(['goal 5,000 lies beyond the axis']);
  });
  it('nothing is said where all lies within', () => expect(planOf({ data: { category: 'valley' } }).notes).toEqual([]));
  it('an upper bound makes no room below zero', () =>
    expect(
      ends(planOf({ data: { category: 'valley' }, shape: { mark: 'line' }, scales: { axes: axis({ high: 60, zero: 'out' }) } }))[0],
    ).toBeGreaterThanOrEqual(0));
});

describe('scales that are held together', () => {
  it('matched axes of large numbers and of fractions make no negative half', () => {
    const measures = [
      plainMeasure('milk', 'sum(milk) * 2000'),
      { ...plainMeasure('share', 'avg(share)'), axis: 'second' as const, shape: 'line' as const },
    ];
    const cues = [make('extremes', { measure: 'share' })];
    const plan = planOf({ data: { measures }, scales: { between: 'matched' }, cues });
    expect(ends(plan)[0]).toBe(0);
    expect(ends(plan, 0, 1)).toEqual(ends(plan, 0, 0));
  });
  it('panels of one measure share a scale unless said otherwise, and then it is said', () => {
    const matched = planOf({ data: { panel: 'valley' } });
    expect([0, 1, 2].map(panel => ends(matched, panel))).toEqual([ends(matched), ends(matched), ends(matched)]);
    expect(matched.notes).toEqual([]);
    const free = planOf({ data: { panel: 'valley' }, scales: { panels: 'free' } });
    expect(ends(free, 2)[1]).toBeLessThan(100);
    expect(ends(free, 1)[1]).toBeGreaterThanOrEqual(1000);
    expect(free.axisNote).toContain('each panel on a scale of its own');
  });
});

describe('what a hover says of ranges', () => {
  const edges = { by: 'edges', lower: { is: 'number', value: 100 }, upper: { is: 'number', value: 400 }, measure: 'milk' };
  it('inside a range as well, and of every one of several', () => {
    const cues = [make('band', edges), make('band', { ...edges, id: 'd', by: 'percentiles', percent: 50 })];
    const { picture, figure } = pictured({ data: { category: 'valley' }, cues });
    // Valleys 300, 1,400 and 60: the middle half runs from 180 to 850.
    expect(whyOf(picture, 0, figure, writing)).toBe('Expected range: 100 to 400 (cue 1). Middle 50 %: 180 to 850 (cue 2).');
    expect(whyOf(picture, 1, figure, writing)).toBe(
      'Clay, because milk 1,400 lies outside the range from 100 to 400 (cue 1). Middle 50 %: 180 to 850 (cue 2).',
    );
  });
  it('a row without a step says why', () => {
    const steps = [
      { name: 'under', upTo: { is: 'formula', formula: 'stddev_samp(milk)' } },
      { name: 'over', upTo: null },
    ];
    const cue = make('threshold', { measure: 'milk', steps, scope: { kind: 'within', columns: ['valley'] }, looks: {} });
    const { picture, figure } = pictured({ data: { category: 'valley' }, cues: [cue] });
    expect(whyOf(picture, 0, figure, writing)).toBe(
      'Not marked: milk has no step here, because the edge “= stddev_samp(milk)” has no value (cue 1).',
    );
  });
});

describe('the average over all rows beside the average of the bars', () => {
  it('is the measure’s own formula without the grouping', () => {
    const measures = [plainMeasure('share', 'avg(share)')];
    const bars = make('typical', { measure: 'share', looks: {} });
    const rows = make('typical', { id: 'd', measure: 'share', level: { is: 'overall' }, looks: {} });
    const { picture } = pictured({ data: { category: 'hut', measures }, cues: [bars, rows] });
    const line = (at: number) => picture.applied[at]?.helpers[0]?.column.data[0] as number;
    // Huts 0.8/3 and 0.95/3, rows 1.75/6: equal, since both huts have three rows.
    expect([line(0), line(1)].map(value => Number(value.toFixed(9)))).toEqual([0.291666667, 0.291666667]);
    const uneven = pictured({
      data: { category: 'hut', measures, filters: [{ kind: 'formula', column: '', formula: "hut = 'A' or valley = 'x'" }] },
      cues: [bars, rows],
    }).picture;
    const of = (at: number) => Number((uneven.applied[at]?.helpers[0]?.column.data[0] as number).toFixed(9));
    // Huts 0.8/3 and 0.2; all four rows 1/4.
    expect([of(0), of(1)]).toEqual([0.233333333, 0.25]);
    expect(uneven.frame.overall).toEqual(['share over all rows']);
  });
});

describe('rows without a value', () => {
  it('are counted for the table’s column though a measure bears its name', () => {
    const figure = pictured({}).figure;
    const read = pictureOf({ figure, table, withoutValue: { milk: 2 }, writing, livery });
    expect(read.ok && [read.value.withoutValue.table['milk'], read.value.withoutValue.figure['milk']]).toEqual([2, 0]);
  });
});

describe('a zero', () => {
  it('keeps its head: a stem of zero has a place on the axis', () => {
    const plan = planned([], { shape: { mark: 'stem' } });
    expect(partsOf(plan).layers[0]?.shape).toBe('stem');
  });
});

describe('numbers of an axis are those of what is read there', () => {
  const labels = (change: Parameters<typeof pictured>[0], at = 0) => planOf(change).panels[0]?.axes[at]?.tickLabels;
  const rescaled = (to: string, marker: string) => ({
    data: { measures: [{ ...plainMeasure('milk', 'sum(milk)'), shape: 'line' as const, pen: { marker } }] },
    cues: [{ ...make('rescale', { to, draw: 'instead' }) }] as Figure['cues'],
  });
  it('a share in the measure’s place, with ring markers, reads in percent', () =>
    expect(labels(rescaled('share', 'ring') as never)?.every(text => text.endsWith('%'))).toBe(true));
  it('an index in its place reads in plain numbers, whatever its markers', () =>
    expect(labels(rescaled('index', 'ring') as never)?.some(text => text.endsWith('%'))).toBe(false));
  it('stacks to the whole read in percent', () =>
    expect(labels({ data: { category: 'hut', series: 'valley' }, shape: { arrange: 'full' } })?.at(-1)).toBe('100 %'));
});
