import type { AxisPlan, ChartPlan } from 'core/plan';
import { makeScale, proposeBreaks } from 'core/scale';
import { cutPath } from './axes/breaks';
import type { PlotLayout } from './layout';
import { axis, layer, layout, level, livery, planOf, turned } from './sample-plan.spec';
import { PixelScales } from './pixel-scales';
import { handleAt } from './pointing';
import type { Scene, SceneItem } from './scene';
import { sceneOf } from './scene-of';

const withScale = (scale: AxisPlan['scale'], change: Partial<AxisPlan> = {}) => ({
  panels: [{ title: '', axes: [{ ...axis(0, 1), scale, ...change }] }],
});
const log = withScale({ kind: 'log', base: 10, low: 1, high: 100, ticks: [1, 10, 100], minor: [2, 50] });
const symlog = withScale({ kind: 'symlog', base: 10, about: 1, low: -99, high: 99, ticks: [0], minor: [] });
/** 0 to 100 on the lower 40 px, 900 to 1,000 on the upper 40. */
const broken = withScale({
  kind: 'broken',
  low: 0,
  high: 1000,
  ticks: [0, 1000],
  stretches: [
    { low: 0, high: 100, from: 0, to: 0.4 },
    { low: 900, high: 1000, from: 0.6, to: 1 },
  ],
});
const scene = (plan: ChartPlan, at = layout): Scene => sceneOf(plan, at, (text, { size }) => text.length * size);
const items = (made: Scene, name: string): readonly SceneItem[] => made.groups.find(group => group.name === name)?.items ?? [];
const numbers = (item: SceneItem): number[] =>
  [...('boxes' in item ? item.boxes : 'points' in item ? item.points : [])].map(value => Number(value.toFixed(6)));

