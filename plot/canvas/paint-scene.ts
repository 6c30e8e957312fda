import type { Gradient, Scene, SceneItem, StrokeLook } from '../scene/scene';
import { rectAt, type Rect } from '../scene/marks/flat';
import type { Canvas } from './brushes';
import { fontText } from './text-widths';

/** A long path that runs up and down is rastered slowly; in pieces of so many points a third faster. */
export const PIECE = 8;

/** A path of a scene. */
export type PathItem = Item<'path'>;

/** Whether a path is stroked in pieces: they meet only where their ends are round. */
export const isInPieces = ({ closed, fill, stroke }: PathItem): boolean =>
  !closed && fill === null && stroke?.cap === 'round' && stroke.dash.length === 0;

type Item<K extends SceneItem['kind']> = Extract<SceneItem, { readonly kind: K }>;

/** The parts of a scene that are painted. */
export type Seen = Pick<Scene, 'ground' | 'family' | 'pictures' | 'groups'>;

/** Strokes a scene. Nothing is placed, measured or worded here. */
export function paintScene(canvas: Canvas, scene: Seen): void {
  const { ctx } = canvas;
  for (const { clip, items } of scene.groups) {
    ctx.save();
    if (clip) {
      ctx.beginPath();
      ctx.rect(clip.left, clip.top, clip.width, clip.height);
      ctx.clip();
    }
    paintItems(canvas, scene, items);
    ctx.restore();
  }
}

/** Strokes some items of a scene. */
export function paintItems(canvas: Canvas, scene: Seen, items: readonly SceneItem[]): void {
  for (const item of items) painters[item.kind](item as never, canvas, scene);
}

const painters: { readonly [K in SceneItem['kind']]: (item: Item<K>, canvas: Canvas, scene: Seen) => void } = {
  rects({ boxes, fill, corners }, { ctx }) {
    if (typeof fill === 'string') ctx.fillStyle = fill;
    for (let i = 0; i < boxes.length; i += 4) {
      if (typeof fill !== 'string') ctx.fillStyle = gradientOf(ctx, rectAt(boxes, i), fill);
      const [left, top, width, height] = [boxes[i], boxes[i + 1], boxes[i + 2], boxes[i + 3]] as [number, number, number, number];
      // One path for all bars of a colour would be slower by far, since its fill looks for crossings.
      if (!corners) ctx.fillRect(left, top, width, height);
      else {
        ctx.beginPath();
        ctx.roundRect(left, top, width, height, corners as [number, number, number, number]);
        ctx.fill();
      }
    }
  },
  outlines({ boxes, stroke }, { ctx }) {
    dress(ctx, stroke);
    for (let i = 0; i < boxes.length; i += 4) ctx.strokeRect(...rectAt(boxes, i));
  },
  path(item, { ctx }) {
    const { points, closed, fill, stroke } = item;
    if (stroke) {
      dress(ctx, stroke);
      strokePath(ctx, item);
    }
    if (!fill) return;
    ctx.fillStyle = fill;
    ctx.beginPath();
    trace(ctx, points, 0, points.length);
    if (closed) ctx.closePath();
    ctx.fill();
  },
  polygons({ points, corners, fill, stroke }, { ctx }) {
    if (stroke) dress(ctx, stroke);
    ctx.fillStyle = fill;
    // One by one: a path of all of them is rastered slower by far.
    for (let i = 0; i < points.length; i += 2 * corners) {
      ctx.beginPath();
      trace(ctx, points, i, i + 2 * corners);
      ctx.closePath();
      if (stroke) ctx.stroke();
      ctx.fill();
    }
  },
  segments({ points, stroke }, { ctx }) {
    dress(ctx, stroke);
    ctx.beginPath();
    for (let i = 0; i < points.length; i += 4) {
      ctx.moveTo(points[i] as number, points[i + 1] as number);
      ctx.lineTo(points[i + 2] as number, points[i + 3] as number);
    }
    ctx.stroke();
  },
  dots({ points, radius, fill, stroke }, { ctx }) {
    if (fill) ctx.fillStyle = fill;
    if (stroke) dress(ctx, stroke);
    for (let i = 0; i < points.length; i += 2) {
      ctx.beginPath();
      ctx.arc(points[i] as number, points[i + 1] as number, radius, 0, 2 * Math.PI);
      if (fill) ctx.fill();
      if (stroke) ctx.stroke();
    }
  },
  text(item, { ctx }, { family }) {
    const { text, font, colour, align, turn } = item;
    ctx.font = fontText(font, family);
    ctx.textAlign = align === 'centre' ? 'center' : align;
    const { x, y } = turn === undefined ? item : { x: 0, y: 0 };
    if (turn !== undefined) {
      ctx.save();
      ctx.translate(item.x, item.y);
      ctx.rotate(turn);
    }
    ctx.textBaseline = 'middle';
    ctx.fillStyle = colour;
    ctx.fillText(text, x, y);
    if (turn !== undefined) ctx.restore();
  },
  glyph({ glyph, x, y, size, colour }, canvas, { ground, pictures }) {
    canvas.brushes.glyph(canvas, { glyph, x, y, size, colour, ground, picture: pictures[glyph] });
  },
};

function dress(ctx: CanvasRenderingContext2D, { colour, width, dash, join, cap }: StrokeLook): void {
  ctx.strokeStyle = colour;
  ctx.lineWidth = width;
  ctx.lineJoin = join;
  ctx.lineCap = cap;
  ctx.setLineDash([...dash]);
}

function strokePath(ctx: CanvasRenderingContext2D, item: PathItem): void {
  const { points, closed } = item;
  const length = isInPieces(item) ? 2 * PIECE : points.length;
  for (let from = 0; from === 0 || from < points.length - 2; from += length) {
    ctx.beginPath();
    trace(ctx, points, from, Math.min(points.length, from + length + 2));
    if (closed) ctx.closePath();
    ctx.stroke();
  }
}

function trace(ctx: CanvasRenderingContext2D, points: Float64Array, from: number, to: number): void {
  ctx.moveTo(points[from] as number, points[from + 1] as number);
  for (let i = from + 2; i < to; i += 2) ctx.lineTo(points[i] as number, points[i + 1] as number);
}

function gradientOf(ctx: CanvasRenderingContext2D, [left, top, width, height]: Rect, { low, high, horizontal }: Gradient): CanvasGradient {
  const gradient = horizontal ? ctx.createLinearGradient(left, 0, left + width, 0) : ctx.createLinearGradient(0, top + height, 0, top);
  gradient.addColorStop(0, low);
  gradient.addColorStop(1, high);
  return gradient;
}
