import type { ChartPlan, Layer, Livery } from 'core/plan';
import { linearScale } from 'core/scale';

// What the pages of the drawing rows share: the size of their canvases, a livery, a plan of bars or of a line.

export const [WIDTH, HEIGHT] = [1200, 600];
export const livery: Livery = {
  ground: '#ffffff',
  ink: '#000000',
  soft: '#555555',
  hair: '#dddddd',
  base: '#5f7a70',
  series: ['#5f7a70'],
  quiet: '#84978e',
  colours: { brass: '#b87f0a', slate: '#36506e' },
  font: 'sans-serif',
};

export function canvas(): HTMLCanvasElement {
  const made = Object.assign(document.createElement('canvas'), { width: WIDTH, height: HEIGHT });
  document.body.replaceChildren(made);
  return made;
}

export const canvases = (count: number): HTMLCanvasElement[] => {
  const made = Array.from({ length: count }, () => Object.assign(document.createElement('canvas'), { width: WIDTH, height: HEIGHT }));
  document.body.replaceChildren(...made);
  return made;
};

/** Reading one pixel waits until everything is rastered. */
export const rastered = (element: HTMLCanvasElement): unknown =>
  (element.getContext('2d') as CanvasRenderingContext2D).getImageData(0, 0, 1, 1);

export const valuesAt = (count: number, round: number): Float64Array =>
  Float64Array.from({ length: count }, (_, i) => 1000 + ((i * 7919 + round * 104729) % 9000));

export const FIXED = { responsive: false, devicePixelRatio: 1 } as const;

/** One measure over so many huts; every tenth mark is emphasised. */
export function planOf(count: number, round: number, change: Partial<Layer> = {}): ChartPlan {
  const values = valuesAt(count, round);
  const scale = linearScale(values);
  const layer: Layer = {
    name: 'milk',
    measure: 'milk',
    as: null,
    shape: 'column',
    panel: 0,
    axis: 0,
    slot: 0,
    slots: 1,
    values,
    ends: values,
    bases: null,
    base: 0,
    rows: Int32Array.from(values, (_, i) => i),
    colour: '#84978e',
    colours: Array.from(values, (_, i) => (i % 10 === 0 ? '#b87f0a' : '#84978e')),
    marked: new Uint8Array(count),
    outlined: [],
    beyond: [],
    glyphs: [],
    labels: [],
    stroke: { width: 2, dash: 'solid', marker: '' },
    span: null,
    cue: null,
    ...change,
  };
  return {
    kind: 'chart',
    legendAt: 'top',
    source: '',
    wordFaults: [],
    title: 'Milk by hut',
    subtitle: 'Bench',
    note: '',
    axisNote: 'milk by hut',
    legend: [],
    categories: Array.from(values, (_, i) => `hut ${i}`),
    along: { places: null, counted: null, ordered: false, names: 'fitting', marked: [], beside: 'axis' },
    panels: [
      {
        title: '',
        axes: [{ scale, tickLabels: scale.ticks.map(String), title: '', numbers: true, reversed: false, side: 'near' }],
        layers: [layer],
        levelLines: [],
        bands: [],
      },
    ],
    panelColumns: null,
    gridlines: true,
    zeroLine: 'auto' as const,
    horizontal: false,
    notes: [],
    description: '',
    livery,
    pictures: {},
    outside: [],
    parts: [],
  };
}