describe('marks on scales that bend', () => {
  const places: readonly [name: string, plan: ChartPlan, at: PlotLayout, group: string, expected: number[][]][] = [
    ['bars on a log axis begin at its low end', planOf([layer([10, 100])], log), layout, 'bars', [[33, 70, 74, 50, 133, 20, 74, 100]]],
    [
      'one that has no place has no length',
      planOf([layer([0, 10], { beyond: [{ at: 0, side: -1 }] })], log),
      layout,
      'bars',
      [[33, 120, 74, 0, 133, 70, 74, 50]],
    ],
    ['lying ones', planOf([layer([10])], { ...log, horizontal: true }), turned, 'bars', [[20, 23.79, 150, 24.42]]],
    [
      'a line has a gap where a value has no place',
      planOf([layer([1, 0, 10, 100], { shape: 'line', beyond: [{ at: 1, side: -1 }] })], { ...log, categories: ['a', 'b', 'c', 'd'] }),
      layout,
      'lines',
      [
        [70, 120],
        [270, 70, 370, 20],
      ],
    ],
    ['a level line', planOf([layer([1])], { ...log, lines: [level(10)] }), layout, 'level lines', [[20, 70, 320, 70]]],
    [
      'bars on both sides of zero',
      planOf([layer([9, -9])], symlog),
      layout,
      'bars',
      [
        [33, 45, 74, 25],
        [133, 70, 74, 25],
      ],
    ],
    [
      'a bar across a break is as long as its places say',
      planOf([layer([50, 950])], broken),
      layout,
      'bars',
      [[33, 100, 74, 20, 133, 40, 74, 80]],
    ],
    [
      'and is cut there: a slanted strip, wider than the bar',
      planOf([layer([50, 950])], broken),
      layout,
      'breaks of bars',
      [[131.5, 83, 131.5, 63, 208.5, 57, 208.5, 77]],
    ],
    [
      'through bars too thin for a slant it is straight',
      planOf([layer([950], { slots: 20 })], broken),
      layout,
      'breaks of bars',
      [[30.2, 60, 3.6, 20]],
    ],
    [
      'and one strip through those that stand beside each other',
      planOf([layer([950, 950, 50, 950], { slots: 20 })], broken),
      layout,
      'breaks of bars',
      [[30.2, 60, 103.6, 20, 330.2, 60, 3.6, 20]],
    ],
    [
      'but not where other bars stand between them',
      planOf([layer([950, 950], { slots: 20 }), layer([50, 50], { slots: 20, slot: 1 })], broken),
      layout,
      'breaks of bars',
      [[30.2, 60, 3.6, 20, 130.2, 60, 3.6, 20]],
    ],
    ['a bar that ends before it is not', planOf([layer([50, 100])], broken), layout, 'breaks of bars', []],
    ['a line is cut where it crosses', planOf([layer([100, 900, 1000], { shape: 'line' })], broken), layout, 'lines', [[170, 60, 270, 20]]],
    [
      'minor lines between the numbers',
      planOf([layer([1])], { ...log, gridlines: true }),
      layout,
      'minor lines',
      // log 2 = 0.30103, log 50 = 1.69897, over two powers.
      [[20, 104.9485, 320, 104.9485, 20, 35.0515, 320, 35.0515]],
    ],
  ];
  for (const [name, plan, at, group, expected] of places)
    it(name, () => expect(items(scene(plan, at), group).map(numbers)).toEqual(expected));

  it('an area is interrupted by the ground, all the way across', () =>
    expect(items(scene(planOf([layer([50, 950, 20], { shape: 'area' })], broken)), 'breaks of areas').map(numbers)).toEqual([
      [20, 60, 300, 20],
    ]));

  it('the axis itself is marked: two strokes at its line, two thin lines across', () => {
    const signs = items(scene(planOf([layer([50])], broken)), 'break signs');
    expect(signs.map(numbers)).toEqual([
      [20, 80, 320, 80, 20, 60, 320, 60],
      [14, 83, 26, 77, 14, 63, 26, 57],
    ]);
  });

  it('both ends of a break can be taken hold of', () => {
    const made = scene(planOf([layer([50])], broken));
    expect(made.handles).toEqual([
      { target: { axis: 'first', nth: 0, end: 'from' }, panel: 0, axis: 0, at: 80 },
      { target: { axis: 'first', nth: 0, end: 'to' }, panel: 0, axis: 0, at: 60 },
    ]);
    expect(handleAt(made, { x: 100, y: 82 })?.at).toBe(80);
  });

  it('a reversed axis rounds bars where they end, and labels them there', () => {
    const plan = planOf([layer([5], { labels: [{ at: 0, text: '5', where: 'end' }] })], {
      panels: [{ title: '', axes: [{ ...axis(0, 10), reversed: true }] }],
    });
    const made = scene(plan, { ...layout, axes: [[{ from: 20, to: 120 }]] });
    const [bar] = items(made, 'bars');
    const [label] = items(made, 'labels');
    expect(bar?.kind === 'rects' ? [numbers(bar), bar.corners] : null).toEqual([
      [33, 20, 74, 50],
      [0, 0, 2, 2],
    ]);
    expect(label?.kind === 'text' ? label.y > 70 : false).toBeTrue();
  });

  it('a pixel is read back as the value that stands there', () => {
    const pixels = new PixelScales(planOf([layer([10])], log), layout);
    expect([120, 70, 20].map(pixel => Number(pixels.valueAt(0, 0, pixel).toFixed(9)))).toEqual([1, 10, 100]);
    const apart = new PixelScales(planOf([layer([10])], broken), layout);
    expect([120, 100, 40].map(pixel => Number(apart.valueAt(0, 0, pixel).toFixed(9)))).toEqual([0, 50, 950]);
  });

  it('values beyond the axis are marked at its edge, one by one where there is room, else along it', () => {
    const beyond = [0, 1].map(at => ({ at, side: 1 as const }));
    const plan = planOf([layer([12, 14, 5], { beyond })]);
    // 7 px deep, 10 px wide.
    expect(items(scene(plan), 'beyond').map(numbers)).toEqual([[70, 20, 65, 27, 75, 27, 170, 20, 165, 27, 175, 27]]);
    const narrow = { ...layout, perCategory: 5, first: 22.5 };
    expect(items(scene(plan, narrow), 'beyond').map(numbers)).toEqual([[20, 20, 10, 4]]);
    expect(items(scene({ ...plan, horizontal: true }, { ...turned, perCategory: 5, first: 22.5 }), 'beyond').map(numbers)).toEqual([
      [316, 20, 4, 10],
    ]);
  });

  it('hovering a mark that has no place hangs its words within the plot', () => {
    const made = scene(planOf([layer([0], { beyond: [{ at: 0, side: -1 }] })], log));
    expect(made.targets[0]?.ends.every(value => Number.isFinite(value))).toBeTrue();
    expect(livery.ground).toBe(made.ground);
  });
});

