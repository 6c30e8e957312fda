import { overlaps, placeBarLabels, type BarEnd, type Box } from './index';
import { spreadApart, type Bounds, type Stretch } from './spread-apart';

const area: Box = { left: 0, top: 0, width: 400, height: 200 };
const end = (x: number, y: number, direction: BarEnd['direction'] = 'up', width = 40): BarEnd => ({ x, y, direction, width, height: 14 });

describe('labels at the ends of bars', () => {
  const cases: readonly [name: string, end: BarEnd, left: number, top: number][] = [
    ['above an upright bar', end(100, 50), 80, 31],
    ['below a negative one', end(100, 50, 'down'), 80, 55],
    ['right of a lying bar', end(100, 50, 'right'), 105, 43],
    ['left of a negative one', end(100, 50, 'left'), 55, 43],
    ['never past the right edge', end(395, 50, 'right'), 360, 43],
    ['never past the top', end(100, 5), 80, 0],
    ['never past the left edge', end(4, 90), 0, 71],
  ];
  for (const [name, at, left, top] of cases)
    it(name, () => expect(placeBarLabels([at], area)[0]).toEqual({ left, top, width: 40, height: 14 }));

  it('two labels of equal neighbours stand beside each other, not on each other', () => {
    const [a, b] = placeBarLabels([end(100, 50), end(120, 50)], area) as [Box, Box];
    expect(overlaps(a, b)).toBe(false);
    expect(a.top).toBe(b.top);
    expect((a.left + b.left) / 2).toBeCloseTo(90, 6);
  });
  it('labels that fit in the area do not overlap, whatever the bars', () => {
    for (let round = 0; round < 60; round++) {
      const ends = Array.from({ length: 6 }, (_, i) =>
        end(30 + i * 60, 60 + 80 * Math.abs(Math.sin(round * 7 + i)), 'up', 20 + ((round * i) % 30)),
      );
      const boxes = placeBarLabels(ends, area);
      boxes.forEach((box, i) => {
        expect(box.left).toBeGreaterThanOrEqual(0);
        expect(box.left + box.width).toBeLessThanOrEqual(400);
        boxes.slice(i + 1).forEach(other => expect(overlaps(box, other)).toBe(false));
      });
    }
  });
  it('a label steps just so far that it clears an obstacle; one that is fixed stays', () => {
    const point = { left: 95, top: 40, width: 10, height: 10 };
    const [free] = placeBarLabels([end(100, 60)], area, [point]) as [Box];
    // From 41 to 55 by its bar; from 25 to 39 it no longer touches the point at 40.
    expect([free.left, free.top]).toEqual([80, 25]);
    const fixed = { ...end(100, 60), fixed: true };
    expect(placeBarLabels([fixed], area, [point])[0]?.top).toBe(41);
    expect(placeBarLabels([end(100, 60), fixed], area)[0]?.top).toBeLessThan(41 - 13);
  });
  it('beside a point the other side is taken when the first is not free, and only when it is free itself', () => {
    const point: BarEnd = { ...end(100, 60), other: { x: 100, y: 70, direction: 'down' } };
    const [above, below] = [
      { left: 95, top: 40, width: 10, height: 10 },
      { left: 95, top: 80, width: 10, height: 10 },
    ];
    const topBeside = (...obstacles: Box[]): number | undefined => placeBarLabels([point], area, obstacles)[0]?.top;
    expect([topBeside(), topBeside(above), topBeside(above, below)]).toEqual([41, 75, 25]);
  });
  it('no labels, no boxes', () => expect(placeBarLabels([], area)).toEqual([]));
});

describe('spreading stretches apart', () => {
  const cases: readonly [name: string, stretches: Stretch[], bounds: Bounds | undefined, starts: number[]][] = [
    [
      'those that do not touch stay',
      [
        { start: 0, length: 2 },
        { start: 5, length: 2 },
      ],
      undefined,
      [0, 5],
    ],
    [
      'two that overlap move alike',
      [
        { start: 0, length: 4 },
        { start: 2, length: 4 },
      ],
      undefined,
      [-1, 3],
    ],
    [
      'in the order given, not the order on the line',
      [
        { start: 2, length: 4 },
        { start: 0, length: 4 },
      ],
      undefined,
      [3, -1],
    ],
    [
      'inside the bounds',
      [
        { start: 0, length: 4 },
        { start: 2, length: 4 },
      ],
      { from: 0, to: 20 },
      [0, 4],
    ],
    ['none', [], undefined, []],
  ];
  for (const [name, stretches, bounds, starts] of cases) it(name, () => expect(spreadApart(stretches, bounds)).toEqual(starts));
});
