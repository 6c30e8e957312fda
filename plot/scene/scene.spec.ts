import type { ChartPlan } from 'core/plan';
import { footOf } from './head/figure-foot';
import { headOf } from './head/figure-head';
import { tinyLayout, type PlotLayout } from './layout';
import { TINY } from './marks/looks';
import { anchorOf, handleAt, markAt, outlineOf, rowAt } from './pointing';
import { axis, GREEN, layer, layout, level, livery, only, planOf, RED, turned } from './sample-plan.spec';
import type { Scene, SceneItem, TextWidth } from './scene';
import { sceneOf } from './scene-of';

const wide: TextWidth = (text, { size }) => text.length * size;

const scene = (plan: ChartPlan, at = layout): Scene => sceneOf(plan, at, wide);
const items = (made: Scene, name: string): readonly SceneItem[] => made.groups.find(group => group.name === name)?.items ?? [];
const numbers = (item: SceneItem | undefined): number[] => [
  ...(item && 'boxes' in item ? item.boxes : item && 'points' in item ? item.points : []),
];
const flat = (list: readonly SceneItem[]): number[][] => list.map(numbers);

describe('a scene', () => {
  // One slot of a hundred: a bar takes 74, from 13 px behind the category's edge at 20.
  const places: readonly [name: string, plan: ChartPlan, at: PlotLayout, group: string, expected: number[][]][] = [
    ['columns stand on zero', planOf([layer([4, 8])]), layout, 'bars', [[33, 80, 74, 40, 133, 40, 74, 80]]],
    ['a missing value has none', planOf([layer([NaN, 8])]), layout, 'bars', [[133, 40, 74, 80]]],
    ['a value beyond the axis is cut at it', planOf([layer([14])]), layout, 'bars', [[33, 20, 74, 100]]],
    [
      'negative ones hang from zero, apart from the others: their round corners are below',
      planOf([layer([2, -2])], { panels: [{ title: '', axes: [axis(-5, 5)] }] }),
      layout,
      'bars',
      [
        [33, 50, 74, 20],
        [133, 70, 74, 20],
      ],
    ],
    [
      'parts of a stack stand on each other',
      planOf([layer([2], { bases: Float64Array.of(3), ends: Float64Array.of(5) })]),
      layout,
      'bars',
      [[33, 70, 74, 20]],
    ],
    [
      'a further series has a seam along its bars, from base to end',
      planOf([layer([4, 8], { stroke: { width: 2, dash: 'dashed', marker: '' } })]),
      layout,
      'bars',
      [
        [33, 80, 74, 40, 133, 40, 74, 80],
        [36.5, 120, 36.5, 80, 136.5, 120, 136.5, 40],
      ],
    ],
    [
      'bars that are too thin have none',
      planOf([layer([4], { slots: 20, stroke: { width: 2, dash: 'dashed', marker: '' } })]),
      layout,
      'bars',
      [[30.2, 80, 3.6, 40]],
    ],
    ['a base of its own', planOf([layer([6], { base: 2 })]), layout, 'bars', [[33, 60, 74, 40]]],
    [
      'one colour at a time',
      planOf([layer([4, 8, 2], { colours: only(1, GREEN) })]),
      layout,
      'bars',
      [
        [33, 80, 74, 40, 233, 100, 74, 20],
        [133, 40, 74, 80],
      ],
    ],
    [
      'side by side each has its share',
      planOf([layer([4], { slots: 2 }), layer([8], { slot: 1, slots: 2 })]),
      layout,
      'bars',
      [
        [32, 80, 36, 40],
        [72, 40, 36, 80],
      ],
    ],
    ['lying bars run from the left', planOf([layer([4])], { horizontal: true }), turned, 'bars', [[20, 36 - 12.21, 120, 24.42]]],
    [
      'stems are thin and have a head at their end',
      planOf([layer([4], { shape: 'stem' })]),
      layout,
      'bars',
      [
        [68, 80, 4, 40],
        [70, 80],
      ],
    ],
    [
      'spans float between their ends; whiskers are a stick and two caps',
      planOf([layer([6], { shape: 'span', bases: Float64Array.of(2), span: { deep: null, connectors: false, whiskers: true } })]),
      layout,
      'bars',
      [[69, 60, 2, 40, 33 + 14.8, 59, 44.4, 2, 33 + 14.8, 99, 44.4, 2]],
    ],
    [
      'a line leaves a gap where a value is missing',
      planOf([layer([4, NaN, 2, 3], { shape: 'line' })]),
      layout,
      'lines',
      [
        [70, 80],
        [270, 100, 370, 90],
      ],
    ],
    ['a stepped line changes half way', planOf([layer([4, 8], { shape: 'step' })]), layout, 'lines', [[70, 80, 120, 80, 120, 40, 170, 40]]],
    [
      'an area goes back along its base',
      planOf([layer([4, 8], { shape: 'area' })]),
      layout,
      'areas',
      [
        [70, 80, 170, 40, 170, 120, 70, 120],
        [70, 80, 170, 40],
      ],
    ],
    ['a level line crosses the plot', planOf([], { lines: [level(5)] }), layout, 'level lines', [[20, 70, 320, 70]]],
    [
      'one of several levels is flat over each stretch',
      planOf([], { lines: [level(0, { values: Float64Array.of(5, 5, 2) })] }),
      layout,
      'level lines',
      [[20, 70, 220, 70, 220, 100, 320, 100]],
    ],
  ];
  for (const [name, plan, at, group, expected] of places)
    it(name, () => {
      const found = flat(items(scene(plan, at), group));
      expect(found.length).toBe(expected.length);
      expected.forEach((list, i) => list.forEach((value, k) => expect(found[i]?.[k]).toBeCloseTo(value, 6)));
      expect(found.map(list => list.length)).toEqual(expected.map(list => list.length));
    });

  const labelled = layer([4, 8, 2], { labels: [0, 1, 2].map(at => ({ at, text: 'abc', where: 'end' as const })) });
  it('labels stand above their bars, in ink, and are measured once', () => {
    let measured = 0;
    const made = sceneOf(planOf([labelled]), layout, (text, font) => (measured++, wide(text, font)));
    const texts = items(made, 'labels').map(item => (item.kind === 'text' ? [item.text, item.x, item.y, item.colour] : []));
    // 3 letters of 13 px are 39 wide; 13 high, 5 above the bar.
    expect(texts).toEqual([
      ['abc', 70 - 19.5, 80 - 5 - 6.5, livery.ink],
      ['abc', 170 - 19.5, 40 - 5 - 6.5, livery.ink],
      ['abc', 270 - 19.5, 100 - 5 - 6.5, livery.ink],
    ]);
    // Each once for its size and once for its place; two numbers of the axis for their room, and where labels keep clear of them.
    expect(measured).toBeLessThan(16);
  });
  it('is the same whenever it is asked, and names nothing that is missing', () => {
    const plan = planOf([labelled, layer([5, NaN, 1], { shape: 'line', outlined: [0, 1] })], { lines: [level(5, { label: 'average 5' })] });
    expect(scene(plan)).toEqual(scene(plan));
    for (const item of scene(plan).groups.flatMap(group => group.items)) expect(numbers(item).some(Number.isNaN)).toBeFalse();
  });
  it('cuts only what leaves the plot', () => {
    const clip = (values: number[], group: string): boolean =>
      scene(planOf([layer(values, { shape: 'line' })])).groups.find(({ name }) => name === group)?.clip !== null;
    expect([clip([4, 8, 2], 'lines'), clip([4, 80, 2], 'lines')]).toEqual([false, true]);
  });
  it('with no categories there is nothing to draw but the axis', () =>
    expect(scene(planOf([], { categories: [] })).groups.map(({ name }) => name)).toEqual(['base lines', 'axis numbers']));
});

