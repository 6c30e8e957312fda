import type { ChartPlan } from 'core/plan';
import { countedNames } from './counted-names';
import { listedNames } from './listed-names';
import { endRoom, extentOf, NAME_FONT, NAME_LINE, type Named, type NamedAxis, type NameGrid, type NameRoom } from './name-grid';

/** Names of a category axis, as many as fit: they never overlap. Cost: O(categories), each name measured once. */
export function namedAxis(plan: ChartPlan, room: NameRoom): NamedAxis {
  const grid: NameGrid = { ...room, plan, pitch: room.length / extentOf(plan), width: text => room.measure(text, NAME_FONT) };
  const named = (plan.along.counted && countedNames(grid)) || listedNames(grid);
  // Whole pixels keep the edges of the plot crisp.
  return { ...named, room: Math.ceil(named.room), before: plan.horizontal ? 0 : Math.ceil(overhang(named, grid)) };
}

// A name before the axis takes no more of the figure than this.
const MOST_BEFORE = 0.22;

/** How far names reach before the axis begins. */
function overhang({ names, turn }: Named, { plan, pitch, width, length }: NameGrid): number {
  const start = endRoom(plan);
  const reach = names.map(({ place, lines }) => {
    const wide = Math.max(0, ...lines.map(width));
    return (turn ? wide * Math.cos(turn) - NAME_LINE / 3 : wide / 2) - (place + start) * pitch;
  });
  return Math.max(0, Math.min(length * MOST_BEFORE, ...[Math.max(0, ...reach)]));
}
