import type { Chart, Plugin } from 'chart.js';
import { placeBarLabels, type BarEnd, type Box } from 'core/label';
import type { LabelAsk, Plan } from 'core/plan';

const SIZE = 13;

/** Writes the labels that a plan asks for at the ends of their bars, never cut off by the edge. */
export const barLabels = (planNow: () => Plan): Plugin<'bar'> => ({
  id: 'barLabels',
  afterDatasetsDraw(chart) {
    const { ctx } = chart;
    const plan = planNow();
    ctx.save();
    ctx.font = `650 ${SIZE}px ${plan.livery.font}`;
    ctx.fillStyle = plan.livery.ink;
    ctx.textAlign = 'left';
    ctx.textBaseline = 'middle';
    plan.bars.forEach((layer, i) => {
      const asks = layer.labels.filter(ask => !Number.isNaN(layer.values[ask.row]));
      const ends = asks.map(ask => barEnd(chart, i, ask, plan.lying, layer.values[ask.row] as number));
      placeBarLabels(ends, canvasOf(chart)).forEach((box, at) => ctx.fillText((asks[at] as LabelAsk).text, box.left, box.top + box.height / 2));
    });
    ctx.restore();
  },
});

function barEnd(chart: Chart, dataset: number, { row, text }: LabelAsk, lying: boolean, value: number): BarEnd {
  const bar = chart.getDatasetMeta(dataset).data[row] as { x: number; y: number };
  const size = { width: chart.ctx.measureText(text).width, height: SIZE + 2 };
  const direction = lying ? (value < 0 ? 'left' : 'right') : value < 0 ? 'down' : 'up';
  return { x: bar.x, y: bar.y, direction, ...size };
}

const canvasOf = (chart: Chart): Box => ({ left: 2, top: 2, width: chart.width - 4, height: chart.height - 4 });
