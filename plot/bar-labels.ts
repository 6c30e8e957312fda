import type { Chart, Plugin } from 'chart.js';
import { GAP_BEYOND, placeBarLabels, type BarEnd, type Box } from 'core/label';
import type { LabelAsk, Plan } from 'core/plan';
import { boxOfBar, type PlacedBar } from './bar-painter';

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
        .map((ask): Wanted => {
          const end = endOf(chart, {
            dataset: i,
            ask,
            lying: plan.lying,
            value: layer.values[ask.at] as number,
            size,
            point: layer.shape !== 'column',
          });
          const inside = plan.stacked && layer.shape === 'column' ? insideOf(chart, i, ask, end, plan.lying) : null;
          return { ask, end: inside ?? end, onColour: inside ? (layer.colours[ask.at] ?? null) : null };
        }),
    );
    const boxes = placeBarLabels(
      wanted.map(({ end }) => end),
      roomOf(chart),
    );
    boxes.forEach((box, at) => {
      const { ask, onColour } = wanted[at] as Wanted;
      ctx.fillStyle = onColour === null ? plan.livery.ink : readableOn(onColour, plan.livery);
      ctx.fillText(ask.text, box.left, box.top + box.height / 2);
    });
    ctx.restore();
  },
});

/** A label with its place; `onColour` is the colour it stands on when that is a bar. */
interface Wanted {
  readonly ask: LabelAsk;
  readonly end: BarEnd;
  readonly onColour: string | null;
}

/** In a stack, beyond a bar's end lies the next bar: the label stands inside its own, where that is large enough. */
function insideOf(chart: Chart, dataset: number, ask: LabelAsk, end: BarEnd, lying: boolean): BarEnd | null {
  const bar = chart.getDatasetMeta(dataset).data[ask.at] as unknown as PlacedBar;
  const [left, top, width, height] = boxOfBar(bar, lying);
  if (width < end.width + 4 || height < end.height + 2) return null;
  return { ...end, x: left + width / 2, y: top + height / 2 + end.height / 2 + GAP_BEYOND, direction: 'up' };
}

/** Ink or ground, whichever is further from a colour in lightness. */
function readableOn(colour: string, { ink, ground }: Plan['livery']): string {
  const light = (hex: string): number =>
    [1, 3, 5].reduce((sum, at, i) => sum + parseInt(hex.slice(at, at + 2), 16) * ([0.3, 0.59, 0.11][i] as number), 0);
  return Math.abs(light(colour) - light(ink)) >= Math.abs(light(colour) - light(ground)) ? ink : ground;
}

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
  /** The mark is a point, not the end of a bar. */
  readonly point: boolean;
}

function endOf(chart: Chart, { dataset, ask, lying, value, size, point }: EndOf): BarEnd {
  const bar = chart.getDatasetMeta(dataset).data[ask.at] as { x: number; y: number };
  const direction = lying ? (value < 0 ? 'left' : 'right') : value < 0 ? 'down' : 'up';
  // Digits have no descenders: lines may stand as close as their heights.
  // A point reaches beyond its middle.
  const [across, down] = point ? { up: [0, -4], down: [0, 4], left: [-4, 0], right: [4, 0] }[direction] : [0, 0];
  const height = lying ? size - 2 : size + 2;
  return { x: bar.x + (across as number), y: bar.y + (down as number), direction, width: chart.ctx.measureText(ask.text).width, height };
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
