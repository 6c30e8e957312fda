import type { Plan } from 'core/plan';
import type { SceneGroup, SceneItem } from '../scene/scene';

/** Items that belong together by what they are for, under a name that a designer understands: `axis first`, `cue 1 highest`. */
export interface NamedItems {
  readonly name: string;
  readonly items: readonly SceneItem[];
}

/** Numbers of cues by their ids. */
export type CueNumbers = ReadonlyMap<string, number>;

/**
 * The items of a group cut where what they are for changes; their order stays, since it is that of drawing. Texts are named by their role, marks by the
 * cue whose colour they have, all else by its depth.
 */
export function namedItems({ name, items }: SceneGroup, cues: ReadonlyMap<string, string>): NamedItems[] {
  const runs: { name: string; items: SceneItem[] }[] = [];
  for (const item of items) {
    const own = item.kind === 'text' ? item.role : nameOf(name, colourOf(item), cues);
    const last = runs.at(-1);
    if (last?.name === own) last.items.push(item);
    else runs.push({ name: own, items: [item] });
  }
  return runs;
}

// Groups whose items have the colours of what they mark.
const MARKS = new Set(['areas', 'bars', 'lines', 'points', 'glyphs', 'level lines', 'bands']);

const nameOf = (group: string, colour: string | null, cues: ReadonlyMap<string, string>): string =>
  (MARKS.has(group) && colour !== null ? cues.get(colour) : undefined) ?? group;

/** The colour that an item is seen in; null for one of several. */
function colourOf(item: SceneItem): string | null {
  switch (item.kind) {
    case 'rects':
      return typeof item.fill === 'string' ? item.fill : null;
    case 'outlines':
    case 'segments':
      return item.stroke.colour;
    case 'path':
    case 'polygons':
    case 'dots':
      return item.fill ?? item.stroke?.colour ?? null;
    case 'text':
    case 'glyph':
      return item.colour;
  }
}

/** What each colour of a cue says, by the legend: "cue 1 highest". The first that has a colour names it. */
export function cueNames({ legend }: Plan, numbers: CueNumbers): ReadonlyMap<string, string> {
  const names = new Map<string, string>();
  for (const { cue, text, key } of legend) {
    const number = cue === null ? undefined : numbers.get(cue);
    const own = number === undefined ? text : `cue ${number} ${text}`;
    for (const colour of key.kind === 'ramp' ? key.colours : [key.colour]) if (!names.has(colour)) names.set(colour, own);
  }
  return names;
}
