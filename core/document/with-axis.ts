import type { AxisChoice, Scales } from './schema';

/** A figure's scales with one value axis changed. */
export const withAxis = (scales: Scales, name: keyof Scales['axes'], change: Partial<AxisChoice>): Scales => ({
  ...scales,
  axes: { ...scales.axes, [name]: { ...scales.axes[name], ...change } },
});
