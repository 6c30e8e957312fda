import type { ChartPlan, LabelAsk, Layer } from 'core/plan';
import { positionOf } from 'core/scale';
import { isBar, shapeOf } from 'core/shape';
import type { TextWidth } from '../scene';

// Letters of a label at their largest, its distance from its mark, and from the edge; in CSS pixels.
const [SIZE, GAP, EDGE] = [13, 5, 4];
// A plot takes at least this share of its figure's width, and labels beside it no more than that.
const [LEAST_PLOT, MOST_BESIDE] = [0.5, 0.3];
// The lowest plot there usually is, in CSS pixels.
const LOW_PLOT = 180;

/** Room that labels need to the right of a lying plot, in CSS pixels. */
export function roomBeside(plan: ChartPlan, width: number, measure: TextWidth): number {
  if (!plan.horizontal) return besideLines(plan, width, measure);
  const plot = width * LEAST_PLOT;
  const needs = beyondEnds(plan.panels.at(-1)).map(
    ({ ask, left }) => GAP + EDGE + measure(ask.text, { size: SIZE, weight: 650 }) - left * plot - PADDING,
  );
  return Math.min(width * MOST_BESIDE, inSteps(Math.max(0, ...needs)));
}

/** Room for names of series at the ends of their lines. */
function besideLines({ panels }: ChartPlan, width: number, measure: TextWidth): number {
  const named = panels.flatMap(({ layers }) => layers.filter(layer => layer.isNamed && !isBar(layer)));
  const widest = Math.max(0, ...named.map(({ name }) => measure(name, { size: 12.5, weight: 650 })));
  return widest === 0 ? 0 : Math.min(width * MOST_BESIDE, widest + 2 * GAP + EDGE - PADDING);
}

// What there is beside a plot anyway, in CSS pixels.
const PADDING = 20;

/** Room that labels need between the head and an upright plot, beyond the usual gap, in CSS pixels. */
export function roomAbove(plan: Pick<ChartPlan, 'horizontal' | 'panels'>): number {
  if (plan.horizontal) return 0;
  const most = beyondEnds(plan.panels[0]).map(({ left }) => SIZE + GAP + 2 - left * LOW_PLOT);
  return inSteps(Math.max(0, ...most) * SHARE_ABOVE);
}

// Room is taken in steps of so many pixels: a value that moves by one moves no other mark.
const ROOM_STEP = 4;

const inSteps = (room: number): number => Math.ceil(room / ROOM_STEP) * ROOM_STEP;

// Half of it lies in the gap below the head.
const SHARE_ABOVE = 0.5;

interface AtEnd {
  readonly ask: LabelAsk;
  /** The share of the axis beyond the end of the mark. */
  readonly left: number;
}

/** Labels beyond the ends of a panel's marks. */
function beyondEnds(panel: ChartPlan['panels'][number] | undefined): AtEnd[] {
  return (panel?.layers ?? []).flatMap(layer => {
    const scale = panel?.axes[layer.axis]?.scale;
    if (!scale || !stands(layer)) return [];
    return layer.labels
      .filter(({ where }) => where === 'end')
      .map(ask => ({ ask, left: 1 - Math.min(1, positionOf(scale, layer.ends[ask.at] as number)) }))
      .filter(({ left }) => !Number.isNaN(left));
  });
}

/** Whether the labels of a layer are beyond its marks only. */
const stands = (layer: Layer): boolean => !shapeOf(layer).isJoined;
