import { Chart } from 'chart.js';
import type { ChartPlan, Layer, Livery } from 'core/plan';
import { FigureDrawing } from './index';
import { pageScene, toPng } from './files';
import { CategoryNames } from './axes/category-names';
import { optionsOf } from './axes/chart-config';
import { TextWidths } from './canvas/text-widths';
import { layer as layerOf, planOf, type PlanParts } from './scene/sample-plan.spec';

const livery: Livery = {
  ground: '#ffffff',
  ink: '#000000',
  soft: '#555555',
  hair: '#dddddd',
  base: '#5f7a70',
  series: [],
  quiet: '#84978e',
  colours: {},
  font: 'sans-serif',
};
const colours = ['#ff0000', '#00ff00', '#0000ff'];

const layer = (values: readonly number[], change: Partial<Layer> = {}): Layer =>
  layerOf(values, { colour: '#123456', colours, stroke: { width: 2, dash: 'solid', marker: '' }, ...change });
const panel = (low: number, high: number, ticks: number[] = [], title = '') => ({
  title,
  axes: [
    {
      scale: { kind: 'linear' as const, low, high, ticks },
      tickLabels: ticks.map(String),
      title: '',
      numbers: true,
      reversed: false,
      side: 'near' as const,
    },
  ],
});

const planWith = (
  { layers, ...change }: PlanParts & { readonly layers?: readonly Layer[] } = {},
  values: readonly number[] = [4, 8, 2],
): ChartPlan =>
  planOf(layers ?? [layer(values)], {
    title: 'Milk by hut',
    axisNote: 'milk (L) by hut',
    panels: [panel(0, 8, [0, 4, 8])],
    livery,
    ...change,
  });

/** Draws on a canvas of 600 × 400 pixels and gives it with its drawing. */
function drawn(plan: ChartPlan): { canvas: HTMLCanvasElement; drawing: FigureDrawing } {
  const canvas = Object.assign(document.createElement('canvas'), { width: 600, height: 400 });
  return { canvas, drawing: new FigureDrawing(canvas, plan, { fixed: { responsive: false, devicePixelRatio: 1 } }) };
}

/** The first and the last column of a clear canvas that anything is drawn in, be it half a pixel. */
function inked(canvas: HTMLCanvasElement): number[] {
  const { width, height } = canvas;
  const { data } = (canvas.getContext('2d') as CanvasRenderingContext2D).getImageData(0, 0, width, height);
  const columns = Array.from({ length: width }, (_, x) => x).filter(x =>
    Array.from({ length: height }, (_, y) => data[4 * (y * width + x) + 3] as number).some(alpha => alpha > 40),
  );
  return [columns[0] ?? NaN, columns.at(-1) ?? NaN];
}

