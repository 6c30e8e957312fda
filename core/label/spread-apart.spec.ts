import { spreadApart, type Bounds, type Stretch } from './spread-apart';

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
