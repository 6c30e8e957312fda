import type { PlanWords } from 'core/plan';
import type { Font, PartPlaces, SceneItem, TextWidth } from '../scene';
import { wrapped } from '../axes/shortened';

const FONT: Font = { size: 12, weight: 400 };
const LINE = 17;
// Above the first line, in CSS pixels.
const GAP = 4;
// The longest note there may be takes so many lines, and the source below it one.
const MOST_LINES = 3;

/** Note and source of a figure, broken into lines. */
export interface FigureFoot {
  readonly note: readonly string[];
  readonly source: readonly string[];
  /** CSS pixels, including the gap above. */
  readonly height: number;
}

const NONE: FigureFoot = { note: [], source: [], height: 0 };

/** The foot for a width and a largest height in CSS pixels. It is empty where not even a line fits; the source keeps at least a line. */
export function footOf({ note, source }: PlanWords, width: number, textWidth: TextWidth, highest = Infinity): FigureFoot {
  const most = Math.floor((highest - GAP) / LINE);
  if ((!note && !source) || most < 1) return NONE;
  const measure = (text: string): number => textWidth(text, FONT);
  const told = source ? wrapped(`Source: ${source}`, width, 1, measure) : [];
  const said = note && most > told.length ? wrapped(note, width, Math.min(MOST_LINES, most - told.length), measure) : [];
  return { note: said, source: told, height: GAP + (said.length + told.length) * LINE };
}

/** A foot with the position of its top left corner. */
export interface FootPlace {
  readonly words: FigureFoot;
  readonly left: number;
  readonly top: number;
}

/** Note and source at the foot of a figure. */
export const footItems = ({ words, left, top }: FootPlace, plan: PlanWords): SceneItem[] =>
  [...words.note, ...words.source].map((text, i) => ({
    kind: 'text',
    role: 'foot',
    text,
    x: left,
    y: top + GAP + LINE * (i + 0.5),
    font: FONT,
    colour: plan.livery.soft,
    align: 'left',
    on: plan.livery.ground,
  }));

/** Boxes of note and source. */
export function footPlaces({ words, left, top }: FootPlace, measure: TextWidth): PartPlaces {
  const place = (id: string, lines: readonly string[], from: number): PartPlaces => {
    const width = Math.max(0, ...lines.map(line => measure(line, FONT)));
    const box = { left, top: top + GAP + from * LINE, width, height: lines.length * LINE };
    return lines.length ? [[id, { font: id === 'foot' ? FONT : null, beneath: false, box }]] : [];
  };
  return [...place('foot', words.note, 0), ...place('source', words.source, words.note.length)];
}