function pixels(canvas: HTMLCanvasElement, hex: string): { count: number; left: number; right: number; top: number; bottom: number } {
  const { data } = (canvas.getContext('2d') as CanvasRenderingContext2D).getImageData(0, 0, canvas.width, canvas.height);
  const rgb = [1, 3, 5].map(i => parseInt(hex.slice(i, i + 2), 16));
  const found = { count: 0, left: Infinity, right: -1, top: Infinity, bottom: -1 };
  for (let i = 0; i < data.length; i += 4) {
    if (data[i + 3] !== 255 || rgb.some((part, j) => data[i + j] !== part)) continue;
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
    const { canvas, drawing } = drawn(planWith({ horizontal: true }));
    const [red, green] = colours.map(colour => pixels(canvas, colour)) as [ReturnType<typeof pixels>, ReturnType<typeof pixels>];
    expect((green.right - green.left) / (red.right - red.left)).toBeCloseTo(2, 1);
    expect(red.bottom).toBeLessThan(green.top);
    drawing.destroy();
  });
  it('a missing value has no bar, a negative one hangs below', () => {
    const { canvas, drawing } = drawn(planWith({ panels: [panel(-4, 4, [-4, 0, 4])] }, [4, NaN, -4]));
    expect(pixels(canvas, '#00ff00').count).toBe(0);
    expect(pixels(canvas, '#0000ff').top).toBeGreaterThanOrEqual(pixels(canvas, '#ff0000').bottom);
    drawing.destroy();
  });
  it('shows another plan on the same canvas, with fewer bars', () => {
    const { canvas, drawing } = drawn(planWith());
    drawing.show(planWith({ categories: ['Alm'], layers: [layer([4], { colours: ['#ff00ff'] })] }));
    expect(pixels(canvas, '#00ff00').count).toBe(0);
    expect(pixels(canvas, '#ff00ff').count).toBeGreaterThan(1000);
    drawing.destroy();
  });
  it('labels stand above their bars in ink and inside the canvas', () => {
    const plain = drawn(planWith({ panels: [panel(0, 10)] }));
    const labelled = drawn(
      planWith({
        panels: [panel(0, 10)],
        layers: [layer([4, 8, 2], { labels: [{ at: 1, text: '8', where: 'end' }] })],
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
  it('outlines the row pointed at on the canvas above, and draws nothing of the figure again', () => {
    const [canvas, above] = [0, 1].map(() => Object.assign(document.createElement('canvas'), { width: 600, height: 400 }));
    const drawing = new FigureDrawing(canvas!, planWith(), { fixed: { responsive: false, devicePixelRatio: 1 }, above: above! });
    const [green, texts] = [pixels(canvas!, '#00ff00'), spyOn(CanvasRenderingContext2D.prototype, 'fillText').and.callThrough()];
    drawing.pointAt(1);
    const during = inked(above!);
    expect(during.map((x, i) => Math.abs(x - [green.left, green.right][i]!) <= 4)).toEqual([true, true]);
    drawing.pointAt(null);
    expect(pixels(above!, '#000000').count).toBe(0);
    expect(texts).not.toHaveBeenCalled();
    drawing.destroy();
  });
  it('draws nothing but the ground for no categories', () => {
    const { canvas, drawing } = drawn(planWith({ categories: [], layers: [] }));
    expect(pixels(canvas, '#ffffff').count).toBeGreaterThan(100_000);
    expect(drawing.rowAt({ x: 300, y: 200 })).toBeNull();
    drawing.destroy();
  });
  it('lines run through their points and leave gaps where a value is missing', () => {
    const { canvas, drawing } = drawn(
      planWith({
        layers: [layer([2, NaN, 6, 6], { shape: 'line', rows: Int32Array.of(0, 1, 2, 3), colours: Array<string>(4).fill('#00ff00') })],
        categories: ['a', 'b', 'c', 'd'],
      }),
    );
    const line = pixels(canvas, '#123456');
    expect(line.count).toBeGreaterThan(50);
    expect(line.left).toBeGreaterThan(canvas.width / 2);
    // The lone first value has a point of its own.
    expect(pixels(canvas, '#00ff00').right).toBeLessThan(canvas.width / 3);
    drawing.destroy();
  });
  it('marked points of a line show in their colour', () => {
    const { canvas, drawing } = drawn(planWith({ layers: [layer([2, 8, 2], { shape: 'line', marked: Uint8Array.of(0, 1, 0) })] }));
    expect([pixels(canvas, '#ff0000').count, pixels(canvas, '#00ff00').count > 20, pixels(canvas, '#0000ff').count]).toEqual([0, true, 0]);
    drawing.destroy();
  });
  it('series stand side by side, or on each other', () => {
    const two = [
      layer([2, 2, 2], { slots: 2, colours: Array<string>(3).fill('#ff0000') }),
      layer([4, 4, 4], { slot: 1, slots: 2, colours: Array<string>(3).fill('#00ff00'), rows: Int32Array.of(3, 4, 5) }),
    ];
    const side = drawn(planWith({ layers: two }));
    expect(pixels(side.canvas, '#ff0000').bottom).toBe(pixels(side.canvas, '#00ff00').bottom);
    const onTop = { slot: 0, slots: 1, bases: Float64Array.of(2, 2, 2), ends: Float64Array.of(6, 6, 6) };
    const stacked = drawn(
      planWith({
        layers: [
          { ...two[0]!, slots: 1 },
          { ...two[1]!, ...onTop },
        ],
      }),
    );
    expect(pixels(stacked.canvas, '#00ff00').bottom).toBeLessThanOrEqual(pixels(stacked.canvas, '#ff0000').top + 1);
    expect(pixels(stacked.canvas, '#ff0000').left).toBe(pixels(stacked.canvas, '#00ff00').left);
    for (const { drawing } of [side, stacked]) drawing.destroy();
  });
  it('panels lie above each other, the first on top, and share the categories', () => {
    const two = [
      layer([2, 2, 2], { colours: Array<string>(3).fill('#ff0000') }),
      layer([4, 4, 4], { panel: 1, colours: Array<string>(3).fill('#00ff00') }),
    ];
    const { canvas, drawing } = drawn(planWith({ layers: two, panels: [panel(0, 4, [0, 4], 'one'), panel(0, 4, [0, 4], 'two')] }));
    const [upper, lower] = [pixels(canvas, '#ff0000'), pixels(canvas, '#00ff00')];
    expect(upper.bottom).toBeLessThan(lower.top);
    expect(upper.left).toBe(lower.left);
    expect((lower.bottom - lower.top) / (upper.bottom - upper.top)).toBeCloseTo(2, 1);
    expect(drawing.rowAt({ x: upper.left + 5, y: lower.top + 5 })).toBe(0);
    drawing.destroy();
  });
  it('shows another plan as a new one does, also where the next size comes later', async () => {
    const lying = planWith({ horizontal: true });
    const upright = planWith({ panels: [panel(0, 20, [0, 10, 20])] }, [12, 20, 6]);
    const ways: readonly [string, ChartPlan, ChartPlan][] = [
      ['from lying to upright', lying, upright],
      ['from upright to lying', upright, lying],
      ['from one axis to another', planWith(), upright],
    ];
    for (const [way, before, after] of ways) {
      const { drawing, canvas } = drawn(before);
      drawing.show(after);
      const fresh = drawn(after);
      expect(canvas.toDataURL()).withContext(way).toBe(fresh.canvas.toDataURL());
      for (const one of [canvas, fresh.canvas]) Chart.getChart(one)?.resize(420, 300);
      await new Promise(resolve => setTimeout(resolve, RESIZED_MS));
      expect(canvas.toDataURL()).withContext(`${way}, then smaller`).toBe(fresh.canvas.toDataURL());
      // A size that came before the plan is taken up after it.
      drawing.show(before);
      for (const one of [canvas, fresh.canvas]) Chart.getChart(one)?.resize(500, 350);
      drawing.show(after);
      await new Promise(resolve => setTimeout(resolve, RESIZED_MS));
      expect(canvas.toDataURL()).withContext(`${way}, while it grows`).toBe(fresh.canvas.toDataURL());
      for (const one of [drawing, fresh.drawing]) one.destroy();
    }
  });
  it('is not drawn again when a size came just before it went', async () => {
    const { canvas, drawing } = drawn(planWith());
    Chart.getChart(canvas)?.resize(420, 300);
    drawing.destroy();
    // What is thrown meanwhile fails the run.
    await expectAsync(new Promise(resolve => setTimeout(resolve, RESIZED_MS))).toBeResolved();
  });
  it('makes PNG files of the asked size', async () => {
    const blob = await toPng(await pageScene(planWith(), { width: 300, height: 200 }), { scale: 2 });
    const image = await createImageBitmap(blob);
    expect([blob.type, image.width, image.height]).toEqual(['image/png', 600, 400]);
  });
});

// Sizes that follow each other are drawn once they have stood still for 30 ms.
const RESIZED_MS = 80;

describe('the configuration', () => {
  it('has no animation and no hover of its own', () => {
    const widths = new TextWidths();
    const { animation, events } = optionsOf(planWith(), { names: new CategoryNames(planWith, widths), widths });
    expect([animation, events]).toEqual([false, []]);
  });
});
