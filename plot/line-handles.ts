import type { DragTarget, Plan } from 'core/plan';
import { levelIn } from 'core/table';
import type { Geometry } from './geometry';
import { type CanvasPoint } from './geometry';

/** A line or an edge that can be dragged: what it changes, and at which axis its value is read. */
export interface LineHandle {
  readonly target: DragTarget;
  readonly panel: number;
  readonly axis: number;
}

const CLOSE = 6;

/** The draggable line or band edge under a point of the plot, or null. */
export function handleAt(plan: Plan, geometry: Geometry, point: CanvasPoint): LineHandle | null {
  const along = plan.lying ? point.x : point.y;
  const near = (panel: number, axis: number, values: Float64Array): boolean => {
    const level = levelIn(values);
    return typeof level === 'number' && Math.abs(geometry.value(panel, axis, level) - along) <= CLOSE;
  };
  for (const { panel, axis, values, drag } of plan.lines) if (drag && near(panel, axis, values)) return { target: drag, panel, axis };
  for (const { panel, axis, low, high, dragLow, dragHigh } of plan.bands) {
    if (dragLow && near(panel, axis, low)) return { target: dragLow, panel, axis };
    if (dragHigh && near(panel, axis, high)) return { target: dragHigh, panel, axis };
  }
  return null;
}

/** The value of an axis at a point, rounded to what a pixel can tell. */
export function roundedValueAt(plan: Plan, geometry: Geometry, { panel, axis }: LineHandle, point: CanvasPoint): number {
  const pixel = plan.lying ? point.x : point.y;
  const perPixel = Math.abs(geometry.valueAt(panel, axis, pixel + 1) - geometry.valueAt(panel, axis, pixel));
  const step = 10 ** Math.floor(Math.log10(perPixel * 5));
  const decimals = Math.max(0, -Math.floor(Math.log10(step)));
  return Number((Math.round(geometry.valueAt(panel, axis, pixel) / step) * step).toFixed(decimals));
}
