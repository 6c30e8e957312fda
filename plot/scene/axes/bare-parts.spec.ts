import { bareParts } from './bare-parts';
import { solid } from '../marks/looks';
import { PixelScales } from '../pixel-scales';
import { axis, layer, layout, planOf, turned } from '../sample-plan.spec';
import type { SceneItem } from '../scene';
import { sceneOf } from '../scene-of';

// Zero lies in the middle: at 70 px of an upright plot from 20 to 120, at 170 px of a lying one from 20 to 320.
const scale = { kind: 'linear' as const, low: -10, high: 10, ticks: [-10, 0, 10] };
const aroundZero = { panels: [{ title: '', axes: [{ ...axis(-10, 10), scale, tickLabels: ['−10', '0', '10'] }] }] };
const across: SceneItem = { kind: 'segments', points: Float64Array.of(20, 69.5, 320, 69.5), stroke: solid('#445566', 1) };
const down: SceneItem = { kind: 'segments', points: Float64Array.of(170.5, 20, 170.5, 120), stroke: solid('#445566', 1) };

const partsOf = (bars: readonly Parameters<typeof layer>[], horizontal = false): number[] => {
  const plan = planOf(
    bars.map(args => layer(...args)),
    { ...aroundZero, horizontal },
  );
  const pixels = new PixelScales(plan, horizontal ? turned : layout);
  const placed = plan.panels.flatMap(panel => panel.layers).map(item => pixels.placed(item));
  return bareParts(horizontal ? down : across, placed, horizontal).flatMap(item =>
    item.kind === 'segments' ? Array.from(item.points, value => Math.round(value * 10) / 10) : [],
  );
};

const span = (ends: readonly number[], starts: readonly number[], whiskers = false): Parameters<typeof layer> => [
  ends,
  { shape: 'span', bases: Float64Array.from(starts), span: { deep: null, connectors: false, whiskers } },
];

describe('a line that bars stand on', () => {
  const whole = [20, 69.5, 320, 69.5];
  // Three categories of 100 px, bars of 74 in the middle of each.
  const cases: readonly [name: string, bars: readonly Parameters<typeof layer>[], expected: number[]][] = [
    ['shows all along under bars that begin at it', [[[5, -5, 3]]], whole],
    ['is hidden by a bar that reaches over it', [span([5, 5, 5], [1, -5, 1])], [20, 69.5, 133, 69.5, 207, 69.5, 320, 69.5]],
    ['and by both of two', [span([5, 5, 5], [-1, 1, -5])], [107, 69.5, 233, 69.5, 307, 69.5, 320, 69.5].concat([20, 69.5, 33, 69.5])],
    ['not by a missing one', [span([5, NaN, 5], [1, -5, 1])], whole],
    ['not by whiskers', [span([5, 5, 5], [1, -5, 1], true)], whole],
    ['not by points', [[[5, -5, 3], { shape: 'points' }]], whole],
  ];
  const inOrder = (numbers: number[]): string[] =>
    Array.from({ length: numbers.length / 4 }, (_, i) => numbers.slice(4 * i, 4 * i + 4).join(' ')).sort();
  for (const [name, bars, expected] of cases) it(name, () => expect(inOrder(partsOf(bars))).toEqual(inOrder(expected)));

  it('the same where bars lie', () => {
    const parts = partsOf([span([5, 5, 5], [1, -5, 1])], true);
    expect(parts.length).toBe(8);
    expect([parts[0], parts[1], parts[6], parts[7]]).toEqual([170.5, 20, 170.5, 120]);
    // The middle one of three of 33 px takes 74 hundredths of that around 69.
    expect([parts[3], parts[5]]).toEqual([56.8, 81.2]);
  });
});

describe('a label near the line', () => {
  const width = (text: string, { size }: { readonly size: number }): number => (text.length * size) / 2;
  it('does not stand on it, also where it is asked to stand beside its point', () => {
    const at = (value: number) =>
      sceneOf(
        planOf([layer([9, value, 9], { shape: 'points', labels: [{ at: 1, text: '12', where: 'left' }] })], aroundZero),
        layout,
        width,
      ).labelled.map(({ box: { top, height } }) => [top, top + height]);
    // Far from it, its middle is its point's: 5 of 10 below zero are 25 px.
    const [[top, bottom] = []] = at(-5);
    expect(((top as number) + (bottom as number)) / 2).toBe(95);
    for (const near of [-1, -0.2, 0, 0.5]) {
      const [[from, to] = [70, 70]] = at(near);
      // A line of one pixel is drawn on one whole pixel: from 70 to 71.
      expect((to as number) <= 70 || (from as number) >= 71)
        .withContext(`${near}: ${from} to ${to}`)
        .toBeTrue();
    }
  });
});
