import type { Chart, Plugin } from 'chart.js';
import { placeBarLabels, type BarEnd, type Box } from 'core/label';
import type { LabelAsk, Plan } from 'core/plan';

// Label text in CSS pixels: as large as the bars allow, never too small to read.
const LARGEST = 13;
const SMALLEST = 10;

/** Writes the labels that a plan asks for at the ends of their bars, never cut off by the edge. */
export const barLabels = (planNow: () => Plan): Plugin<'bar'> => ({
  id: 'barLabels',
  afterDatasetsDraw(chart) {
    const { ctx } = chart;
    const plan = planNow();
    ctx.save();
    const size = sizeFor(chart, plan);
    ctx.font = `650 ${size}px ${plan.livery.font}`;
    ctx.fillStyle = plan.livery.ink;
    ctx.textAlign = 'left';
    ctx.textBaseline = 'middle';
    // All layers of the drawing together, so that no label stands on another's.
    const wanted = plan.layers.flatMap((layer, i) =>
      layer.labels
        .filter(ask => !Number.isNaN(layer.values[ask.at]))
        .map(ask => ({ ask, end: endOf(chart, { dataset: i, ask, lying: plan.lying, value: layer.values[ask.at] as number, size }) })),
    );
    const boxes = placeBarLabels(
      wanted.map(({ end }) => end),
      roomOf(chart),
    );
    boxes.forEach((box, at) => ctx.fillText((wanted[at] as { ask: LabelAsk }).ask.text, box.left, box.top + box.height / 2));
    ctx.restore();
  },
});

/** Lying bars closer together than a line of text get smaller labels. */
function sizeFor({ chartArea }: Chart, { lying, categories }: Plan): number {
  const pitch = (chartArea.bottom - chartArea.top) / Math.max(1, categories.length);
  return lying ? Math.max(SMALLEST, Math.min(LARGEST, Math.floor(pitch))) : LARGEST;
}

interface EndOf {
  readonly dataset: number;
  readonly ask: LabelAsk;
  readonly lying: boolean;
  readonly value: number;
  readonly size: number;
}

function endOf(chart: Chart, { dataset, ask, lying, value, size }: EndOf): BarEnd {
  const bar = chart.getDatasetMeta(dataset).data[ask.at] as { x: number; y: number };
  const direction = lying ? (value < 0 ? 'left' : 'right') : value < 0 ? 'down' : 'up';
  // Digits have no descenders: lines may stand as close as their heights.
  return { x: bar.x, y: bar.y, direction, width: chart.ctx.measureText(ask.text).width, height: lying ? size - 2 : size + 2 };
}

/** From the value axis to the edges of the canvas: labels cover no tick and are never cut. */
function roomOf({ chartArea, width }: Chart): Box {
  return {
    left: chartArea.left,
    top: chartArea.top - LARGEST,
    width: width - 4 - chartArea.left,
    height: chartArea.bottom - chartArea.top + LARGEST,
  };
}
