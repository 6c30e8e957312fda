import type { Livery, Plan } from 'core/plan';
import { FigureDrawing, toPng } from './index';
import { datasetsOf, optionsOf } from './chart-config';
import { fitted, shortened, wrapped } from './shortened';

const livery: Livery = {
  ground: '#ffffff',
  ink: '#000000',
  soft: '#555555',
  hair: '#dddddd',
  base: '#5f7a70',
  quiet: '#84978e',
  colours: {},
  font: 'sans-serif',
};
const colours = ['#ff0000', '#00ff00', '#0000ff'];

function planWith(change: Partial<Plan> = {}, values = [4, 8, 2]): Plan {
  return {
    title: 'Milk by hut',
    subtitle: '',
    axisNote: 'milk (L) by hut',
    legend: [],
    categories: ['Alm', 'Berg', 'Cloud'],
    scale: { low: 0, high: 8, ticks: [0, 4, 8] },
    tickLabels: ['0', '4', '8'],
    gridlines: false,
    lying: false,
    bars: [{ measure: 'milk', values: Float64Array.from(values), colours, labels: [] }],
    description: '',
    livery,
    ...change,
  };
}

/** Draws on a canvas of 600 × 400 pixels and gives it with its drawing. */
function drawn(plan: Plan): { canvas: HTMLCanvasElement; drawing: FigureDrawing } {
  const canvas = Object.assign(document.createElement('canvas'), { width: 600, height: 400 });
  return { canvas, drawing: new FigureDrawing(canvas, plan, { responsive: false, devicePixelRatio: 1 }) };
}

function pixels(canvas: HTMLCanvasElement, hex: string): { count: number; left: number; right: number; top: number; bottom: number } {
  const { data } = (canvas.getContext('2d') as CanvasRenderingContext2D).getImageData(0, 0, canvas.width, canvas.height);
  const rgb = [1, 3, 5].map(i => parseInt(hex.slice(i, i + 2), 16));
  const found = { count: 0, left: Infinity, right: -1, top: Infinity, bottom: -1 };
  for (let i = 0; i < data.length; i += 4) {
    if (rgb.some((part, j) => data[i + j] !== part)) continue;
    const [x, y] = [(i / 4) % canvas.width, Math.floor(i / 4 / canvas.width)];
    found.count++;
    Object.assign(found, {
      left: Math.min(found.left, x),
      right: Math.max(found.right, x),
      top: Math.min(found.top, y),
      bottom: Math.max(found.bottom, y),
    });
  }
  return found;
}

