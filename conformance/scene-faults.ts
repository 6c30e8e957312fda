import type { ChartPlan } from 'core/plan';
import type { Scene, SceneItem, TextWidth } from 'plot';

type TextItem = Extract<SceneItem, { kind: 'text' }>;
type Point = readonly [x: number, y: number];

// Less than this is not seen, in pixels.
const UNSEEN = 0.5;
const SHARES = { left: 0, centre: 0.5, right: 1 } as const;

/** The four corners of a text as it is written, turned or not. Shares nothing with what places it. */
function cornersOf({ text, x, y, font, align, turn = 0 }: TextItem, width: TextWidth): Point[] {
  const wide = width(text, font);
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
  const from = -wide * SHARES[align];
  return [
    [from, -font.size / 2],
    [from + wide, -font.size / 2],
    [from + wide, font.size / 2],
    [from, font.size / 2],
  ].map(([dx, dy]) => [x + (dx as number) * cos - (dy as number) * sin, y + (dx as number) * sin + (dy as number) * cos]);
}

/** How far two convex shapes lie in each other, by the separating axes of both; negative or zero for not at all. */
function depthOf(a: readonly Point[], b: readonly Point[]): number {
  let least = Infinity;
  for (const shape of [a, b])
    shape.forEach(([x, y], i) => {
      const [nextX, nextY] = shape[(i + 1) % shape.length] as Point;
      const length = Math.hypot(nextX - x, nextY - y);
      if (length === 0) return;
      const [nx, ny] = [(nextY - y) / length, (x - nextX) / length];
      const reach = (points: readonly Point[]): [number, number] => {
        const all = points.map(([px, py]) => px * nx + py * ny);
        return [Math.min(...all), Math.max(...all)];
      };
      const [[aLow, aHigh], [bLow, bHigh]] = [reach(a), reach(b)];
      least = Math.min(least, Math.min(aHigh, bHigh) - Math.max(aLow, bLow));
    });
  return least;
}

const rectangle = (left: number, top: number, width: number, height: number): Point[] => [
  [left, top],
  [left + width, top],
  [left + width, top + height],
  [left, top + height],
];

/** What a reader would find wrong with the words of a figure: cut texts, texts on texts, labels on marks that are not their own, on lines, points or glyphs; labels that are neither there nor reported. */
export function faultsOf(plan: ChartPlan, scene: Scene, width: TextWidth): string[] {
  const items = scene.groups.flatMap(group => group.items.map(item => ({ group: group.name, item })));
  const texts = items.flatMap(({ item }) => (item.kind === 'text' && item.text ? [{ item, corners: cornersOf(item, width) }] : []));
  const labels = texts.filter(({ item }) => item.role === 'label' || item.role === 'line');
  const faults: string[] = [];
  const whole = { width: scene.width, height: scene.height };
  for (const { item, corners } of texts)
    if (corners.some(([x, y]) => x < -UNSEEN || y < -UNSEEN || x > whole.width + UNSEEN || y > whole.height + UNSEEN))
      faults.push(`cut: ${item.role} “${item.text}”`);
  texts.forEach((a, i) =>
    texts.slice(i + 1).forEach(b => {
      if (depthOf(a.corners, b.corners) > UNSEEN) faults.push(`${a.item.role} “${a.item.text}” on ${b.item.role} “${b.item.text}”`);
    }),
  );
  for (const { item, corners } of labels) {
    faults.push(...onMarks(item, corners, scene, plan), ...onItems(item, corners, items));
    if (isStruck(corners, scene, plan)) faults.push(`${item.role} “${item.text}” on the base line`);
  }
  const asked = plan.panels.flatMap(panel => panel.layers).reduce((sum, layer) => sum + layer.labels.length, 0);
  const told = scene.labelled.length + scene.dropped.filter(({ layer }) => layer >= 0).length;
  if (asked !== told) faults.push(`${asked} labels asked for, ${told} told of`);
  return faults;
}

function onMarks(item: TextItem, corners: readonly Point[], { targets, ground }: Scene, { panels }: ChartPlan): string[] {
  const layers = panels.flatMap(panel => panel.layers);
  const faults: string[] = [];
  targets.forEach(({ boxes }, nth) => {
    if (!boxes) return;
    for (let i = 0; i < boxes.length; i += 4) {
      const [left, top, wide, high] = boxes.subarray(i, i + 4) as unknown as [number, number, number, number];
      if (Number.isNaN(left + top + wide + high)) continue;
      const depth = depthOf(corners, rectangle(left, top, wide, high));
      if (!(depth > UNSEEN)) continue;
      const inside = corners.every(
        ([x, y]) => x >= left - UNSEEN && x <= left + wide + UNSEEN && y >= top - UNSEEN && y <= top + high + UNSEEN,
      );
      if (inside && item.on !== ground && item.on === layers[nth]?.colours[i / 4]) continue;
      faults.push(`${item.role} “${item.text}” on a ${layers[nth]?.shape} of ${layers[nth]?.name}`);
    }
  });
  return faults;
}