describe('what can be pointed at', () => {
  const made = scene(planOf([layer([4, 8, NaN])], { lines: [level(5, { drag: { cue: 'c', token: 'level' } }), level(2)] }));
  const rows: readonly [x: number, y: number, row: number | null][] = [
    [70, 100, 0],
    [119, 21, 0],
    [121, 21, 1],
    [270, 60, 2],
    [19, 60, null],
    [100, 121, null],
  ];
  for (const [x, y, row] of rows) it(`${x}, ${y}: row ${row}`, () => expect(rowAt(made, { x, y })).toBe(row));
  it('words hang at the end of a mark, or beside the middle where it is missing', () =>
    expect([anchorOf(made, 1), anchorOf(made, 2), anchorOf(made, 9)]).toEqual([{ x: 170, y: 40 }, { x: 270, y: 70 }, null]));
  it('a line that belongs to a number can be taken hold of', () =>
    expect([handleAt(made, { x: 50, y: 75 })?.target, handleAt(made, { x: 50, y: 100 }), handleAt(made, { x: 2, y: 70 })]).toEqual([
      { cue: 'c', token: 'level' },
      null,
      null,
    ]));
  it('a bar is outlined around it, a missing one not at all', () =>
    expect([flat(outlineOf(made, 0)), flat(outlineOf(made, 2))]).toEqual([[[31, 78, 78, 44]], []]));
});

describe('a tiny picture', () => {
  const plan = planOf([layer([4, 8, 2]), layer([5, 5, 5], { shape: 'line', colour: RED })], {
    lines: [level(5, { label: 'average' })],
    title: 'Milk',
  });
  const tiny = sceneOf(plan, tinyLayout(plan, 90, 34), () => NaN, TINY);
  it('is the same scene in a small layout, without words', () => {
    // 30 px a category; a unit has 3 px, zero stands at 33.
    const bars = flat(items(tiny, 'bars'))[0];
    [3.9, 21, 22.2, 12, 33.9, 9, 22.2, 24, 63.9, 27, 22.2, 6].forEach((value, i) => expect(bars?.[i]).toBeCloseTo(value, 6));
    expect(tiny.groups.flatMap(group => group.items).some(({ kind }) => kind === 'text')).toBeFalse();
  });
  it('lies where the figure lies', () => {
    const horizontal = planOf([layer([4])], { horizontal: true, categories: ['Alm'] });
    expect(
      flat(
        items(
          sceneOf(horizontal, tinyLayout(horizontal, 93, 20), () => 0, TINY),
          'bars',
        ),
      )[0]
        ?.slice(0, 3)
        .map(Math.round),
    ).toEqual([0, 3, 36]);
  });
});

