import { glyphOf } from 'core/glyph';
import { rectAt, type Rect } from '../scene/marks/flat';
import type { Corners, Gradient, Scene, SceneItem, StrokeLook } from '../scene/scene';
import { letterMiddle } from '../scene/labels/letter-middle';
import { attributes, escaped, num } from 'core/markup';

type Item<K extends SceneItem['kind']> = Extract<SceneItem, { readonly kind: K }>;

/** What items are written into: it names each gradient once. */
export interface SvgSheet {
  readonly scene: Scene;
  /** The reference of a gradient. */
  readonly gradient: (gradient: Gradient) => string;
}

// A picture is a little larger than a glyph: it has air of its own.
const PICTURE = 1.3;

/** The elements of an item, in the order of drawing; painters of the canvas draw the same. */
export function svgItem(item: SceneItem, sheet: SvgSheet): string[] {
  return (writers[item.kind] as (item: SceneItem, sheet: SvgSheet) => string[])(item, sheet);
}

const writers: { readonly [K in SceneItem['kind']]: (item: Item<K>, sheet: SvgSheet) => string[] } = {
  rects({ boxes, fill, corners }, { gradient }) {
    const look = { fill: typeof fill === 'string' ? fill : gradient(fill) };
    return eachRect(boxes, box =>
      corners ? tag('path', { d: roundedPath(box, corners), ...look }) : tag('rect', { ...sides(box), ...look }),
    );
  },
  outlines({ boxes, stroke }) {
    return eachRect(boxes, box => tag('rect', { ...sides(box), fill: 'none', ...strokeOf(stroke) }));
  },
  path({ points, closed, fill, stroke }) {
    const look = { fill: fill ?? 'none', ...(stroke ? strokeOf(stroke) : {}), ...(fill && stroke ? STROKE_FIRST : {}) };
    return points.length ? [tag('path', { d: tracePath(points, 0, points.length, closed), ...look })] : [];
  },
  polygons({ points, corners, fill, stroke }) {
    const look = { fill, ...(stroke ? { ...strokeOf(stroke), ...STROKE_FIRST } : {}) };
    return steps(points.length, 2 * corners).map(from => tag('path', { d: tracePath(points, from, from + 2 * corners, true), ...look }));
  },
  segments({ points, stroke }) {
    const d = steps(points.length, 4).map(from => tracePath(points, from, from + 4, false));
    return d.length ? [tag('path', { d: d.join(''), fill: 'none', ...strokeOf(stroke) })] : [];
  },
  dots({ points, radius, fill, stroke }) {
    const look = { fill: fill ?? 'none', ...(stroke ? strokeOf(stroke) : {}) };
    return steps(points.length, 2).map(at => tag('circle', { cx: points[at], cy: points[at + 1], r: radius, ...look }));
  },
  text({ text, x, y, font, colour, align, turn }, { scene }) {
    if (!text) return [];
    const base = y + letterMiddle(scene.family) * font.size;
    const look = {
      x,
      y: base,
      fill: colour,
      'font-size': font.size,
      'font-weight': font.weight,
      'text-anchor': align === 'left' ? undefined : align === 'right' ? 'end' : 'middle',
      transform: turn ? `rotate(${num((turn * 180) / Math.PI)} ${num(x)} ${num(y)})` : undefined,
    };
    return [`<text${attributes(look)}>${escaped(text)}</text>`];
  },
  glyph({ glyph, x, y, size, colour }, { scene }) {
    const known = glyphOf(glyph);
    if (!known) return pictureOf(scene.pictures[glyph], x, y, size * PICTURE);
    const { path: d, stroke = false } = known;
    const place = {
      transform: `translate(${num(x)} ${num(y)}) scale(${num(size)})`,
      'stroke-linejoin': 'round',
      'stroke-linecap': 'round',
    };
    const line = (width: number): string => String(Math.round((width / size) * 1e4) / 1e4);
    const halo = tag('path', { d, ...place, fill: 'none', stroke: scene.ground, 'stroke-width': line(stroke ? 5 : 3) });
    const ink = stroke ? { fill: 'none', stroke: colour, 'stroke-width': line(2.2) } : { fill: colour };
    return [halo, tag('path', { d, ...place, ...ink })];
  },
};

/** A stroke that lies under the fill, as the canvas draws it. */
const STROKE_FIRST = { 'paint-order': 'stroke' } as const;

const tag = (name: string, values: Readonly<Record<string, string | number | undefined>>): string => `<${name}${attributes(values)}/>`;

function pictureOf(source: string | undefined, x: number, y: number, half: number): string[] {
  // Pictures were checked when they were taken in; anything else than data is a reference to elsewhere.
  if (!source?.startsWith('data:image/')) return [];
  return [tag('image', { x: x - half, y: y - half, width: 2 * half, height: 2 * half, href: source })];
}

const strokeOf = ({ colour, width, dash, join, cap }: StrokeLook): Readonly<Record<string, string | number | undefined>> => ({
  stroke: colour,
  'stroke-width': width,
  'stroke-linejoin': join === 'miter' ? undefined : join,
  'stroke-linecap': cap === 'butt' ? undefined : cap,
  'stroke-dasharray': dash.length ? dash.map(num).join(' ') : undefined,
  // As a canvas has it.
  'stroke-miterlimit': join === 'miter' ? 10 : undefined,
});

const sides = ([x, y, width, height]: Rect): Readonly<Record<string, number>> => {
  // A canvas draws boxes whose sides are negative.
  const [left, top] = [Math.min(x, x + width), Math.min(y, y + height)];
  return { x: left, y: top, width: Math.abs(width), height: Math.abs(height) };
};

const steps = (length: number, by: number): number[] => Array.from({ length: Math.floor(length / by) }, (_, i) => i * by);

const eachRect = (boxes: Float64Array, write: (box: Rect) => string): string[] =>
  steps(boxes.length, 4).map(at => write(rectAt(boxes, at)));

function tracePath(points: Float64Array, from: number, to: number, closed: boolean): string {
  const parts = steps(to - from, 2).map(at => `${num(points[from + at] as number)} ${num(points[from + at + 1] as number)}`);
  return `M${parts.join('L')}${closed ? 'Z' : ''}`;
}

/** A box with corners of their own radii, which shrink together where a side has no room for both of its ends. */
function roundedPath(box: Rect, [topLeft, topRight, bottomRight, bottomLeft]: Corners): string {
  const { x = 0, y = 0, width = 0, height = 0 } = sides(box);
  const shrink = Math.min(
    roomFor(topLeft + topRight, width),
    roomFor(bottomLeft + bottomRight, width),
    roomFor(topLeft + bottomLeft, height),
    roomFor(topRight + bottomRight, height),
  );
  const [a, b, c, d] = [topLeft * shrink, topRight * shrink, bottomRight * shrink, bottomLeft * shrink];
  const [right, bottom] = [x + width, y + height];
  return (
    `M${num(x + a)} ${num(y)}H${num(right - b)}${arc(b, right, y + b)}` +
    `V${num(bottom - c)}${arc(c, right - c, bottom)}` +
    `H${num(x + d)}${arc(d, x, bottom - d)}` +
    `V${num(y + a)}${arc(a, x + a, y)}Z`
  );
}

/** The share of two radii that a side has room for. */
const roomFor = (both: number, side: number): number => (both > side ? side / both : 1);

const arc = (radius: number, toX: number, toY: number): string =>
  radius > 0 ? `A${num(radius)} ${num(radius)} 0 0 1 ${num(toX)} ${num(toY)}` : '';
