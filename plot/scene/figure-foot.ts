import type { ChartPlan } from 'core/plan';
import type { Font, PartPlaces, SceneItem, TextWidth } from './scene';
import { wrapped } from './shortened';

const FONT: Font = { size: 12, weight: 400 };
const LINE = 17;
// From the left edge, and above the lower one, in CSS pixels.
const [SIDE, BELOW] = [14, 10];
// So many characters of a note take a line of their own; the longest there may be takes three.
const [ONE_LINE, MOST_LINES] = [110, 3];

const linesOf = ({ note }: ChartPlan): number => Math.min(MOST_LINES, Math.ceil(note.length / ONE_LINE));

/** Room that a note takes below the plot, in CSS pixels. */
export const footRoom = (plan: ChartPlan): number => linesOf(plan) * LINE;

interface Foot {
  readonly lines: readonly string[];
  readonly top: number;
}

function footOf(plan: ChartPlan, { width, height }: { readonly width: number; readonly height: number }, measure: TextWidth): Foot {
  const lines = wrapped(plan.note, width - 2 * SIDE, Math.max(1, linesOf(plan)), text => measure(text, FONT));
  return { lines, top: height - BELOW - lines.length * LINE };
}

/** The note at the foot of a figure. */
export function footItems(plan: ChartPlan, layout: { readonly width: number; readonly height: number }, measure: TextWidth): SceneItem[] {
  const { lines, top } = footOf(plan, layout, measure);
  return lines.map((text, i) => ({
    kind: 'text',
    text,
    x: SIDE,
    y: top + LINE * (i + 0.5),
    font: FONT,
    colour: plan.livery.soft,
    align: 'left',
    halo: null,
  }));
}

/** Where the note lies. */
export function footPlaces(plan: ChartPlan, layout: { readonly width: number; readonly height: number }, measure: TextWidth): PartPlaces {
  const { lines, top } = footOf(plan, layout, measure);
  const width = Math.max(...lines.map(line => measure(line, FONT)));
  const box = { left: SIDE, top, width, height: lines.length * LINE };
  return lines.length ? [['foot', { font: FONT, beneath: false, box }]] : [];
}