describe('drawing a plan', () => {
  it('columns have their colours and their lengths, left to right', () => {
    const { canvas, drawing } = drawn(planWith());
    const [red, green, blue] = colours.map(colour => pixels(canvas, colour)) as [
      ReturnType<typeof pixels>,
      ReturnType<typeof pixels>,
      ReturnType<typeof pixels>,
    ];
    const height = ({ top, bottom }: typeof red): number => bottom - top + 1;
    expect(height(green) / height(red)).toBeCloseTo(2, 1);
    expect(height(red) / height(blue)).toBeCloseTo(2, 1);
    expect(red.right).toBeLessThan(green.left);
    expect(green.right).toBeLessThan(blue.left);
    expect(red.bottom).toBe(blue.bottom);
    drawing.destroy();
  });
  it('lying bars run from the left, from the top', () => {
    const { canvas, drawing } = drawn(planWith({ lying: true }));
    const [red, green] = colours.map(colour => pixels(canvas, colour)) as [ReturnType<typeof pixels>, ReturnType<typeof pixels>];
    expect((green.right - green.left) / (red.right - red.left)).toBeCloseTo(2, 1);
    expect(red.bottom).toBeLessThan(green.top);
    drawing.destroy();
  });
  it('a missing value has no bar, a negative one hangs below', () => {
    const { canvas, drawing } = drawn(
      planWith({ scale: { low: -4, high: 4, ticks: [-4, 0, 4] }, tickLabels: ['−4', '0', '4'] }, [4, NaN, -4]),
    );
    expect(pixels(canvas, '#00ff00').count).toBe(0);
    expect(pixels(canvas, '#0000ff').top).toBeGreaterThanOrEqual(pixels(canvas, '#ff0000').bottom);
    drawing.destroy();
  });
  it('shows another plan on the same canvas, with fewer bars', () => {
    const { canvas, drawing } = drawn(planWith());
    drawing.show(
      planWith({ categories: ['Alm'], bars: [{ measure: 'milk', values: Float64Array.of(4), colours: ['#ff00ff'], labels: [] }] }),
    );
    expect(pixels(canvas, '#00ff00').count).toBe(0);
    expect(pixels(canvas, '#ff00ff').count).toBeGreaterThan(1000);
    drawing.destroy();
  });
  it('labels stand above their bars in ink and inside the canvas', () => {
    const plain = drawn(planWith({ scale: { low: 0, high: 10, ticks: [] }, tickLabels: [] }));
    const labelled = drawn(
      planWith({
        scale: { low: 0, high: 10, ticks: [] },
        tickLabels: [],
        bars: [{ measure: 'milk', values: Float64Array.of(4, 8, 2), colours, labels: [{ row: 1, text: '8' }] }],
      }),
    );
    expect(pixels(labelled.canvas, '#000000').count).toBeGreaterThan(pixels(plain.canvas, '#000000').count);
    for (const { drawing } of [plain, labelled]) drawing.destroy();
  });
  it('knows the row under a point and where its words hang', () => {
    const { canvas, drawing } = drawn(planWith());
    const green = pixels(canvas, '#00ff00');
    expect(drawing.rowAt({ x: (green.left + green.right) / 2, y: green.bottom - 3 })).toBe(1);
    expect(drawing.rowAt({ x: 2, y: 2 })).toBeNull();
    expect(drawing.anchorOf(1)?.y).toBeCloseTo(green.top, -1);
    expect(drawing.anchorOf(99)).toBeNull();
    drawing.destroy();
  });
  it('outlines the row pointed at', () => {
    const { canvas, drawing } = drawn(planWith());
    const before = pixels(canvas, '#000000').count;
    drawing.pointAt(1);
    const during = pixels(canvas, '#000000').count;
    drawing.pointAt(null);
    expect(during).toBeGreaterThan(before);
    expect(pixels(canvas, '#000000').count).toBe(before);
    drawing.destroy();
  });
  it('draws nothing but the ground for no categories', () => {
    const { canvas, drawing } = drawn(planWith({ categories: [], bars: [] }));
    expect(pixels(canvas, '#ffffff').count).toBeGreaterThan(100_000);
    expect(drawing.rowAt({ x: 300, y: 200 })).toBeNull();
    drawing.destroy();
  });
  it('makes PNG files of the asked size', async () => {
    const blob = await toPng(planWith(), { width: 300, height: 200, scale: 2 });
    const image = await createImageBitmap(blob);
    expect([blob.type, image.width, image.height]).toEqual(['image/png', 600, 400]);
  });
});

describe('the configuration', () => {
  it('has no animation, no hover of its own and no helper series', () => {
    expect(datasetsOf(planWith()).map(dataset => dataset.label)).toEqual(['milk']);
    expect([optionsOf(planWith()).animation, optionsOf(planWith()).events]).toEqual([false, []]);
  });
});

describe('texts that must fit', () => {
  const width = (text: string): number => text.length;
  const cuts: readonly [text: string, longest: number, short: string][] = [
    ['Alm', 5, 'Alm'],
    ['Juniper Rise', 8, 'Juniper…'],
    ['🔔🔔🔔🔔', 3, '🔔🔔…'],
  ];
  for (const [text, longest, short] of cuts) it(`${text} in ${longest}`, () => expect(shortened(text, longest)).toBe(short));
  const lines: readonly [text: string, most: number, result: string[]][] = [
    ['one two three', 3, ['one two', 'three']],
    ['one two three four', 1, ['one two…']],
    ['unbreakable-word', 2, ['unbreak…']],
    ['', 2, []],
  ];
  for (const [text, most, result] of lines) it(`“${text}” in ${most} lines`, () => expect(wrapped(text, 8, most, width)).toEqual(result));
  it('cuts to a width', () => expect([fitted('abcdef', 4, width), fitted('abc', 4, width)]).toEqual(['abc…', 'abc']));
});