// Groups whose strokes, dots and glyphs no label may touch.
const SOLID = new Set(['lines', 'points', 'areas', 'level lines', 'glyphs', 'beyond', 'breaks of bars']);

function onItems(
  text: TextItem,
  corners: readonly Point[],
  items: readonly { readonly group: string; readonly item: SceneItem }[],
): string[] {
  return items.flatMap(({ group, item }): string[] => {
    const named = `${text.role} “${text.text}” on ${group}`;
    if (item.kind === 'dots' && (SOLID.has(group) || group === 'bars'))
      return pairs(item.points).some(
        ([x, y]) => depthOf(corners, rectangle(x - item.radius, y - item.radius, 2 * item.radius, 2 * item.radius)) > UNSEEN,
      )
        ? [named]
        : [];
    if (!SOLID.has(group)) return [];
    if (item.kind === 'glyph')
      return depthOf(corners, rectangle(item.x - item.size, item.y - item.size, 2 * item.size, 2 * item.size)) > UNSEEN ? [named] : [];
    if ((item.kind === 'path' || item.kind === 'segments') && item.stroke) {
      const points = pairs(item.points);
      const step = item.kind === 'path' ? 1 : 2;
      for (let i = 0; i + 1 < points.length; i += step)
        if (runsThrough(points[i] as Point, points[i + 1] as Point, corners, item.stroke.width / 2)) return [named];
    }
    return [];
  });
}

/** Whether a line that marks stand on shows through a text: it does where no bar is painted over it; whiskers are too thin to hide it. */
export function isStruck(
  corners: readonly Point[],
  { groups, targets }: Pick<Scene, 'groups' | 'targets'>,
  { panels }: Pick<ChartPlan, 'panels'>,
): boolean {
  const layers = panels.flatMap(panel => panel.layers);
  const boxes = targets.flatMap(({ boxes: own }, nth) => (own && !layers[nth]?.span?.whiskers ? quads(own) : []));
  const isBare = ([x, y]: Point): boolean =>
    !boxes.some(([left, top, wide, high]) => x > left && x < left + wide && y > top && y < top + high);
  const lines = groups.filter(({ name }) => name === 'base lines').flatMap(({ items }) => items);
  return lines.some(item => {
    if (item.kind !== 'segments') return false;
    const ends = pairs(item.points);
    return ends.some((from, i) => i % 2 === 0 && runsThrough(from, ends[i + 1] as Point, corners, item.stroke.width / 2, isBare));
  });
}

const quads = (values: Float64Array): [number, number, number, number][] =>
  Array.from({ length: values.length / 4 }, (_, i) => [...values.subarray(4 * i, 4 * i + 4)] as [number, number, number, number]);

const pairs = (points: Float64Array): Point[] =>
  Array.from({ length: points.length / 2 }, (_, i) => [points[2 * i] as number, points[2 * i + 1] as number]);

/** Whether a line comes into a box at a point where it is seen, walked in steps of half a pixel. */
function runsThrough(
  [x1, y1]: Point,
  [x2, y2]: Point,
  corners: readonly Point[],
  half: number,
  isSeen: (point: Point) => boolean = () => true,
): boolean {
  const [xs, ys] = [corners.map(([x]) => x), corners.map(([, y]) => y)];
  const [left, right, top, bottom] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  if (
    Math.max(x1, x2) < left - half ||
    Math.min(x1, x2) > right + half ||
    Math.max(y1, y2) < top - half ||
    Math.min(y1, y2) > bottom + half
  )
    return false;
  const steps = Math.max(1, Math.ceil(2 * Math.hypot(x2 - x1, y2 - y1)));
  for (let i = 0; i <= steps; i++) {
    const [x, y] = [x1 + ((x2 - x1) * i) / steps, y1 + ((y2 - y1) * i) / steps];
    if (x > left + UNSEEN - half && x < right - UNSEEN + half && y > top + UNSEEN - half && y < bottom - UNSEEN + half && isSeen([x, y]))
      return true;
  }
  return false;
}
