import { minorTicksOf, positionOf } from 'core/scale';
import type { PixelScales } from '../pixel-scales';
import { solid } from '../marks/looks';
import type { SceneItem } from '../scene';

const FAINT = '59';

/** Lines at the minor ticks of every panel's first axis, fainter than gridlines. */
export function minorLines(pixels: PixelScales): SceneItem[] {
  const { plan, layout } = pixels;
  if (!plan.gridlines) return [];
  const { area } = layout;
  const [start, end] = plan.horizontal ? [area.top, area.top + area.height] : [area.left, area.left + area.width];
  return plan.panels.flatMap(({ axes }, panel): SceneItem[] => {
    const [first] = axes;
    const ends = layout.axes[panel]?.[0];
    const minor = first ? minorTicksOf(first.scale) : [];
    if (!first || !ends || minor.length === 0) return [];
    const points = minor.flatMap(tick => {
      const pixel = ends.from + positionOf(first.scale, tick) * (ends.to - ends.from);
      return [...pixels.point(start, pixel), ...pixels.point(end, pixel)];
    });
    return [{ kind: 'segments', points: Float64Array.from(points), stroke: solid(`${plan.livery.hair}${FAINT}`, 1) }];
  });
}
