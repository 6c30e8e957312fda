import type { ChartPlan } from 'core/plan';
import { positionOf } from 'core/scale';
import { isBar } from 'core/shape';
import { countedNames } from './counted-names';
import { textFont } from '../head/type-sizes';
import { listedNames } from './listed-names';
import { endRoom, extentOf, NAME_LINE, type Named, type NamedAxis, type NameGrid, type NameRoom } from './name-grid';

/** Names of a category axis, as many as fit: they never overlap. Cost: O(categories), each name measured once. */
export function namedAxis(plan: ChartPlan, room: NameRoom): NamedAxis {
  const grid: NameGrid = { ...room, plan, pitch: room.length / extentOf(plan), width: text => room.measure(text, textFont(plan.livery)) };
  const named = plan.along.beside === 'axis' ? (plan.along.counted && countedNames(grid)) || listedNames(grid) : atBars(grid);
  // Whole pixels keep the edges of the plot crisp.
  const { before, after } = plan.horizontal ? { before: 0, after: 0 } : overhangs(named, grid);
  return { ...named, room: Math.ceil(named.room), before: Math.ceil(before), after: Math.ceil(after) };
}

// From a bar's base to the name beside it; the share of a lying figure that its plot takes at least, and that names may take. CSS pixels.
const GAP = 10;
const [PLOT, MOST] = [0.55, 0.34];

/** The same for names beside their bars: they take room of the axis only where they do not fit between it and the base of the bars. */
function atBars({ plan, across, width }: NameGrid): Named {
  const none: Named = { room: GAP, names: [], turn: 0, ticked: false, said: '' };
  const [panel] = plan.panels;
  const bars = panel?.layers.filter(isBar) ?? [];
  const scale = panel?.axes[bars[0]?.axis ?? 0]?.scale;
  // Below an upright plot two lines, where bars stand on its lower edge.
  if (scale && !plan.horizontal) return positionOf(scale, bars[0]?.base ?? 0) < 0.1 ? { ...none, room: GAP + 2 * NAME_LINE } : none;
  if (!scale) return none;
  const falls = (at: number): boolean => bars.some(({ values }) => (values[at] as number) < 0);
  const base = Math.max(0, Math.min(1, positionOf(scale, bars[0]?.base ?? 0)));
  const widest = Math.max(0, ...plan.categories.map((name, at) => (falls(at) ? 0 : width(name))));
  return { ...none, room: Math.max(GAP, Math.min(across * MOST, widest + GAP - base * PLOT * across)) };
}

// A name before the axis, or after it, takes no more of the figure than this.
const MOST_BESIDE = 0.22;

/** How far names extend beyond both ends of the axis. Rotated names end at their positions. */
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
