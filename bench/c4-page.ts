import type { ChartPlan, LabelAsk } from 'core/plan';
import { FigureDrawing } from 'plot';
import { TextWidths } from '../plot/canvas/text-widths';
import { sceneOf } from '../plot/scene/scene-of';
import type { PlotLayout } from '../plot/scene/layout';
import { compare, type Timing } from './measure';
import { canvases, FIXED, HEIGHT, planOf, rastered, WIDTH } from './page-sample';

/** What is measured for one number of labels. */
export interface C4Result {
  readonly count: number;
  readonly timings: readonly Timing[];
  /** Labels that found a place. */
  readonly placed: number;
}

/** Every mark with its value. */
function labelled(count: number, round: number): ChartPlan {
  const plan = planOf(count, round);
  const labels = (values: Float64Array): LabelAsk[] =>
    Array.from(values, (value, at) => ({ at, text: value.toLocaleString('en'), where: 'end' as const }));
  return {
    ...plan,
    panels: plan.panels.map(panel => ({ ...panel, layers: panel.layers.map(layer => ({ ...layer, labels: labels(layer.values) })) })),
  };
}

const layoutFor = (count: number): PlotLayout => ({
  width: WIDTH,
  height: HEIGHT,
  area: { left: 60, top: 60, width: WIDTH - 80, height: HEIGHT - 120 },
  first: 60 + (WIDTH - 80) / count / 2,
  perCategory: (WIDTH - 80) / count,
  axes: [[{ from: HEIGHT - 60, to: 60 }]],
  strips: [null],
  names: null,
  head: null,
  foot: null,
  side: null,
});

(globalThis as unknown as { bench: () => Promise<C4Result[]> }).bench = async () => {
  const results: C4Result[] = [];
  for (const count of [200, 2_000]) {
    const [one, two] = canvases(2) as [HTMLCanvasElement, HTMLCanvasElement];
    const ctx = one.getContext('2d') as CanvasRenderingContext2D;
    // As a figure measures: each text once.
    const width = new TextWidths().on(ctx, 'sans-serif');
    const layout = layoutFor(count);
    const plans = Array.from({ length: 12 }, (_, round) => labelled(count, round));
    const plain = plans.map((_, round) => planOf(count, round));
    const drawing = new FigureDrawing(two, plans[0] as ChartPlan, { fixed: FIXED });
    let round = 0;
    const next = (): number => ++round % plans.length;
    // No placement: each text is written above its bar, whatever lies there.
    const unplaced = (plan: ChartPlan): void => {
      ctx.clearRect(0, 0, WIDTH, HEIGHT);
      ctx.font = '650 13px sans-serif';
      ctx.textAlign = 'center';
      for (const { layers } of plan.panels)
        for (const { labels } of layers)
          for (const { at, text } of labels) ctx.fillText(text, layout.first + at * layout.perCategory, 100 + (at % 300));
      rastered(one);
    };
    const timings = await compare(
      [
        { name: 'labels drawn without placement', run: () => unplaced(plans[next()] as ChartPlan) },
        { name: 'scene without labels', run: () => sceneOf(plain[next()] as ChartPlan, layout, width) },
        { name: 'scene, labels placed', run: () => sceneOf(plans[next()] as ChartPlan, layout, width) },
        { name: 'figure, labels placed and drawn', run: () => (drawing.show(plans[next()] as ChartPlan), rastered(two)) },
      ],
      { rounds: 61, warmup: 10 },
    );
    results.push({ count, timings, placed: sceneOf(plans[0] as ChartPlan, layout, width).labelled.length });
    drawing.destroy();
  }
  return results;
};
