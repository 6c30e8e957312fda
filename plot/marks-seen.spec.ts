import type { Layer, LinePlan, Livery, Plan } from 'core/plan';
import { FigureDrawing } from './index';

export const livery: Livery = {
  ground: '#ffffff',
  ink: '#000000',
  soft: '#777777',
  hair: '#dddddd',
  base: '#5f7a70',
  series: [],
  quiet: '#84978e',
  colours: {},
  font: 'sans-serif',
};
export const RED = '#ff0000';
export const GREEN = '#00ff00';
export const BLUE = '#0000ff';

export const layer = (values: readonly number[], change: Partial<Layer> = {}): Layer => ({
  name: 'milk',
  measure: 'milk',
  shape: 'column',
  panel: 0,
  axis: 0,
  slot: 0,
  slots: 1,
  values: Float64Array.from(values),
  ends: Float64Array.from(values),
  bases: null,
  rows: Int32Array.from(values, (_, i) => i),
  colour: RED,
  colours: values.map(() => RED),
  marked: new Uint8Array(values.length),
  outlined: [],
  glyphs: [],
  labels: [],
  stroke: { width: 3, dash: 'solid', marker: '' },
  span: null,
  ...change,
});
export const axis = (low: number, high: number, title = '') => ({
  scale: { low, high, ticks: [low, high] },
  tickLabels: [`${low}`, `${high}`],
  title,
  numbers: true,
});
export const level = (value: number, change: Partial<LinePlan> = {}): LinePlan => ({
  panel: 0,
  axis: 0,
  values: Float64Array.of(value, value, value),
  colour: BLUE,
  stroke: { width: 3, dash: 'solid', marker: '' },
  label: '',
  drag: null,
  ...change,
});

export const planOf = (layers: readonly Layer[], change: Partial<Plan> = {}): Plan => ({
  title: '',
  subtitle: '',
  axisNote: '',
  legend: [],
  categories: ['Alm', 'Berg', 'Cloud'],
  panels: [{ title: '', axes: [axis(0, 10)] }],
  gridlines: false,
  lying: false,
  layers,
  lines: [],
  bands: [],
  description: '',
  livery,
  pictures: {},
  ...change,
});

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
export function draw(plan: Plan): { seen: (hex: string, off?: number) => Seen; drawing: FigureDrawing } {
  const canvas = Object.assign(document.createElement('canvas'), { width: 600, height: 400 });
  const drawing = new FigureDrawing(canvas, plan, { responsive: false, devicePixelRatio: 1 });
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
export const see = (plan: Plan, hex: string, off?: number): Seen => {
  const { seen, drawing } = draw(plan);
  const found = seen(hex, off);
  drawing.destroy();
  return found;
};
export const only = (at: number, colour: string): string[] => [0, 1, 2].map(i => (i === at ? colour : livery.quiet));
