import type { ChartPlan } from 'core/plan';
import { countedNames } from './counted-names';
import { listedNames } from './listed-names';
import { endRoom, extentOf, NAME_FONT, NAME_LINE, type Named, type NamedAxis, type NameGrid, type NameRoom } from './name-grid';

/** Names of a category axis, as many as fit: they never overlap. Cost: O(categories), each name measured once. */
export function namedAxis(plan: ChartPlan, room: NameRoom): NamedAxis {
  const grid: NameGrid = { ...room, plan, pitch: room.length / extentOf(plan), width: text => room.measure(text, NAME_FONT) };
  const named = (plan.along.counted && countedNames(grid)) || listedNames(grid);
  // Whole pixels keep the edges of the plot crisp.
  const { before, after } = plan.horizontal ? { before: 0, after: 0 } : overhangs(named, grid);
  return { ...named, room: Math.ceil(named.room), before: Math.ceil(before), after: Math.ceil(after) };
}

// A name before the axis, or after it, takes no more of the figure than this.
const MOST_BESIDE = 0.22;

/** How far names reach before the axis begins and after it ends; those that are turned end at their places. */
function overhangs({ names, turn }: Named, { plan, pitch, width, length }: NameGrid): { readonly before: number; readonly after: number } {
  const [start, whole] = [endRoom(plan), extentOf(plan)];
  let [before, after] = [0, 0];
  for (const { place, lines } of names) {
    const wide = Math.max(0, ...lines.map(width));
    before = Math.max(before, (turn ? wide * Math.cos(turn) - NAME_LINE / 3 : wide / 2) - (place + start) * pitch);
    if (!turn) after = Math.max(after, wide / 2 - (whole - place - start) * pitch);
  }
  return { before: Math.min(length * MOST_BESIDE, before), after: Math.min(length * MOST_BESIDE, after) };
}
