import { contains, crosses, Obstacles, overlaps, placeLabels, type Box, type LabelPlace, type LabelWish, type Spot } from './index';

const room: Box = { left: 0, top: 0, width: 400, height: 200 };
/** Half a size for each letter. */
const width = (text: string, size: number): number => (text.length * size) / 2;

const spot = (x: number, y: number, change: Partial<Spot> = {}): Spot => ({ x, y, side: 'above', gap: 5, ...change });
const wish = (spots: readonly Spot[], change: Partial<LabelWish> = {}): LabelWish => ({
  lines: ['12345678'],
  shorter: () => [],
  spots,
  size: 12,
  smallest: 10,
  weight: 400,
  priority: 0,
  steps: true,
  leads: false,
  pinned: false,
  ...change,
});
const placed = (wishes: readonly LabelWish[], obstacles = new Obstacles(), within = room): (LabelPlace | null)[] =>
  placeLabels(wishes, { obstacles, room: within, width });
const corner = (place: LabelPlace | null | undefined) => (place ? [place.box.left, place.box.top] : null);
const blocked = (...boxes: Box[]): Obstacles => {
  const obstacles = new Obstacles();
  for (const box of boxes) obstacles.box(box);
  return obstacles;
};

describe('a label with nothing in its way', () => {
  // 8 letters of 12 px are 48 wide and 12 high.
  const cases: readonly [name: string, spot: Spot, left: number, top: number][] = [
    ['above its point', spot(100, 50), 76, 33],
    ['below', spot(100, 50, { side: 'below' }), 76, 55],
    ['right', spot(100, 50, { side: 'right' }), 105, 44],
    ['left', spot(100, 50, { side: 'left' }), 47, 44],
    ['over', spot(100, 50, { side: 'over', gap: 0 }), 76, 44],
    ['brought back from the left edge', spot(10, 50), 0, 33],
    ['brought back from the right edge', spot(395, 50), 352, 33],
  ];
  for (const [name, at, left, top] of cases) it(name, () => expect(corner(placed([wish([at])])[0])).toEqual([left, top]));

  it('where its first spot leaves the room it takes the next', () =>
    expect(placed([wish([spot(100, 10), spot(100, 10, { side: 'below' })])])[0]?.spot).toBe(1));
  it('two lines are as high as two lines', () => {
    const [place] = placed([wish([spot(100, 50)], { lines: ['ab', 'cdef'] })]);
    // 12 + 14.4 high, 24 wide.
    expect(place?.box).toEqual({ left: 88, top: 50 - 5 - 26.4, width: 24, height: 26.4 });
  });
});

describe('a label with something in its way', () => {
  it('steps aside, but not further than its point', () => {
    // Half of 48 times 0.35 to the left is 8.4.
    const [place] = placed([wish([spot(100, 50)])], blocked({ left: 118, top: 30, width: 20, height: 20 }));
    expect(corner(place)).toEqual([76 - 8.4, 33]);
  });
  it('may lie on its own mark, and within it only', () => {
    const bar = { left: 70, top: 60, width: 60, height: 40 };
    const obstacles = blocked(bar);
    const inside = spot(100, 80, { side: 'over', gap: 0, within: bar, on: [0, 1] });
    expect(corner(placed([wish([inside])], obstacles)[0])).toEqual([76, 74]);
    const narrow = { ...bar, width: 40 };
    expect(placed([wish([{ ...inside, within: narrow }], { smallest: 12 })], blocked(narrow))[0]).toBeNull();
    // In letters of 10 px it is 40 wide.
    expect(placed([wish([{ ...inside, within: { ...narrow, left: 80 } }])], blocked({ ...narrow, left: 80 }))[0]?.size).toBe(10);
  });
  it('becomes smaller, then shorter, then stands off with a line that leads to it, and is dropped at last', () => {
    const walls = blocked(
      { left: 0, top: 0, width: 78, height: 200 },
      { left: 122, top: 0, width: 278, height: 200 },
      { left: 78, top: 0, width: 44, height: 25 },
    );
    // Between 78 and 122 there is room for 44: 8 letters of 11 px.
    const tight = wish([spot(100, 50)], { shorter: () => [['12345']] });
    expect(placed([tight], walls)[0]).toEqual(jasmine.objectContaining({ size: 11, lines: ['12345678'], leader: null }));
    expect(placed([{ ...tight, lines: ['1234567890'], shorter: () => [['1234567']] }], walls)[0]).toEqual(
      jasmine.objectContaining({ size: 12, lines: ['1234567'] }),
    );
    expect(placed([{ ...tight, lines: ['1234567890'], shorter: () => [] }], walls)[0]).toBeNull();
    const ring = blocked({ left: 60, top: 25, width: 80, height: 50 });
    const led = placed([wish([spot(100, 50)], { leads: true })], ring)[0];
    expect(led?.leader).not.toBeNull();
    expect(led && overlaps(led.box, { left: 60, top: 25, width: 80, height: 50 })).toBeFalse();
    expect(placed([wish([spot(100, 50)])], ring)[0]).toBeNull();
  });
  it('what was put somewhere stays there; others keep clear of it', () => {
    const [pinned, other] = placed([wish([spot(100, 50, { side: 'over', gap: 0 })], { pinned: true, priority: 9 }), wish([spot(100, 60)])]);
    expect(corner(pinned)).toEqual([76, 44]);
    expect(pinned && other && overlaps(pinned.box, other.box)).toBeFalse();
  });
});

