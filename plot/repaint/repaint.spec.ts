import type { Box } from 'core/label';
import type { SceneGroup, SceneItem, StrokeLook } from '../scene/scene';
import { cutTo } from './cut-to';
import { groupsCompared } from './group-changes';
import { Tiles } from './tiles';

const STROKE: StrokeLook = { colour: '#123456', width: 2, dash: [], join: 'round', cap: 'round' };
const bars = (...tops: number[]): SceneItem => ({
  kind: 'rects',
  boxes: Float64Array.from(tops.flatMap((top, i) => [20 * i, top, 10, 100 - top])),
  fill: '#abcdef',
  corners: null,
});
const line = (...ys: number[]): SceneItem => ({
  kind: 'path',
  points: Float64Array.from(ys.flatMap((y, i) => [20 * i, y])),
  closed: false,
  fill: null,
  stroke: STROKE,
});
const area = (...ys: number[]): SceneItem => ({ ...line(...ys), closed: true, fill: '#00000033', stroke: null }) as SceneItem;
const word = (text: string, x = 50): SceneItem => ({
  kind: 'text',
  role: 'label',
  text,
  x,
  y: 30,
  font: { size: 10, weight: 400 },
  colour: '#000000',
  align: 'left',
  on: '#ffffff',
});
const group = (...items: SceneItem[]): SceneGroup => ({ name: 'marks', clip: null, items });

/** The boxes that are told to have changed, in whole pixels: left, top, right, bottom. */
function changes(
  before: readonly SceneGroup[],
  next: readonly SceneGroup[],
): { readonly told: number[][]; readonly kept: readonly SceneGroup[] } {
  const told: number[][] = [];
  const kept = groupsCompared(before, next, {
    changed: ({ left, top, width, height }) => told.push([left, top, left + width, top + height].map(Math.round)),
    isEnough: () => false,
    measure: text => 6 * text.length,
    isLying: false,
    unseen: 1 / 256,
  });
  return { told, kept };
}

describe('what differs between two scenes', () => {
  const cases: readonly (readonly [what: string, before: SceneItem[], next: SceneItem[], told: number[][]])[] = [
    ['nothing', [bars(10, 20, 30), word('a')], [bars(10, 20, 30), word('a')], []],
    [
      'a bar, as it was and as it is',
      [bars(10, 20, 30)],
      [bars(10, 50, 30)],
      [
        [19, 19, 31, 101],
        [19, 49, 31, 101],
      ],
    ],
    ['a bar that has come', [bars(10)], [bars(10, 50)], [[19, 49, 31, 101]]],
    ['a move too small to be seen', [bars(10, 20)], [bars(10, 20.001)], []],
    [
      'a corner of a line, with the two beside it',
      [line(10, 10, 10, 10, 10)],
      [line(10, 10, 40, 10, 10)],
      [
        [18, 8, 62, 12],
        [18, 8, 62, 42],
      ],
    ],
    [
      'what an area has swept',
      [area(10, 10, 90, 90)],
      [area(40, 10, 90, 90)],
      [
        [-1, 9, 21, 41],
        [-1, 9, 61, 91],
      ],
    ],
    [
      'another word, with room for its letters',
      [word('ab')],
      [word('abc')],
      [
        [41, 21, 77, 39],
        [41, 21, 71, 39],
      ],
    ],
    ['a word between two that stay', [word('a'), word('c')], [word('a'), word('b', 90), word('c')], [[81, 21, 105, 39]]],
  ];
  for (const [what, before, next, told] of cases)
    it(`is ${what}`, () => expect(changes([group(...before)], [group(...next)]).told).toEqual(told));

  it('is told of small moves once they add up', () => {
    let standing: readonly SceneGroup[] = [group(bars(10))];
    const seen: number[] = [];
    for (let step = 1; step <= 8; step++) {
      const { told, kept } = changes(standing, [group(bars(10 + step / 1000))]);
      if (told.length) seen.push(step);
      standing = kept;
    }
    // 1/256 is 0.0039: the fourth thousandth passes it, and the next four again.
    expect(seen).toEqual([4, 8]);
  });
  it('is all where something is cut off that was not', () =>
    expect(changes([group(word('a'))], [{ ...group(word('a')), clip: { left: 0, top: 0, width: 10, height: 10 } }]).told).toEqual([
      [0, 0, 1_000_000, 1_000_000],
    ]));
});

describe('tiles', () => {
  const boxesOf = (marked: readonly Box[], ratio = 1): readonly Box[] | null => {
    const tiles = new Tiles({ width: 800, height: 400 }, ratio);
    for (const box of marked) tiles.add(box);
    return tiles.boxes();
  };
  const box = (left: number, top: number, width: number, height: number): Box => ({ left, top, width, height });

  it('are none where nothing is marked, or only what lies beyond the canvas', () => {
    expect(boxesOf([])).toEqual([]);
    expect(boxesOf([box(-90, -90, 10, 10), box(900, 10, 10, 10), box(10, -90, 10, 10)])).toEqual([]);
  });
  it('lie on whole device pixels', () => {
    expect(boxesOf([box(11, 3, 2, 2)])).toEqual([box(8, 0, 8, 8)]);
    expect(boxesOf([box(7, 3, 2, 2)], 1.25)).toEqual([box(6.4, 0, 6.4, 6.4)]);
  });
  it('of a cross are not all that it spans', () => {
    const boxes = boxesOf([box(400, 0, 4, 399), box(0, 200, 799, 4)]) ?? [];
    const area = boxes.reduce((sum, { width, height }) => sum + width * height, 0);
    // Where both cross, it is painted twice.
    expect(area).toBe(8 * 400 + 8 * 800);
  });
  it('become one where that is painted sooner', () => expect(boxesOf([box(0, 0, 4, 4), box(20, 0, 4, 4)])).toEqual([box(0, 0, 32, 8)]));
  it('are given up where most is marked, or too many lie apart', () => {
    expect(boxesOf([box(0, 0, 800, 210)])).toBeNull();
    expect(boxesOf(Array.from({ length: 100 }, (_, i) => box((i % 10) * 80, Math.floor(i / 10) * 40, 1, 1)))).toBeNull();
  });
});

describe('what an item has in a box', () => {
  const box: Box = { left: 18, top: 0, width: 4, height: 100 };
  it('of bars, those that reach into it', () =>
    expect(cutTo(bars(10, 20, 30), box)).toEqual([{ ...bars(20), boxes: Float64Array.of(20, 20, 10, 80) } as SceneItem]));
  it('of a line, the pieces that it is stroked in', () => {
    const whole = line(...Array.from({ length: 41 }, () => 50));
    const cut = cutTo(whole, { left: 170, top: 0, width: 10, height: 100 });
    expect(cut.map(item => (item.kind === 'path' ? [...item.points].filter((_, i) => i % 2 === 0) : []))).toEqual([
      [160, 180, 200, 220, 240, 260, 280, 300, 320],
    ]);
  });
  it('of a dashed line all, since its dashes begin at its start', () => {
    const dashed = { ...line(50, 50), stroke: { ...STROKE, dash: [4, 2] } } as SceneItem;
    expect(cutTo(dashed, box)).toEqual([dashed]);
  });
});
