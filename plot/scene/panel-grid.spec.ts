import { layOut } from '../headless';
import { gridShape } from './panel-grid';
import { axis, layer, level, planOf, type PlanParts } from './sample-plan.spec';
import type { SceneItem } from './scene';

const width = (text: string): number => text.length * 6;
const SIZE = { width: 700, height: 420 };

/** So many panels, each with one layer of three values; panel p runs to ten times its number where scales are free. */
function panelled(count: number, change: PlanParts = {}, free = false) {
  const panels = Array.from({ length: count }, (_, p) => ({ title: `Panel ${p + 1}`, axes: [axis(0, free ? 10 * (p + 1) : 10)] }));
  const layers = panels.map((_, p) => layer([p % 10, 5, 9], { panel: p, rows: Int32Array.of(3 * p, 3 * p + 1, 3 * p + 2) }));
  return planOf(layers, { panels, gridlines: true, title: 'A title', ...change });
}
const texts = (items: readonly SceneItem[], role: string): Extract<SceneItem, { kind: 'text' }>[] =>
  items.filter((item): item is Extract<SceneItem, { kind: 'text' }> => item.kind === 'text' && item.role === role);
const sceneItems = (plan: ReturnType<typeof panelled>): readonly SceneItem[] =>
  layOut(plan, SIZE, width).groups.flatMap(({ items }) => items);

describe('how many panels stand beside each other', () => {
  const cases: readonly [
    name: string,
    count: number,
    size: { width: number; height: number },
    change: PlanParts,
    columns: number | null,
  ][] = [
    ['one panel is no grid', 1, SIZE, {}, null],
    ['five that are high enough stand above each other', 5, SIZE, {}, null],
    ['six take two columns', 6, SIZE, {}, 2],
    ['fourteen take three', 14, SIZE, {}, 3],
    ['sixty are as legible as there is room for', 60, SIZE, {}, 9],
    ['as chosen', 6, SIZE, { panelColumns: 4 }, 4],
    ['one below the other, as chosen', 14, SIZE, { panelColumns: 1 }, null],
    ['no more than there are', 2, SIZE, { panelColumns: 5 }, 2],
    ['lying panels stand beside each other', 5, SIZE, { horizontal: true }, null],
    ['and take a second row where they are too narrow', 8, SIZE, { horizontal: true }, 5],
  ];
  for (const [name, count, size, change, columns] of cases)
    it(name, () => expect(gridShape(panelled(count, change), size)?.columns ?? null).toBe(columns));
});

describe('a grid of panels', () => {
  const plan = panelled(7, { panelColumns: 3 });
  const items = sceneItems(plan);

  it('names every panel, row by row', () => {
    const titles = texts(items, 'panel');
    expect(titles.map(({ text }) => text).sort()).toEqual(plan.panels.map(({ title }) => title));
    const at = new Map(titles.map(({ text, x, y }) => [text, [x, y] as const]));
    const [one, two, four] = ['Panel 1', 'Panel 2', 'Panel 4'].map(name => at.get(name)!);
    expect(two![1]).toBe(one![1]);
    expect(four![0]).toBeCloseTo(one![0], 6);
    expect(four![1]).toBeGreaterThan(one![1]);
  });

  it('has equal plots, and equal values of one scale at equal pixels', () => {
    const { targets } = layOut(plan, SIZE, width);
    // The second value is 5 in every panel: those of a row stand at one height, and as far from their panel's first mark.
    const points = targets.map(({ ends }) => ({ x: ends[2]!, y: ends[3]!, wide: ends[4]! - ends[0]! }));
    for (const row of [
      [0, 1, 2],
      [3, 4, 5],
    ])
      for (const panel of row) expect(points[panel]!.y).toBeCloseTo(points[row[0]!]!.y, 6);
    for (const { wide } of points) expect(wide).toBeCloseTo(points[0]!.wide, 6);
    expect(points[1]!.x - points[0]!.x).toBeCloseTo(points[2]!.x - points[1]!.x, 6);
    expect(points[3]!.x).toBeCloseTo(points[0]!.x, 6);
  });

  it('writes the numbers of one scale once, those of several beside each panel', () => {
    const columns = (list: readonly SceneItem[]): number => new Set(texts(list, 'axis first').map(({ x }) => Math.round(x))).size;
    expect(columns(items)).toBe(1);
    expect(columns(sceneItems(panelled(7, { panelColumns: 3 }, true)))).toBe(3);
  });

  it('writes the title once, and nothing in the room that is left', () => {
    expect(texts(items, 'title').map(({ text }) => text)).toEqual(['A title']);
    // Three strips of three: two places are left, with neither lines nor names.
    expect(texts(items, 'panel').length).toBe(7);
  });

  it('knows its layers by their places in the whole plan', () => {
    const { targets } = layOut(plan, SIZE, width);
    expect(targets.map(({ rows }) => rows[0])).toEqual([0, 3, 6, 9, 12, 15, 18]);
  });

  it('tells where each panel’s title lies, and the axis once', () => {
    const ids = layOut(plan, SIZE, width).parts.map(({ id }) => id);
    expect(ids.filter(id => id.startsWith('panel'))).toEqual(plan.panels.map((_, i) => `panel ${i + 1}`));
    expect(ids.filter(id => id === 'axis first')).toEqual(['axis first']);
  });

  it('lines of a panel stand in it', () => {
    const lined = panelled(6, { panelColumns: 3, lines: [level(5, { panel: 4 })] });
    const lines = layOut(lined, SIZE, width)
      .groups.filter(({ name }) => name === 'level lines')
      .flatMap(({ items: own }) => own);
    expect(lines.length).toBe(1);
    const { targets } = layOut(lined, SIZE, width);
    const [line] = lines;
    expect(line!.kind === 'segments' || line!.kind === 'path' ? line!.points[1] : NaN).toBeCloseTo(targets[4]!.ends[3]!, 6);
  });

  it('lies: names at the left of every row, numbers below each panel', () => {
    const lying = layOut(panelled(6, { panelColumns: 3, horizontal: true }), SIZE, width);
    const names = texts(
      lying.groups.flatMap(({ items: own }) => own),
      'category',
    );
    expect(names.map(({ text }) => text).filter(text => text === 'Alm').length).toBe(2);
    expect(lying.targets.length).toBe(6);
  });
});
