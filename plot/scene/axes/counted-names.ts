import { countedIn, divisionsOf, type AlongTick, type Division } from 'core/scale';
import { BETWEEN_NAMES, NAME_GAP, NAME_LINE, type AxisName, type Named, type NameGrid } from './name-grid';

// Ticks closer together than this are not tried, in CSS pixels.
const CLOSEST = 12;

/** Ticks at round numbers or whole periods, as dense as fits; null where not even two fit. */
export function countedNames(grid: NameGrid): Named | null {
  const { along, categories, horizontal } = grid.plan;
  if (!along.counted) return null;
  const fewest = Math.min(2, categories.length);
  for (const division of divisionsOf(along.counted)) {
    const ticks = closeEnough(division, grid) ? division.ticks() : [];
    if (ticks.length < fewest) continue;
    const named = horizontal ? beside(ticks, grid) : below(ticks, grid);
    if (named) return withUncounted(named, grid);
  }
  return null;
}

const closeEnough = ({ count }: Division, { length }: NameGrid): boolean => count <= 2 + length / CLOSEST;

/** Adds the names of categories without a position, such as a missing date; a tick too close to one is removed. */
function withUncounted(named: Named, { plan: { along, categories, horizontal }, pitch, width }: NameGrid): Named {
  const at = along.counted?.at ?? new Float64Array(0);
  const others = categories.slice(countedIn(at)).map((name, i): AxisName => {
    const category = countedIn(at) + i;
    return { place: along.places?.[category] ?? category, lines: [name], at: category };
  });
  if (others.length === 0) return named;
  const wide = ({ lines }: AxisName): number => Math.max(...lines.map(width));
  const isFree = (tick: AxisName): boolean =>
    others.every(other => {
      const need = horizontal ? NAME_LINE : (wide(tick) + wide(other)) / 2 + BETWEEN_NAMES;
      return (other.place - tick.place) * pitch >= need;
    });
  const room = horizontal ? Math.max(named.room, ...others.map(other => wide(other) + NAME_GAP + BETWEEN_NAMES)) : named.room;
  return { ...named, room, names: [...named.names.filter(isFree), ...others] };
}

/** Two lines below the plot: the part that neighbours share is written once, at the first of them. */
function below(ticks: readonly AlongTick[], grid: NameGrid): Named | null {
  if (
    !areApart(
      ticks.map(({ place, text }) => ({ place, text })),
      grid,
    )
  )
    return null;
  const unders = ticks.flatMap(({ place, under, whole }) => (under === null ? [] : [{ place, text: under, whole }]));
  // The first stands for what has begun before the axis does: it goes where the next needs its room and tells all.
  const shown = areApart(unders, grid) || !unders[1]?.whole ? unders : unders.slice(1);
  if (!areApart(shown, grid)) return null;
  const atPlace = new Map(shown.map(({ place, text }) => [place, text]));
  return {
    room: NAME_GAP + NAME_LINE * (shown.length ? 2 : 1),
    names: ticks.map(({ place, text }) => ({
      place,
      lines: [text, ...(atPlace.has(place) ? [atPlace.get(place) as string] : [])],
      at: null,
    })),
    turn: 0,
    ticked: true,
    said: '',
  };
}

/** The ticks of a lying figure, one below the other to the left of the plot. */
function beside(ticks: readonly AlongTick[], { pitch, width }: NameGrid): Named | null {
  if (ticks.some(({ place }, i) => i > 0 && Math.abs(place - (ticks[i - 1] as AlongTick).place) * pitch < NAME_LINE)) return null;
  const names = ticks.map(({ place, text, under }) => ({ place, lines: [under === null ? text : `${text} ${under}`], at: null }));
  return {
    room: Math.max(0, ...names.map(({ lines }) => width(lines[0] as string))) + NAME_GAP + BETWEEN_NAMES,
    names,
    turn: 0,
    ticked: true,
    said: '',
  };
}

function areApart(texts: readonly { readonly place: number; readonly text: string }[], { pitch, width }: NameGrid): boolean {
  return texts.every((text, i) => {
    const last = texts[i - 1];
    return !last || (width(last.text) + width(text.text)) / 2 + BETWEEN_NAMES <= Math.abs(text.place - last.place) * pitch;
  });
}
