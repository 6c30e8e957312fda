import type { ChartPlan } from 'core/plan';
import { FigureDrawing } from './index';

export interface Seen {
  readonly count: number;
  readonly left: number;
  readonly right: number;
  readonly top: number;
  readonly bottom: number;
  readonly width: number;
  readonly height: number;
}

/** Draws a plan on 600 × 400 pixels and tells where the pixels of a colour are. */
export function draw(plan: ChartPlan): { seen: (hex: string, off?: number) => Seen; drawing: FigureDrawing } {
  const canvas = Object.assign(document.createElement('canvas'), { width: 600, height: 400 });
  const drawing = new FigureDrawing(canvas, plan, { fixed: { responsive: false, devicePixelRatio: 1 } });
  const seen = (hex: string, off = 0): Seen => {
    const { data } = (canvas.getContext('2d') as CanvasRenderingContext2D).getImageData(0, 0, 600, 400);
    const rgb = [1, 3, 5].map(i => parseInt(hex.slice(i, i + 2), 16));
    let [count, left, right, top, bottom] = [0, 600, -1, 400, -1];
    for (let i = 0; i < data.length; i += 4) {
      if (rgb.some((part, j) => Math.abs((data[i + j] as number) - part) > off)) continue;
      const [x, y] = [(i / 4) % 600, Math.floor(i / 2400)];
      count++;
      [left, right, top, bottom] = [Math.min(left, x), Math.max(right, x), Math.min(top, y), Math.max(bottom, y)];
    }
    return { count, left, right, top, bottom, width: right - left + 1, height: bottom - top + 1 };
  };
  return { seen, drawing };
}
export const see = (plan: ChartPlan, hex: string, off?: number): Seen => {
  const { seen, drawing } = draw(plan);
  const found = seen(hex, off);
  drawing.destroy();
  return found;
};
