import type { ChartPlan } from 'core/plan';
import type { Font, PartPlaces, SceneItem, TextWidth } from './scene';
import { wrapped } from './shortened';

const FONT: Font = { size: 12, weight: 400 };
const LINE = 17;
// Above the first line, in CSS pixels.
const GAP = 4;
// The longest note there may be takes so many lines.
const MOST_LINES = 3;

/** The note at the foot of a figure, broken into the lines of a width. */
export interface FigureFoot {
  readonly lines: readonly string[];
  /** CSS pixels, with room above. */
  readonly height: number;
}

const NONE: FigureFoot = { lines: [], height: 0 };

/** The foot of a figure at a width in CSS pixels, no higher than so many: in a figure too low for a line there is none. */
export function footOf({ note }: ChartPlan, width: number, textWidth: TextWidth, highest = Infinity): FigureFoot {
  const most = Math.min(MOST_LINES, Math.floor((highest - GAP) / LINE));
  if (!note || most < 1) return NONE;
  const lines = wrapped(note, width, most, text => textWidth(text, FONT));
  return { lines, height: GAP + lines.length * LINE };
}

/** A foot, and the corner that it begins at. */
export interface FootPlace {
  readonly words: FigureFoot;
  readonly left: number;
  readonly top: number;
}

/** The note at the foot of a figure. */
export const footItems = ({ words, left, top }: FootPlace, plan: ChartPlan): SceneItem[] =>
  words.lines.map((text, i) => ({
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

/** Where the note lies. */
export function footPlaces({ words, left, top }: FootPlace, measure: TextWidth): PartPlaces {
  const width = Math.max(0, ...words.lines.map(line => measure(line, FONT)));
  const box = { left, top: top + GAP, width, height: words.height - GAP };
  return words.lines.length ? [['foot', { font: FONT, beneath: false, box }]] : [];
}