describe('the parts of a figure', () => {
  const named = (plan: ChartPlan, at = layout): Record<string, unknown[]> =>
    Object.fromEntries(
      scene(plan, at).parts.map(({ id, cue, box: { left, top, width, height } }) => [id, [cue, left, top, width, height]]),
    );

  it('axes are the strips beside and below the plot', () =>
    expect(named(planOf([layer([4])]))).toEqual({
      'axis first': [null, 0, 20, 20, 100],
      categories: [null, 20, 120, 300, 20],
    }));
  it('turned, they change places', () =>
    expect(named(planOf([layer([4])], { horizontal: true }), turned)).toEqual({
      'axis first': [null, 20, 120, 300, 20],
      categories: [null, 0, 20, 20, 100],
    }));
  it('a line with a label is met at it, one without along the plot', () => {
    const { 'line 1': labelled, 'line 2': bare } = named(
      planOf([], { lines: [level(5, { label: 'mean', cue: 'a' }), level(2, { cue: 'b' })] }),
    );
    // Four letters of 12.5 px, at the right end, above the line at y = 70.
    expect(labelled).toEqual(['a', 268, 51.5, 50, 16.5]);
    expect(bare).toEqual(['b', 20, 95, 300, 10]);
  });
  it('a band is met between its lowest and its highest', () => {
    const band = {
      panel: 0,
      axis: 0,
      low: Float64Array.of(2, 3),
      high: Float64Array.of(6, 4),
      style: 'filled',
      colour: GREEN,
      cue: 'c',
      dragLow: null,
      dragHigh: null,
    } as const;
    expect(named(planOf([], { bands: [band] }))['band 1']).toEqual(['c', 20, 60, 300, 40]);
  });
  it('what the head says is told in its order', () => {
    const words = headOf(
      planOf([], { title: 'Milk', subtitle: 'at last', legend: [{ text: 'top', cue: 'c', key: { kind: 'ramp', colours: [GREEN] } }] }),
      300,
      wide,
    );
    const parts = scene(
      planOf([], {
        title: 'Milk',
        subtitle: 'at last',
        axisNote: 'milk by hut',
        legend: [{ text: 'top', cue: 'c', key: { kind: 'ramp', colours: [GREEN] } }],
      }),
      { ...layout, head: { words, left: 10, top: 5 } },
    ).parts;
    expect(parts.map(({ id }) => id)).toEqual(['title', 'subtitle', 'legend 1', 'axis first', 'categories']);
    expect(parts[0]?.box).toEqual({ left: 10, top: 5, width: 4 * (parts[0]?.font?.size ?? 0), height: words.styles.title.line });
    expect(parts[2]?.cue).toBe('c');
  });
  it('the names of panels that lie beside each other have a line of their own under the head', () => {
    const panels = ['a', 'b'].map(title => ({ title, axes: [axis(0, 10)] }));
    const height = (horizontal: boolean): number => headOf(planOf([], { title: 'Milk', panels, horizontal }), 300, wide).height;
    expect(height(true) - height(false)).toBe(14);
  });
  it('a note stands at the foot, in two or three lines where it is long, in none where there is no room', () => {
    const footed = (note: string, highest?: number) => {
      const words = footOf(planOf([], { note }), 312, wide, highest);
      return scene(planOf([], { note }), { ...layout, height: 220, foot: { words, left: 14, top: 130 } }).parts.find(
        ({ id }) => id === 'foot',
      )?.box;
    };
    expect(footed('Source: the huts')).toEqual({ left: 14, top: 134, width: 192, height: 17 });
    expect(footed('word '.repeat(40))?.height).toBe(51);
    expect(footed('word '.repeat(40), 40)?.height).toBe(34);
    expect([footed('Source: the huts', 20), footed('')]).toEqual([undefined, undefined]);
  });
  it('a mark is met within its bar, at its point, and at its label', () => {
    const made = scene(planOf([layer([4, 8], { labels: [{ at: 1, text: '8', where: 'end' }] })]));
    const [label] = made.labelled;
    const at = (x: number, y: number): unknown => markAt(made, { x, y })?.row ?? null;
    expect([at(70, 100), at(70, 60), at(170, 60), at(5, 60)]).toEqual([0, null, 1, null]);
    expect(markAt(made, { x: (label?.box.left ?? 0) + 1, y: (label?.box.top ?? 0) + 1 })).toEqual({ row: 1, layer: 0 });
    const line = scene(planOf([layer([4, 8], { shape: 'line' })]));
    expect([markAt(line, { x: 170, y: 43 })?.row, markAt(line, { x: 120, y: 60 })]).toEqual([1, null]);
  });
});