describe('a path cut by breaks', () => {
  const strip = [{ low: 60, high: 40 }];
  const cases: readonly [name: string, points: number[], expected: number[][]][] = [
    ['beside them', [0, 0, 10, 20], [[0, 0, 10, 20]]],
    [
      'across one',
      [0, 0, 100, 100],
      [
        [0, 0, 40, 40],
        [60, 60, 100, 100],
      ],
    ],
    [
      'up through it',
      [0, 100, 100, 0],
      [
        [0, 100, 40, 60],
        [60, 40, 100, 0],
      ],
    ],
    [
      'into it and back',
      [0, 0, 50, 50, 100, 0],
      [
        [0, 0, 40, 40],
        [60, 40, 100, 0],
      ],
    ],
    ['level within it', [0, 50, 100, 50], []],
    ['along its edge', [0, 40, 100, 40], [[0, 40, 100, 40]]],
  ];
  for (const [name, points, expected] of cases)
    it(name, () => expect(cutPath(Float64Array.from(points), strip, 1).map(piece => [...piece])).toEqual(expected));
  it('two of them in one step', () =>
    expect(
      cutPath(
        Float64Array.of(0, 0, 100, 100),
        [
          { low: 30, high: 20 },
          { low: 80, high: 70 },
        ],
        1,
      ).map(piece => [...piece]),
    ).toEqual([
      [0, 0, 20, 20],
      [30, 30, 70, 70],
      [80, 80, 100, 100],
    ]));
});

describe('breaks and labels, over a thousand generated sets of values', () => {
  let seed = 11;
  const random = (): number => (seed = (seed * 16_807) % 2_147_483_647) / 2_147_483_647;
  const sets = Array.from({ length: 1_000 }, (_, i) => {
    const size = 10 ** (i % 7);
    const low = Array.from({ length: 2 + (i % 5) }, () => (1 + random() * 9) * size);
    const high = Array.from({ length: 1 + (i % 3) }, () => (60 + random() * 300) * size);
    return { values: [...low, ...high], lying: i % 2 === 1, shape: (['column', 'points', 'line', 'stem'] as const)[i % 4] ?? 'column' };
  });
  const found = sets.flatMap(({ values, lying, shape }, i) => {
    const lengths = shape === 'column' || shape === 'stem';
    const all = Float64Array.from(values);
    // The offer, and one by hand that begins where the highest of the low ones ends.
    const [offer] = proposeBreaks(all, lengths);
    const least = Math.max(...values.filter(value => value < 20 * 10 ** (i % 7)));
    const breaks = i % 5 && offer ? [offer] : [{ from: least, to: Math.min(...values.filter(value => value > least)) * 0.98 }];
    const scale = makeScale('linear', all, { lengths, zero: 'kept', headroom: 0.1, breaks });
    const labels = values.map((value, at) => ({ at, text: value.toFixed(0), where: 'end' as const }));
    const plan = planOf([layer(values, { shape, labels, stroke: { width: 2, dash: 'solid', marker: '' } })], {
      ...withScale(scale),
      categories: values.map(String),
      horizontal: lying,
    });
    const size = { width: 700, height: 420 };
    const at: PlotLayout = lying
      ? {
          ...layout,
          ...size,
          area: { left: 60, top: 30, width: 600, height: 360 },
          first: 50,
          perCategory: 360 / values.length,
          axes: [[{ from: 60, to: 660 }]],
        }
      : {
          ...layout,
          ...size,
          area: { left: 60, top: 30, width: 600, height: 360 },
          first: 90,
          perCategory: 600 / values.length,
          axes: [[{ from: 390, to: 30 }]],
        };
    const pixels = new PixelScales(plan, at);
    const made = sceneOf(plan, at, (text, { size: letters }) => text.length * letters * 0.55);
    const strips = pixels.breaksOf(0, 0).map(({ low, high }) => [Math.min(low, high), Math.max(low, high)] as const);
    return made.labelled.flatMap(({ row, box }) => {
      const end = pixels.value(0, 0, values[row] as number);
      const [from, to] = lying ? [box.left, box.left + box.width] : [box.top, box.top + box.height];
      const near = Math.max(from, Math.min(end, to));
      return strips.map(([a, b]) => ({
        between: Math.min(near, end) + 0.5 < a && b < Math.max(near, end) - 0.5,
        over: from < b - 0.5 && to > a + 0.5,
      }));
    });
  });
  it('no break lies between a mark and its label', () => {
    expect(found.length).toBeGreaterThan(3_000);
    expect(found.filter(({ between }) => between).length).toBe(0);
  });
  it('nor does a label lie on one', () => expect(found.filter(({ over }) => over).length).toBe(0));
});
