import type { AxisPlan, ChartPlan } from 'core/plan';
import { positionOf } from 'core/scale';
import { solid } from '../marks/looks';
import type { PixelScales } from '../pixel-scales';
import type { SceneItem, StrokeLook } from '../scene';

// Width of a zero line that is to be seen before all else, in CSS pixels.
const BOLD = 2.5;

/** Gridlines at the numbers of every panel's first axis, except at zero. */
export function gridLines(pixels: PixelScales): SceneItem[] {
  const { plan } = pixels;
  if (!plan.gridlines) return [];
  return onAxes(pixels, solid(plan.livery.hair, 1), axis => ticksOf(axis).filter(position => position !== zeroIn(axis, plan)));
}

/** The lines that marks begin at: the zero line of every panel, and the line of the category axis. */
export function baseLines(pixels: PixelScales): SceneItem[] {
  const { plan } = pixels;
  const stroke = plan.zeroLine === 'bold' ? solid(plan.livery.ink, BOLD) : solid(plan.livery.soft, 1);
  const zeros = onAxes(pixels, stroke, axis => ticksOf(axis).filter(position => position === zeroIn(axis, plan)));
  return [...zeros, ...categoryLine(pixels)];
}

const ticksOf = ({ scale }: AxisPlan): number[] => scale.ticks.map(tick => positionOf(scale, tick));

/** The position of the zero line of an axis; NaN where it has none. */
const zeroIn = (axis: AxisPlan, { zeroLine }: ChartPlan): number =>
  crossesZero(axis) && zeroLine !== 'none' ? positionOf(axis.scale, 0) : NaN;

/** Lines at positions of each panel's first axis only: two grids would cross. */
function onAxes(pixels: PixelScales, stroke: StrokeLook, positionsOn: (axis: AxisPlan) => readonly number[]): SceneItem[] {
  const { plan, layout } = pixels;
  return plan.panels.flatMap(({ axes: [axis], isBlank }, nth) => {
    const ends = layout.axes[nth]?.[0];
    if (!axis || !ends || isBlank) return [];
    const ats = positionsOn(axis).map(position => ends.from + position * (ends.to - ends.from));
    return ats.length ? [across(ats, stroke, pixels)] : [];
  });
}

/** Lines across the whole plot, aligned to whole pixels. */
function across(ats: readonly number[], stroke: StrokeLook, pixels: PixelScales): SceneItem {
  const { area } = pixels.layout;
  const [start, end] = pixels.plan.horizontal ? [area.top, area.top + area.height] : [area.left, area.left + area.width];
  const points = ats.flatMap(at => {
    const crisp = onPixel(at, stroke.width);
    return [...pixels.point(start, crisp), ...pixels.point(end, crisp)];
  });
  return { kind: 'segments', points: Float64Array.from(points), stroke };
}

const onPixel = (at: number, width: number): number => Math.round(at - width / 2) + width / 2;

const crossesZero = ({ scale }: AxisPlan): boolean => scale.low < 0 && scale.high > 0;

/** The line of the category axis: at zero where values are negative, else at the edge of the plot. */
function categoryLine(pixels: PixelScales): SceneItem[] {
  const { plan, layout } = pixels;
  if (plan.panels.length === 0 || plan.panels.some(({ axes: [first] }) => first && crossesZero(first))) return [];
  const { area } = layout;
  return [across([plan.horizontal ? area.left : area.top + area.height], baseStroke(plan), pixels)];
}

/** The stroke of the line at the end of the value axis; that of the zero line where this end is zero. */
function baseStroke({ livery, zeroLine, panels }: ChartPlan): StrokeLook {
  const atZero = panels.some(({ axes: [first] }) => first?.scale.low === 0 || first?.scale.high === 0);
  if (!atZero || zeroLine === 'auto') return solid(livery.soft, 1);
  return zeroLine === 'bold' ? solid(livery.ink, BOLD) : solid(livery.hair, 1);
}
