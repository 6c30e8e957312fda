import { BarController, BarElement, CategoryScale, Chart, LinearScale } from 'chart.js';
import type { Plan } from 'core/plan';
import { linearScale } from 'core/scale';
import { FigureDrawing } from 'plot';
import { compare, type Timing } from './measure';

Chart.register(BarController, BarElement, CategoryScale, LinearScale);

const [WIDTH, HEIGHT] = [1200, 600];
const livery = {
  ground: '#fff',
  ink: '#000',
  soft: '#555',
  hair: '#ddd',
  base: '#5f7a70',
  series: ['#5f7a70'],
  quiet: '#84978e',
  colours: {},
  font: 'sans-serif',
};

function canvas(): HTMLCanvasElement {
  const made = Object.assign(document.createElement('canvas'), { width: WIDTH, height: HEIGHT });
  document.body.replaceChildren(made);
  return made;
}

/** Reading one pixel waits until everything is rastered. */
const rastered = (element: HTMLCanvasElement): unknown => (element.getContext('2d') as CanvasRenderingContext2D).getImageData(0, 0, 1, 1);

const valuesAt = (count: number, round: number): Float64Array =>
  Float64Array.from({ length: count }, (_, i) => 1000 + ((i * 7919 + round * 104729) % 9000));

function planOf(count: number, round: number): Plan {
  const values = valuesAt(count, round);
  const colours = Array.from(values, (_, i) => (i % 10 === 0 ? '#b87f0a' : '#84978e'));
  const scale = linearScale(values);
  return {
    title: 'Milk by hut',
    subtitle: 'Bench',
    axisNote: 'milk by hut',
    legend: [],
    categories: Array.from(values, (_, i) => `hut ${i}`),
    panels: [{ title: '', axes: [{ scale, tickLabels: scale.ticks.map(String), title: '', numbers: true }] }],
    gridlines: true,
    lying: false,
    lines: [],
    bands: [],
    pictures: {},
    layers: [
      {
        name: 'milk',
        measure: 'milk',
        shape: 'column',
        panel: 0,
        axis: 0,
        slot: 0,
        slots: 1,
        values,
        ends: values,
        bases: null,
        rows: Int32Array.from(values, (_, i) => i),
        colour: '#84978e',
        colours,
        marked: new Uint8Array(count),
        outlined: [],
        glyphs: [],
        labels: [],
        stroke: { width: 2, dash: 'solid', marker: '' },
        span: null,
      },
    ],
    description: '',
    livery,
  };
}

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
      run: () => once(element => new FigureDrawing(element, planOf(count, 0), { responsive: false, devicePixelRatio: 1 })),
    },
  ]);
  const [one, two, three] = [0, 1, 2].map(() => Object.assign(document.createElement('canvas'), { width: WIDTH, height: HEIGHT })) as [
    HTMLCanvasElement,
    HTMLCanvasElement,
    HTMLCanvasElement,
  ];
  document.body.replaceChildren(one, two, three);
  const plain = plainChart(one, count);
  const drawing = new FigureDrawing(two, planOf(count, 0), { responsive: false, devicePixelRatio: 1 });
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
