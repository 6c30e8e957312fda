import { Chart, Decimation, LinearScale, LineController, LineElement, PointElement } from 'chart.js';
import { FigureDrawing } from 'plot';
import { compare, type Timing } from './measure';
import { canvases, FIXED, HEIGHT, planOf, rastered, valuesAt, WIDTH } from './page-sample';

Chart.register(Decimation, LinearScale, LineController, LineElement, PointElement);

export interface C2Result {
  readonly count: number;
  readonly update: Timing[];
}

const pointsOf = (count: number, round: number): { x: number; y: number }[] => Array.from(valuesAt(count, round), (y, x) => ({ x, y }));

/** Chart.js as fast as it gets: numbers as x, parsing off, reduced to the pixels by its own plugin. */
function reducedChart(element: HTMLCanvasElement, count: number): Chart {
  return new Chart(element, {
    type: 'line',
    data: { datasets: [{ data: pointsOf(count, 0), borderColor: '#84978e', borderWidth: 2, pointRadius: 0 }] },
    options: {
      animation: false,
      responsive: false,
      devicePixelRatio: 1,
      events: [],
      parsing: false,
      normalized: true,
      scales: { x: { type: 'linear' }, y: { type: 'linear' } },
      plugins: { decimation: { enabled: true, algorithm: 'min-max' } },
    } as never,
  });
}

function bareLine(element: HTMLCanvasElement, count: number, round: number): void {
  const context = element.getContext('2d') as CanvasRenderingContext2D;
  context.fillStyle = '#fff';
  context.fillRect(0, 0, WIDTH, HEIGHT);
  context.strokeStyle = '#84978e';
  context.lineWidth = 2;
  context.beginPath();
  valuesAt(count, round).forEach((value, i) => context.lineTo((i * WIDTH) / count, HEIGHT - value / 20));
  context.stroke();
}

/** A line with the extremes and every thousandth point marked: these survive the reduction. */
function linePlan(count: number, round: number) {
  const marked = Uint8Array.from({ length: count }, (_, i) => (i % 1000 === 0 ? 1 : 0));
  return planOf(count, round, { shape: 'line', marked });
}

async function measured(count: number): Promise<C2Result> {
  const [one, two, three] = canvases(3) as [HTMLCanvasElement, HTMLCanvasElement, HTMLCanvasElement];
  const plain = reducedChart(one, count);
  const drawing = new FigureDrawing(two, linePlan(count, 0), { fixed: FIXED });
  // What a worker hands over is made before the clock starts, for all alike.
  const [points, plans] = [[0, 1].map(round => pointsOf(count, round)), [0, 1].map(round => linePlan(count, round))];
  let round = 0;
  const update = await compare(
    [
      {
        name: 'Chart.js, linear x, reduced',
        run: () => {
          (plain.data.datasets[0] as { data: unknown }).data = points[++round % 2];
          plain.update('none');
          rastered(one);
        },
      },
      { name: 'bare canvas', run: () => (bareLine(three, count, ++round), rastered(three)) },
      { name: 'Cowbell', run: () => (drawing.show(plans[++round % 2] as ReturnType<typeof linePlan>), rastered(two)) },
    ],
    { rounds: 15, warmup: 4 },
  );
  return { count, update };
}

(globalThis as unknown as { bench: () => Promise<C2Result[]> }).bench = async () => {
  const results: C2Result[] = [];
  for (const count of [1_000, 10_000, 100_000]) results.push(await measured(count));
  return results;
};
