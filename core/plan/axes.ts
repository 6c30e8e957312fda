import { alignedZeros, linearScale, type LinearScale } from 'core/scale';
import type { Figure } from 'core/project';
import type { AppliedCue } from 'core/cue';
import { treatmentsOf } from './cue-data';
import type { AxisPlan, BandPlan, Layer, LinePlan, PanelPlan } from './plan';
import type { ValueWriter } from './value-writer';

export interface AxesRequest {
  readonly figure: Figure;
  readonly titles: readonly string[];
  readonly layers: readonly Layer[];
  readonly lines: readonly LinePlan[];
  readonly bands: readonly BandPlan[];
  readonly applied: readonly AppliedCue[];
  readonly write: ValueWriter;
  /** Labels need room beyond the marks. */
  readonly labelled: boolean;
}

// Room beyond the tallest bar for a value written at its end, as a share of the axis.
const LABEL_HEADROOM = 0.1;
// In a low panel full room for labels would leave none for what they speak of.
const MOST_HEADROOM = 0.4;

/** The value axes of every panel, fitted around what is read at them. */
export function panelsOf(request: AxesRequest): PanelPlan[] {
  return request.titles.map((title, panel) => {
    const inPanel = <T extends { readonly panel: number }>(list: readonly T[]): T[] => list.filter(item => item.panel === panel);
    const here = { ...request, layers: inPanel(request.layers), lines: inPanel(request.lines), bands: inPanel(request.bands) };
    const second = [...here.layers, ...here.lines, ...here.bands].some(item => item.axis === 1);
    const places = second ? [0, 1] : [0];
    const scales = between(
      here,
      places.map(axis => scaleOf(here, axis)),
    );
    return { title, axes: places.map((axis, i) => axisPlan(here, axis, scales[i] as LinearScale, second)) };
  });
}

const isLength = ({ shape }: Layer): boolean => shape !== 'line' && shape !== 'step' && shape !== 'points' && shape !== 'span';

/** Bars and areas are read by their length, so zero belongs to their axis; lines, points and spans fit their data. */
function scaleOf(request: AxesRequest, axis: number): LinearScale {
  const { layers, lines, bands, figure, titles, labelled } = request;
  const own = layers.filter(layer => layer.axis === axis);
  const choice = figure.scales.axes[axis === 0 ? 'first' : 'second'];
  const lists = [
    ...own.flatMap(({ ends, bases, shape }) => (bases && (shape === 'span' || own.length > 1) ? [ends, bases] : [ends])),
    ...lines.filter(line => line.axis === axis).map(line => line.values),
    ...bands.filter(band => band.axis === axis).flatMap(band => [band.low, band.high]),
  ];
  const lengths = own.some(isLength);
  // A panel of lines needs room on both sides.
  const share = titles.length === 1 ? 1 : titles.length * (lengths ? 1.5 : 1.8);
  return linearScale(lists.length === 1 ? (lists[0] as Float64Array) : concatenated(lists), {
    headroom: labelled ? Math.min(MOST_HEADROOM, LABEL_HEADROOM * share) : 0,
    zero: choice.zero === 'auto' ? lengths : choice.zero === 'kept',
    low: choice.low,
    high: figure.shape.arrange === 'full' && lengths ? (choice.high ?? 1) : choice.high,
  });
}

/** Two axes each on their own, held to one scale, or with their zeros at one height. */
function between({ figure }: AxesRequest, scales: LinearScale[]): LinearScale[] {
  const [first, second] = scales;
  if (!first || !second || figure.scales.between === 'free') return scales;
  if (figure.scales.between === 'zeros') return alignedZeros(first, second);
  const both = linearScale([first.low, first.high, second.low, second.high], { zero: false });
  return [both, both];
}

function axisPlan({ layers, figure, applied, write }: AxesRequest, axis: number, scale: LinearScale, second: boolean): AxisPlan {
  const own = layers.filter(layer => layer.axis === axis);
  const measure = own[0]?.measure ?? figure.data.measures[0]?.name ?? '';
  const as = styleOf(figure, applied, own[0]);
  const names = [...new Set(own.map(layer => layer.name))];
  const unit = as === undefined ? write.unit(measure) : undefined;
  return {
    scale,
    tickLabels: scale.ticks.map(tick => (as === undefined ? write.tick(measure, tick) : write.as(as, measure, tick))),
    title: second ? `${names.slice(0, 2).join(', ')}${unit ? ` (${unit})` : ''}` : '',
    numbers: figure.scales.axes[axis === 0 ? 'first' : 'second'].numbers,
  };
}

/** Numbers of an axis are percents where shares are drawn, plain numbers where a cue scaled them. */
function styleOf({ shape }: Figure, applied: readonly AppliedCue[], layer: Layer | undefined): 'percent' | 'number' | undefined {
  if (!layer) return undefined;
  if (shape.arrange === 'full' && layer.bases) return 'percent';
  const instead = treatmentsOf(applied, 'instead').find(({ item }) => item.measure === layer.measure && layer.name !== item.part);
  if (instead && layer.stroke.marker === '') return instead.item.percent ? 'percent' : 'number';
  const drawn = treatmentsOf(applied, 'line').find(({ item }) => item.legend === layer.name);
  return drawn?.from.helpers.find(helper => helper.part === drawn.item.part)?.as;
}

function concatenated(lists: readonly Float64Array[]): Float64Array {
  const out = new Float64Array(lists.reduce((sum, list) => sum + list.length, 0));
  let at = 0;
  for (const list of lists) {
    out.set(list, at);
    at += list.length;
  }
  return out;
}
