import type { LegendEntry, ChartPlan } from 'core/plan';
import { keyItems, keyWidth } from './legend-key';
import type { Font, PartPlaces, SceneItem, TextWidth } from './scene';
import { fitted, wrapped } from './shortened';

// Sizes in CSS pixels; the title is the first thing read, the axis note the last.
const TITLE = { size: 19, weight: 650, line: 25, most: 2 };
const SUBTITLE = { size: 13, weight: 400, line: 19, most: 3 };
const NOTE = { size: 12, weight: 400, line: 18 };
const GAP_ABOVE_NOTE = 8;
const GAP_BELOW = 14;
const GAP_BETWEEN = 16;
const GAP_AFTER_KEY = 6;
const AXIS_TITLES = 14;
// A note may be cut, but not to less than this.
const NOTE_ROOM = 160;
const SMALLEST = 12;
// Below this width the head shrinks with the figure, down to three quarters.
const FULL_WIDTH = 640;

/** A legend's entry with its place from the left edge. */
interface PlacedEntry {
  readonly entry: LegendEntry;
  readonly left: number;
}

/** Title, line below it, legend and axis note of a figure, broken into the lines of a width. */
export interface FigureHead {
  readonly title: readonly string[];
  readonly subtitle: readonly string[];
  readonly rows: readonly (readonly PlacedEntry[])[];
  readonly note: string;
  /** From the left edge, on the last row. */
  readonly noteLeft: number;
  readonly share: number;
  /** CSS pixels, with room below. */
  readonly height: number;
}

/** The head of a figure at a width in CSS pixels. */
export function headOf(plan: ChartPlan, width: number, textWidth: TextWidth): FigureHead {
  const share = Math.max(0.75, Math.min(1, width / FULL_WIDTH));
  const measured = (style: Style) => (text: string) => textWidth(text, fontOf(style, share));
  const title = wrapped(plan.title, width, TITLE.most, measured(TITLE));
  const subtitle = wrapped(plan.subtitle, width, SUBTITLE.most, measured(SUBTITLE));
  const { rows, noteLeft } = flow(plan, width, measured(NOTE));
  return {
    title,
    subtitle,
    rows,
    note: fitted(plan.axisNote, width - noteLeft, measured(NOTE)),
    noteLeft,
    share,
    height:
      (title.length * TITLE.line + subtitle.length * SUBTITLE.line) * share +
      GAP_ABOVE_NOTE +
      NOTE.line * rows.length +
      (hasAxisTitles(plan) ? AXIS_TITLES : 0) +
      GAP_BELOW,
  };
}

type Style = Pick<typeof NOTE, 'size' | 'weight'>;

/** Names of axes, and of panels that lie beside each other, stand between the head and the plot. */
const hasAxisTitles = ({ panels, horizontal }: ChartPlan): boolean =>
  panels.length === 1 ? panels.some(({ axes }) => axes.some(axis => axis.title)) : horizontal;
const fontOf = ({ size, weight }: Style, share: number): Font => ({ size: Math.max(SMALLEST, Math.round(size * share)), weight });

/** Entries flow like words; the note follows them on the last line where it fits, else below. */
function flow(plan: ChartPlan, width: number, measure: (text: string) => number): { rows: PlacedEntry[][]; noteLeft: number } {
  const rows: PlacedEntry[][] = [[]];
  let left = 0;
  for (const entry of plan.legend) {
    const wide = keyWidth(entry.key) + GAP_AFTER_KEY + measure(entry.text) + GAP_BETWEEN;
    if (left > 0 && left + wide > width) {
      rows.push([]);
      left = 0;
    }
    rows.at(-1)?.push({ entry, left });
    left += wide;
  }
  const fits = left === 0 || left + Math.min(measure(plan.axisNote), NOTE_ROOM) <= width;
  if (!fits) rows.push([]);
  return { rows, noteLeft: fits ? left : 0 };
}

/** The head at its corner. */
export function headItems(head: FigureHead, { livery }: ChartPlan, left: number, top: number): SceneItem[] {
  const { share } = head;
  const note = fontOf(NOTE, share);
  const { afterTitle, middleOf } = rowsOf(head, top);
  const lines = (texts: readonly string[], style: typeof TITLE, colour: string, from: number): SceneItem[] =>
    texts.map((line, i) => text(line, left, from + style.line * share * (i + 0.5), fontOf(style, share), colour));
  return [
    ...lines(head.title, TITLE, livery.ink, top),
    ...lines(head.subtitle, SUBTITLE, livery.soft, afterTitle),
    ...head.rows.flatMap((row, i) =>
      row.flatMap(({ entry, left: from }) => [
        ...keyItems(entry.key, left + from, middleOf(i) - 1, livery.ground),
        text(entry.text, left + from + keyWidth(entry.key) + GAP_AFTER_KEY, middleOf(i), note, livery.ink),
      ]),
    ),
    text(head.note, left + head.noteLeft, middleOf(head.rows.length - 1), note, livery.soft),
  ];
}

/** Where the lines of a head lie: the end of its title, and the middle of each row of its legend. */
function rowsOf({ title, subtitle, share }: FigureHead, top: number) {
  const afterTitle = top + title.length * TITLE.line * share;
  const below = afterTitle + subtitle.length * SUBTITLE.line * share + GAP_ABOVE_NOTE;
  return { afterTitle, below, middleOf: (row: number): number => below + NOTE.line * (row + 0.5) };
}

/** Where title, the line below it, every entry of the legend and the note on the axes lie. */
export function headPlaces(head: FigureHead, at: { readonly left: number; readonly top: number }, width: TextWidth): PartPlaces {
  const { share } = head;
  const { left, top } = at;
  const { afterTitle, below, middleOf } = rowsOf(head, top);
  const note = fontOf(NOTE, share);
  const words = (id: string, lines: readonly string[], style: typeof TITLE, from: number, end: number): PartPlaces => {
    const font = fontOf(style, share);
    const box = { left, top: from, width: Math.max(...lines.map(line => width(line, font))), height: end - from };
    return lines.length ? [[id, { font, beneath: false, box }]] : [];
  };
  const inRow = (id: string, at: number, from: number, wide: number): PartPlaces[number] => {
    const box = { left: left + from, top: middleOf(at) - NOTE.line / 2, width: wide, height: NOTE.line };
    return [id, { font: null, beneath: false, box }];
  };
  const entries = head.rows.flatMap((placed, row) => placed.map(item => ({ ...item, row })));
  return [
    ...words('title', head.title, TITLE, top, afterTitle),
    ...words('subtitle', head.subtitle, SUBTITLE, afterTitle, below - GAP_ABOVE_NOTE),
    ...entries.map(({ entry, left: from, row }, nth) =>
      inRow(`legend ${nth + 1}`, row, from, keyWidth(entry.key) + GAP_AFTER_KEY + width(entry.text, note)),
    ),
    ...(head.note ? [inRow('note', head.rows.length - 1, head.noteLeft, width(head.note, note))] : []),
  ];
}

const text = (words: string, x: number, y: number, font: Font, colour: string): SceneItem => ({
  kind: 'text',
  text: words,
  x,
  y,
  font,
  colour,
  align: 'left',
  halo: null,
});
