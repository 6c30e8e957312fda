import { Obstacles, type Box } from 'core/label';
import { isBar, shapeOf } from 'core/shape';
import { rectAt } from '../marks/flat';
import { isArea } from '../axes/breaks';
import { bareParts } from '../axes/bare-parts';
import type { PlacedLayer, PixelScales } from '../pixel-scales';
import type { SceneItem } from '../scene';

/** The obstacles for labels in a figure, with those of each layer's marks. */
export interface InTheWay {
  readonly obstacles: Obstacles;
  /** For each layer the index of its first obstacle and the index after its last; bars have one obstacle per category. */
  readonly ofLayer: readonly (readonly [from: number, to: number])[];
}

const NOTHING: Box = { left: 0, top: 0, width: 0, height: 0 };

/** What is drawn beside the marks of layers. */
interface Drawn {
  /** Visible parts of the lines that marks begin at; no label may be on them. */
  readonly baseLines: readonly SceneItem[];
  /** Level lines, points, glyphs and signs. */
  readonly items: readonly SceneItem[];
  /** Boxes of words already placed. */
  readonly words: readonly Box[];
}

/** Collects as obstacles: the marks of all layers, other items in the plot, and words already placed. */
export function inTheWay(pixels: PixelScales, layers: readonly PlacedLayer[], { baseLines, items, words }: Drawn): InTheWay {
  const obstacles = new Obstacles();
  const ofLayer = layers.map((placed): readonly [number, number] => {
    const from = obstacles.count;
    if (isBar(placed.layer)) addBars(obstacles, placed);
    else if (isArea(placed)) addAreas(obstacles, placed, pixels);
    return [from, obstacles.count];
  });
  for (const item of baseLines.flatMap(line => bareParts(line, layers, pixels.plan.horizontal))) addItem(obstacles, item);
  for (const item of items) addItem(obstacles, item);
  for (const box of words) obstacles.box(box);
  return { obstacles, ofLayer };
}

function addBars(obstacles: Obstacles, { boxes, layer }: PlacedLayer): void {
  for (let at = 0; at < layer.ends.length; at++) {
    const [left, top, width, height] = rectAt(boxes as Float64Array, 4 * at);
    // A number for every mark, whether it is there or not.
    obstacles.box(Number.isNaN(left + top + width + height) ? NOTHING : { left, top, width, height });
  }
}

/** An area is one obstacle per pair of neighbours; a stepped one changes half way. */
function addAreas(obstacles: Obstacles, { layer, ends, bases }: PlacedLayer, pixels: PixelScales): void {
  const { horizontal } = pixels.plan;
  const value = (at: number): number => pixels.kept(layer, ends[2 * at + (horizontal ? 0 : 1)] as number);
  const add = (from: number, to: number, a: number, b: number): void => {
    const edges = [value(a), value(b), bases[a] as number, bases[b] as number] as const;
    if (Number.isNaN(edges[0] + edges[1])) return;
    obstacles.ground({ from, to, high: [edges[0], edges[1]], low: [edges[2], edges[3]], horizontal });
  };
  for (let at = 0; at + 1 < layer.ends.length; at++) {
    const [from, to] = [pixels.along(at), pixels.along(at + 1)];
    if (!shapeOf(layer).steps) add(from, to, at, at + 1);
    else {
      add(from, (from + to) / 2, at, at);
      add((from + to) / 2, to, at + 1, at + 1);
    }
  }
}

type Adder<K extends SceneItem['kind']> = (obstacles: Obstacles, item: Extract<SceneItem, { readonly kind: K }>) => void;

// Around a glyph or a point, in CSS pixels.
const CLEAR = 1;

/** How each kind of item becomes obstacles. Filled paths are backgrounds that may hold words, except marks, which are added as marks. */
const adders: { readonly [K in SceneItem['kind']]: Adder<K> } = {
  rects(obstacles, { boxes }) {
    for (let i = 0; i < boxes.length; i += 4) {
      const [left, top, width, height] = rectAt(boxes, i);
      obstacles.box({ left, top, width, height });
    }
  },
  outlines: () => undefined,
  path(obstacles, { points, stroke }) {
    if (!stroke) return;
    for (let i = 0; i + 3 < points.length; i += 2) obstacles.segment(segmentAt(points, i), stroke.width);
  },
  polygons(obstacles, { points, corners }) {
    for (let i = 0; i < points.length; i += 2 * corners) {
      const [xs, ys] = [0, 1].map(axis => Array.from({ length: corners }, (_, corner) => points[i + 2 * corner + axis] as number)) as [
        number[],
        number[],
      ];
      const [left, top] = [Math.min(...xs), Math.min(...ys)];
      obstacles.box({ left, top, width: Math.max(...xs) - left, height: Math.max(...ys) - top });
    }
  },
  segments(obstacles, { points, stroke }) {
    for (let i = 0; i + 3 < points.length; i += 4) obstacles.segment(segmentAt(points, i), stroke.width);
  },
  dots(obstacles, { points, radius }) {
    const half = radius + CLEAR;
    for (let i = 0; i + 1 < points.length; i += 2)
      obstacles.box({ left: (points[i] as number) - half, top: (points[i + 1] as number) - half, width: 2 * half, height: 2 * half });
  },
  text: () => undefined,
  glyph(obstacles, { x, y, size }) {
    const half = size + CLEAR;
    obstacles.box({ left: x - half, top: y - half, width: 2 * half, height: 2 * half });
  },
};

const addItem = (obstacles: Obstacles, item: SceneItem): void => adders[item.kind](obstacles, item as never);

const segmentAt = (points: Float64Array, i: number) => ({
  x1: points[i] as number,
  y1: points[i + 1] as number,
  x2: points[i + 2] as number,
  y2: points[i + 3] as number,
});
