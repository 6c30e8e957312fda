import type { AxisPlan, ChartPlan } from 'core/plan';
import { positionOf } from 'core/scale';
import { solid } from './looks';
import type { PixelScales } from './pixel-scales';
import type { SceneItem, StrokeLook } from './scene';

// Width of a zero line that is to be seen before all else, in CSS pixels.
const BOLD = 2.5;

/** Lines at the numbers of every panel's first axis, the line at zero as it is told from them, and the line that the categories stand on. */
export function gridLines(pixels: PixelScales): SceneItem[] {
  const { plan } = pixels;
  return [...plan.panels.flatMap((panel, nth) => (panel.isBlank ? [] : linesOf(panel.axes[0], nth, pixels))), ...baseLine(pixels)];
}

/** Two grids would cross each other: the first axis has it. */
function linesOf(axis: AxisPlan | undefined, panel: number, pixels: PixelScales): SceneItem[] {
  const { plan } = pixels;
  const ends = pixels.layout.axes[panel]?.[0];
  if (!axis || !ends) return [];
  const zero = crossesZero(axis) && plan.zeroLine !== 'none' ? positionOf(axis.scale, 0) : NaN;
  const positions = axis.scale.ticks.map(tick => positionOf(axis.scale, tick));
  const others = plan.gridlines ? positions.filter(position => position !== zero) : [];
  const at = (position: number): number => ends.from + position * (ends.to - ends.from);
  const strokes: readonly (readonly [StrokeLook, readonly number[]])[] = [
    [solid(plan.livery.hair, 1), others],
    [plan.zeroLine === 'bold' ? solid(plan.livery.ink, BOLD) : solid(plan.livery.soft, 1), positions.filter(position => position === zero)],
  ];
  return strokes.flatMap(([stroke, drawn]) => (drawn.length ? [across(drawn.map(at), stroke, pixels)] : []));
}

/** Lines over the whole plot, each on whole pixels. */
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

/** Where values fall below zero, the line to read from is that of zero; else it is the line below the plot, or beside one that lies. */
function baseLine(pixels: PixelScales): SceneItem[] {
  const { plan, layout } = pixels;
  if (plan.panels.length === 0 || plan.panels.some(({ axes: [first] }) => first && crossesZero(first))) return [];
  const { area } = layout;
  return [across([plan.horizontal ? area.left : area.top + area.height], baseStroke(plan), pixels)];
}

/** The line at the end of the value axis; where that is zero, it is the zero line. */
function baseStroke({ livery, zeroLine, panels }: ChartPlan): StrokeLook {
  const atZero = panels.some(({ axes: [first] }) => first?.scale.low === 0 || first?.scale.high === 0);
  if (!atZero || zeroLine === 'auto') return solid(livery.soft, 1);
  return zeroLine === 'bold' ? solid(livery.ink, BOLD) : solid(livery.hair, 1);
}