describe('labels among each other', () => {
  it('those of smaller priority choose first, whatever their order', () => {
    const two = [wish([spot(100, 50)], { priority: 2, steps: false }), wish([spot(100, 50)], { priority: 1, steps: false })];
    expect(placed(two).map(place => place !== null)).toEqual([false, true]);
    expect(placed(two.map(item => ({ ...item, priority: 1 }))).map(place => place !== null)).toEqual([true, false]);
  });
  it('none that has a free spot moves because another has changed', () => {
    const row = Array.from({ length: 6 }, (_, i) => wish([spot(40 + 60 * i, 100)], { priority: i }));
    const before = placed(row);
    const after = placed(row.map((item, i) => (i === 2 ? { ...item, spots: [spot(161, 99)] } : item)));
    expect(after.filter((_, i) => i !== 2).map(corner)).toEqual(before.filter((_, i) => i !== 2).map(corner));
  });
  it('none that steps aside stands where another is waited for', () => {
    // The middle one has to step; its neighbours' middles lie at 60 and 140.
    const places = placed([
      wish([spot(100, 50)], { priority: 1 }),
      wish([spot(104, 50)], { priority: 0 }),
      wish([spot(140, 50)], { priority: 2 }),
    ]);
    const box = places[0]?.box;
    expect(box === undefined || box.left > 140 || box.left + box.width < 140 || box.top + box.height <= 33).toBeTrue();
  });
  it('two hundred at one point: those that fit, the same twice, none on another', () => {
    const many = Array.from({ length: 200 }, (_, i) => wish([spot(200 + (i % 7), 100)], { priority: i }));
    const places = placed(many).flatMap(place => place ?? []);
    expect(placed(many)).toEqual(placed(many));
    expect(places.length).toBeGreaterThan(1);
    places.forEach((a, i) => places.slice(i + 1).forEach(b => expect(overlaps(a.box, b.box)).toBeFalse()));
    for (const { box } of places) expect(contains(room, box)).toBeTrue();
  });
  it('no labels, no places; one without spots has none', () => expect([placed([]), placed([wish([])])]).toEqual([[], [null]]));
});

describe('what is in the way', () => {
  const box: Box = { left: 10, top: 10, width: 20, height: 10 };
  const lines: readonly [name: string, x1: number, y1: number, x2: number, y2: number, meets: boolean][] = [
    ['through it', 0, 15, 40, 15, true],
    ['from corner to corner', 0, 5, 40, 25, true],
    ['past a corner', 0, 14, 14, 0, false],
    ['along its edge', 0, 10, 40, 10, false],
    ['that ends before it', 0, 15, 9, 15, false],
    ['within it', 12, 12, 14, 14, true],
    ['a point beside it', 5, 5, 5, 5, false],
  ];
  for (const [name, x1, y1, x2, y2, meets] of lines)
    it(`a line ${name}`, () => {
      expect(crosses({ x1, y1, x2, y2 }, box)).toBe(meets);
      const obstacles = new Obstacles();
      obstacles.segment({ x1, y1, x2, y2 }, 0);
      expect(obstacles.meets(box)).toBe(meets);
    });
  const grounds: readonly [name: string, low: [number, number], high: [number, number], meets: boolean][] = [
    ['above it', [9, 9], [0, 0], false],
    ['that slopes into it', [5, 25], [0, 0], true],
    ['whose slope stays above where it lies', [5, 11], [0, 0], false],
    ['over it', [40, 40], [0, 0], true],
  ];
  for (const [name, low, high, meets] of grounds)
    it(`ground ${name}`, () => {
      const upright = new Obstacles();
      upright.ground({ from: 0, to: 40, low, high, horizontal: false });
      expect(upright.meets(box)).toBe(meets);
      const lying = new Obstacles();
      lying.ground({ from: 0, to: 40, low, high, horizontal: true });
      expect(lying.meets({ left: 10, top: 10, width: 10, height: 20 })).toBe(meets);
    });
  it('but what may be lain on is not', () => {
    const obstacles = blocked(box, box);
    expect([obstacles.meets(box, [0, 1]), obstacles.meets(box, [0, 2]), new Obstacles().meets(box)]).toEqual([true, false, false]);
  });
  it('is the same for few labels as for many', () => {
    let state = 7;
    const random = (): number => (state = (state * 16_807) % 2_147_483_647) / 2_147_483_647;
    const number = (most: number): number => Math.round(random() * most * 4) / 4;
    const boxes = Array.from({ length: 400 }, (): Box => ({ left: number(400), top: number(300), width: number(12), height: number(12) }));
    const lines = Array.from({ length: 60 }, () => {
      const [x1, y1] = [number(400), number(300)];
      return { x1, y1, x2: x1 + number(30) - 15, y2: y1 + number(30) - 15 };
    });
    const all = (): Obstacles => {
      const obstacles = blocked(...boxes);
      for (const line of lines) obstacles.segment(line, 0);
      return obstacles;
    };
    const [few, many] = [all(), all()];
    few.readyFor(1);
    many.readyFor(100);
    const answers = new Map<string, number>();
    for (let i = 0; i < 3000; i++) {
      const own: Box = { left: number(400), top: number(300), width: 1 + number(30), height: 1 + number(12) };
      // Half of the boxes and the first lines may be lain on.
      const except: [number, number] = i % 2 ? [200, 410] : [0, 0];
      const there = (at: number): boolean => at < except[0] || at >= except[1];
      const expected =
        boxes.some((box, at) => there(at) && overlaps(box, own) && box.width + box.height > 0) ||
        lines.some((line, nth) => there(400 + nth) && crosses(line, own));
      const told = [few.meets(own, except), many.meets(own, except)];
      expect(told).toEqual([expected, expected]);
      answers.set(String(expected), (answers.get(String(expected)) ?? 0) + 1);
    }
    // Both answers are asked for.
    expect(Math.min(answers.get('true') ?? 0, answers.get('false') ?? 0)).toBeGreaterThan(500);
  });
});
