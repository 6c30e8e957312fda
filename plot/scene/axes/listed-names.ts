import { BETWEEN_NAMES, NAME_GAP, NAME_LINE, TURN, type AxisName, type Named, type NameGrid } from './name-grid';
import { fitted, wrapped } from './shortened';

// Names in several lines: so many at most, and no narrower than this in CSS pixels.
const MOST_LINES = 3;
const NARROWEST = 30;
// The steepest that names are turned, in radians; and no longer than this.
const STEEPEST = (80 * Math.PI) / 180;
const LONGEST_TURNED = 170;
// Share of the figure that names may take to the left of a plot, and below it.
const MOST_LEFT = 0.36;
const MOST_BELOW = 0.3;
// What is said of names that are left out takes a line.
const SAID_LINE = 15;
// A level name that is cut keeps so much, in CSS pixels.
const LEAST_LEVEL = 44;

/** The names of the categories: horizontal, in several lines, rotated, shortened, or with some left out, as the room allows. */
export function listedNames(grid: NameGrid): Named {
  if (grid.plan.horizontal) return beside(grid);
  const { names, ordered } = grid.plan.along;
  if (names === 'turned') return turned(grid);
  return (
    (names === 'fitting' ? (level(grid) ?? inLines(grid)) : level(grid)) ?? (ordered || names === 'level' ? someLevel(grid) : turned(grid))
  );
}

/** The width of the widest name; of many names, a sample is measured. */
function widestOf({ plan: { categories }, width }: NameGrid): number {
  const step = Math.ceil(categories.length / 400);
  let widest = 0;
  for (let at = 0; at < categories.length; at += step) widest = Math.max(widest, width(categories[at] as string));
  return widest;
}

const nameAt = (grid: NameGrid, at: number, lines: readonly string[]): AxisName => ({ place: placeOf(grid, at), lines, at });
const placeOf = ({ plan: { along } }: NameGrid, at: number): number => along.places?.[at] ?? at;

/** All names side by side, in one line each; null where two would touch. */
function level(grid: NameGrid): Named | null {
  const { categories } = grid.plan;
  // So many cannot fit however short they are.
  if (categories.length > 1 && grid.pitch < BETWEEN_NAMES + 4) return null;
  const widths = categories.map(grid.width);
  const fits = widths.every((width, at) => at === 0 || ((widths[at - 1] as number) + width) / 2 + BETWEEN_NAMES <= grid.pitch);
  if (!fits || (widths.length === 1 && (widths[0] as number) > grid.length)) return null;
  return plainly(categories.map((name, at) => nameAt(grid, at, [name])));
}

const plainly = (names: readonly AxisName[], said = ''): Named => ({
  room: NAME_GAP + NAME_LINE * Math.max(1, ...names.map(({ lines }) => lines.length)) + (said ? SAID_LINE : 0),
  names,
  turn: 0,
  ticked: false,
  said,
});

/** All names in several lines; null where a word is wider than its room or a name needs too many lines. */
function inLines(grid: NameGrid): Named | null {
  const room = grid.pitch - BETWEEN_NAMES;
  if (room < NARROWEST) return null;
  const names = grid.plan.categories.map((name, at) => nameAt(grid, at, wrapped(name, room, MOST_LINES + 1, grid.width)));
  const fits = names.every(
    ({ lines }) => lines.length <= MOST_LINES && lines.every(line => !line.endsWith('…') && grid.width(line) <= room),
  );
  return fits ? plainly(names) : null;
}

/** Some names in one line each, evenly spaced, marked categories first. */
function someLevel(grid: NameGrid): Named {
  const { categories } = grid.plan;
  const widest = widestOf(grid);
  const longest = grid.plan.along.ordered ? grid.length : Math.max(LEAST_LEVEL, grid.length / 12);
  const wide = Math.min(widest, longest);
  const chosen = chosenOf(grid, wide + BETWEEN_NAMES);
  const names = chosen.shown.map(at => nameAt(grid, at, [fitted(categories[at] as string, longest, grid.width)]));
  return plainly(names, chosen.said);
}

/** The smallest rotation at which all names fit; where none does, some are left out. */
function steepness(pitch: number): number {
  const needed = Math.asin(Math.min(1, NAME_LINE / pitch));
  return needed <= STEEPEST ? Math.max(TURN, needed) : TURN;
}

/** Rotated names, as many as fit; long ones are cut. */
function turned(grid: NameGrid): Named {
  const { categories } = grid.plan;
  const turn = steepness(grid.pitch);
  const longest = Math.min(LONGEST_TURNED, (grid.across * MOST_BELOW) / Math.sin(turn));
  const chosen = chosenOf(grid, NAME_LINE / Math.sin(turn));
  const names = chosen.shown.map(at => nameAt(grid, at, [fitted(categories[at] as string, longest, grid.width)]));
  const widest = Math.max(0, ...names.map(({ lines }) => grid.width(lines[0] as string)));
  return {
    room: NAME_GAP + widest * Math.sin(turn) + NAME_LINE * Math.cos(turn) + (chosen.said ? SAID_LINE : 0),
    names,
    turn,
    ticked: false,
    said: chosen.said,
  };
}

/** The names of a lying figure, one below the other to the left of the plot: in several lines where there is room, else cut. */
function beside(grid: NameGrid): Named {
  const { plan, pitch, across, width } = grid;
  const longest = across * MOST_LEFT;
  const lines = Math.max(1, Math.min(MOST_LINES, Math.floor(pitch / NAME_LINE)));
  const chosen = chosenOf(grid, NAME_LINE);
  const names = chosen.shown.map(at => {
    const name = plan.categories[at] as string;
    return nameAt(grid, at, lines === 1 || width(name) <= longest ? [fitted(name, longest, width)] : wrapped(name, longest, lines, width));
  });
  const widest = Math.max(0, ...names.flatMap(({ lines: own }) => own.map(width)));
  return { room: widest + NAME_GAP + BETWEEN_NAMES, names, turn: 0, ticked: false, said: chosen.said };
}

interface Chosen {
  readonly shown: readonly number[];
  readonly said: string;
}

/** The names to write where each needs a length along the axis: marked categories, then every nth that collides with none. */
function chosenOf({ plan: { categories, along }, pitch }: NameGrid, need: number): Chosen {
  const count = categories.length;
  const apart = Math.max(1, Math.ceil(need / pitch - 1e-9));
  if (apart === 1) return { shown: categories.map((_, at) => at), said: '' };
  const marked: number[] = [];
  for (const at of along.marked) if (at - (marked.at(-1) ?? -Infinity) >= apart) marked.push(at);
  const shown: number[] = [];
  let next = 0;
  for (let at = 0; at < count; at += apart) {
    while (next < marked.length && (marked[next] as number) < at) shown.push(marked[next++] as number);
    const behind = at - (shown.at(-1) ?? -Infinity);
    const ahead = (marked[next] ?? Infinity) - at;
    if (ahead > 0 && behind >= apart && ahead >= apart) shown.push(at);
  }
  shown.push(...marked.slice(next));
  const lost = along.marked.length - marked.length;
  const words = [`every ${nth(apart)} of ${count.toLocaleString('en')} named`, ...(marked.length ? ['and the marked'] : [])];
  return { shown, said: `${words.join(', ')}${lost ? `; ${lost.toLocaleString('en')} marked without room` : ''}` };
}

function nth(count: number): string {
  const ending = Math.floor(count / 10) % 10 === 1 ? 'th' : (['th', 'st', 'nd', 'rd'][count % 10] ?? 'th');
  return `${count.toLocaleString('en')}${ending}`;
}
