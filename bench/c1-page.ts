import { BarController, BarElement, CategoryScale, Chart, LinearScale } from 'chart.js';
import { FigureDrawing } from 'plot';
import { compare, type Timing } from './measure';
import { canvas, FIXED, HEIGHT, planOf, rastered, valuesAt, WIDTH } from './page-sample';

Chart.register(BarController, BarElement, CategoryScale, LinearScale);

const plainOptions = { animation: false, responsive: false, devicePixelRatio: 1, events: [] } as const;

function plainChart(element: HTMLCanvasElement, count: number): Chart {
  return new Chart(element, {
    type: 'bar',
    data: {
      labels: Array.from({ length: count }, (_, i) => `hut ${i}`),
      datasets: [{ data: [...valuesAt(count, 0)], backgroundColor: '#84978e' }],
    },
    options: plainOptions as never,
  });
}

function bareBars(element: HTMLCanvasElement, count: number, round: number): void {
  const context = element.getContext('2d') as CanvasRenderingContext2D;
  context.fillStyle = '#fff';
  context.fillRect(0, 0, WIDTH, HEIGHT);
  context.fillStyle = '#84978e';
  const step = WIDTH / count;
  valuesAt(count, round).forEach((value, i) => context.fillRect(i * step, HEIGHT - value / 20, step * 0.74, value / 20));
}

export interface C1Result {
  readonly count: number;
  readonly create: Timing[];
  readonly update: Timing[];
}

async function measured(count: number): Promise<C1Result> {
  const create = await compare([
    { name: 'plain Chart.js', run: () => once(element => plainChart(element, count)) },
    { name: 'bare canvas', run: () => once(element => (bareBars(element, count, 0), { destroy: () => undefined })) },
    {
      name: 'Cowbell',
      run: () => once(element => new FigureDrawing(element, planOf(count, 0), { fixed: FIXED })),
    },
  ]);
  const [one, two, three] = [0, 1, 2].map(() => Object.assign(document.createElement('canvas'), { width: WIDTH, height: HEIGHT })) as [
    HTMLCanvasElement,
    HTMLCanvasElement,
    HTMLCanvasElement,
  ];
  document.body.replaceChildren(one, two, three);
  const plain = plainChart(one, count);
  const drawing = new FigureDrawing(two, planOf(count, 0), { fixed: FIXED });
  let round = 0;
  const update = await compare(
    [
      {
        name: 'plain Chart.js',
        run: () => {
          (plain.data.datasets[0] as { data: number[] }).data = [...valuesAt(count, ++round)];
          plain.update('none');
          rastered(one);
        },
      },
      { name: 'bare canvas', run: () => (bareBars(three, count, ++round), rastered(three)) },
      { name: 'Cowbell', run: () => (drawing.show(planOf(count, ++round)), rastered(two)) },
    ],
    { rounds: 21, warmup: 5 },
  );
  return { count, create, update };
}

function once(draw: (element: HTMLCanvasElement) => { destroy(): void }): void {
  const element = canvas();
  const drawn = draw(element);
  rastered(element);
  drawn.destroy();
}

(globalThis as unknown as { bench: () => Promise<C1Result[]> }).bench = async () => {
  const results: C1Result[] = [];
  for (const count of [12, 200, 2000]) results.push(await measured(count));
  return results;
};
