import { LIGHT_LIVERY, pictureOf, type ChartPlan } from 'core/plan';
import { FigureDrawing } from 'plot';
import { grownFigure } from '../../conformance/grown-figures';
import { isStruck } from '../../conformance/scene-faults';

/** A text as a canvas was told to write it: its corners in CSS pixels. */
interface Written {
  readonly text: string;
  readonly corners: readonly (readonly [x: number, y: number])[];
  /** Whether a line that marks stand on runs through it. */
  readonly struck?: boolean;
}

const LIVERY = { ...LIGHT_LIVERY };

/** Draws a figure from a seed on a canvas of the page and gives the corners of every text that was written, measured by the page's own fonts. */
function drawn(seed: number): { readonly width: number; readonly height: number; readonly texts: Written[] } {
  const { table, figure, size } = grownFigure(seed);
  const made = pictureOf({ figure, table, writing: { units: {}, formats: [] }, livery: LIVERY });
  if (!made.ok) throw new Error(`figure ${seed} cannot be drawn`);
  const canvas = Object.assign(document.createElement('canvas'), size);
  document.body.append(canvas);
  const ctx = canvas.getContext('2d') as CanvasRenderingContext2D;
  const texts: Written[] = [];
  const write = ctx.fillText.bind(ctx);
  let last: Written[] = [];
  ctx.fillText = (text: string, x: number, y: number) => {
    write(text, x, y);
    const { width, actualBoundingBoxAscent: up, actualBoundingBoxDescent: down } = ctx.measureText(text);
    const from = { left: 0, start: 0, center: -width / 2, right: -width, end: -width }[ctx.textAlign];
    const { a, b, c, d, e, f } = ctx.getTransform();
    const at = (dx: number, dy: number): readonly [number, number] => [a * (x + dx) + c * (y + dy) + e, b * (x + dx) + d * (y + dy) + f];
    last.push({ text, corners: [at(from, -up), at(from + width, -up), at(from + width, down), at(from, down)] });
  };
  const clear = ctx.fillRect.bind(ctx);
  // Every drawing begins with its ground: what counts is the last one.
  ctx.fillRect = (x, y, width, height) => {
    if (width >= size.width && height >= size.height) last = [];
    clear(x, y, width, height);
  };
  const plan = made.value.plans[0] as ChartPlan;
  const drawing = new FigureDrawing(canvas, plan, { fixed: { responsive: false, devicePixelRatio: 1 } });
  const { scene } = drawing;
  texts.push(...last.map(item => ({ ...item, struck: isStruck(item.corners, scene, plan) })));
  drawing.destroy();
  canvas.remove();
  return { ...size, texts };
}

(globalThis as unknown as { drawFigure: typeof drawn }).drawFigure = drawn;
