import type { LegendEntry, LetterSizes, ChartPlan } from 'core/plan';
import { roomAbove } from '../labels/label-room';
import { keyItems, keyWidth } from '../legend/legend-key';
import type { Font, PartPlaces, SceneItem, TextRole, TextWidth } from '../scene';
import { fitted, wrapped } from '../axes/shortened';
import { sizesOf } from './type-sizes';

// The title is the first thing read, the axis note the last; from line to line in sizes of the letters.
const TITLE = { size: 'title', weight: 650, line: 1.32, most: 2 } as const;
const SUBTITLE = { size: 'subtitle', weight: 400, line: 1.46, most: 3 } as const;
const NOTE = { size: 'text', weight: 400, line: 1.5 } as const;
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

/** The parts of a plan that a head needs; those of a table have no panels. */
export type HeadedPlan = Pick<
  ChartPlan,
  'title' | 'subtitle' | 'legend' | 'axisNote' | 'legendAt' | 'livery' | 'panels' | 'horizontal' | 'isStrip'
>;

/** An entry of the legend with its distance from the left edge. */
interface PlacedEntry {
  readonly entry: LegendEntry;
  readonly left: number;
}

/** The font of a text, and its line height in CSS pixels. */
interface TextStyle {
  readonly font: Font;
  readonly line: number;
}

/** Title, subtitle, legend and axis note of a figure, broken into lines. */
export interface FigureHead {
  readonly title: readonly string[];
  readonly subtitle: readonly string[];
  readonly rows: readonly (readonly PlacedEntry[])[];
  readonly note: string;
  /** Position of the note from the left edge, in the last row. */
  readonly noteLeft: number;
  readonly styles: { readonly title: TextStyle; readonly subtitle: TextStyle; readonly note: TextStyle };
  /** CSS pixels, including the gap below. */
  readonly height: number;
}

/** How much of a head is shown. */
interface Amount {
  readonly title: number;
  readonly subtitle: number;
  readonly note: boolean;
  readonly legend: number;
}

// What a head gives up, one after the other, where a figure is too low for all of it.
const AMOUNTS: readonly Amount[] = [
  { title: TITLE.most, subtitle: SUBTITLE.most, note: true, legend: Infinity },
  { title: TITLE.most, subtitle: 1, note: true, legend: Infinity },
  { title: TITLE.most, subtitle: 1, note: false, legend: Infinity },
  { title: TITLE.most, subtitle: 0, note: false, legend: Infinity },
  { title: 1, subtitle: 0, note: false, legend: Infinity },
  { title: 1, subtitle: 0, note: false, legend: 2 },
  { title: 1, subtitle: 0, note: false, legend: 1 },
  { title: 1, subtitle: 0, note: false, legend: 0 },
  { title: 0, subtitle: 0, note: false, legend: 0 },
];

// A strip of a grid has its words above the whole of it.
const NOTHING: Amount = { title: 0, subtitle: 0, note: false, legend: 0 };

/** The head for a width, reduced until it fits a largest height, both in CSS pixels. */
export function headOf(plan: HeadedPlan, width: number, textWidth: TextWidth, highest = Infinity): FigureHead {
  let head: FigureHead | null = null;
  if (plan.isStrip)
    return { ...headWith(NOTHING, plan, width, textWidth), rows: [], height: plan.horizontal ? AXIS_TITLES + GAP_BELOW : 0 };
  for (const amount of AMOUNTS) {
    head = headWith(amount, plan, width, textWidth);
    if (head.height <= highest) break;
  }
  return head as FigureHead;
}

function headWith(amount: Amount, plan: HeadedPlan, width: number, textWidth: TextWidth): FigureHead {
  const share = Math.max(0.75, Math.min(1, width / FULL_WIDTH));
  const sizes = sizesOf(plan.livery);
  const styles = { title: styleOf(TITLE, sizes, share), subtitle: styleOf(SUBTITLE, sizes, share), note: styleOf(NOTE, sizes, share) };
  const measured =
    ({ font }: TextStyle) =>
    (text: string) =>
      textWidth(text, font);
  const title = linesOf(plan.title, width, amount.title, measured(styles.title));
  const subtitle = linesOf(plan.subtitle, width, amount.subtitle, measured(styles.subtitle));
  const { rows: all, noteLeft } = flow(plan, width, measured(styles.note));
  // A note at the left edge has a row of its own.
  const entries = noteLeft === 0 ? all.slice(0, -1) : all;
  const shown = entries.slice(0, amount.legend);
  const hasNote = amount.note && shown.length === entries.length;
  const rows = hasNote && noteLeft === 0 ? [...shown, []] : shown;
  return {
    title,
    subtitle,
    rows,
    note: hasNote ? fitted(plan.axisNote, width - noteLeft, measured(styles.note)) : '',
    noteLeft,
    styles,
    height:
      title.length * styles.title.line +
      subtitle.length * styles.subtitle.line +
      GAP_ABOVE_NOTE +
      styles.note.line * rows.length +
      (hasAxisTitles(plan) ? AXIS_TITLES : roomAbove(plan)) +
      GAP_BELOW,
  };
}

const linesOf = (text: string, width: number, most: number, measure: (text: string) => number): string[] =>
  most === 0 ? [] : wrapped(text, width, most, measure);

interface Style {
  readonly size: 'title' | 'subtitle' | 'text';
  readonly weight: number;
  readonly line: number;
}

/** The style of a text of the head, scaled. The row height of the legend stays. */
function styleOf({ size, weight, line }: Style, sizes: LetterSizes, share: number): TextStyle {
  const usual = sizes[size];
  const shrunk = Math.min(usual, Math.max(SMALLEST, Math.round(usual * share)));
  return { font: { size: shrunk, weight }, line: Math.round(usual * line) * (size === 'text' ? 1 : share) };
}

/** Whether titles of axes, or of panels side by side, are between the head and the plot. */
const hasAxisTitles = ({ panels, horizontal }: HeadedPlan): boolean =>
  panels.length === 1 ? panels.some(({ axes }) => axes.some(axis => axis.title)) : horizontal;

/** Entries are laid out like words in lines; the note follows on the last line where it fits, else below. */
function flow(plan: HeadedPlan, width: number, measure: (text: string) => number): { rows: PlacedEntry[][]; noteLeft: number } {
  const rows: PlacedEntry[][] = [[]];
  let left = 0;
  for (const entry of plan.legendAt === 'top' ? plan.legend : []) {
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
export function headItems(head: FigureHead, { livery }: HeadedPlan, left: number, top: number): SceneItem[] {
  const { styles } = head;
  const note = styles.note.font;
  const { afterTitle, middleOf } = rowsOf(head, top);
  const write = writerOn(livery.ground);
  const lines = (role: 'title' | 'subtitle', from: number): SceneItem[] =>
    head[role].map((line, i) =>
      write(role, line, {
        x: left,
        y: from + styles[role].line * (i + 0.5),
        font: styles[role].font,
        colour: role === 'title' ? livery.ink : livery.soft,
      }),
    );
  return [
    ...lines('title', top),
    ...lines('subtitle', afterTitle),
    ...head.rows.flatMap((row, i) =>
      row.flatMap(({ entry, left: from }) => [
        ...keyItems(entry.key, left + from, middleOf(i) - 1, livery.ground),
        write('legend', entry.text, {
          x: left + from + keyWidth(entry.key) + GAP_AFTER_KEY,
          y: middleOf(i),
          font: note,
          colour: livery.ink,
        }),
      ]),
    ),
    ...(head.note
      ? [write('note', head.note, { x: left + head.noteLeft, y: middleOf(head.rows.length - 1), font: note, colour: livery.soft })]
      : []),
  ];
}

/** Positions of the lines of a head: the end of the title, and the middle of each row of the legend. */
function rowsOf({ title, subtitle, styles }: FigureHead, top: number) {
  const afterTitle = top + title.length * styles.title.line;
  const below = afterTitle + subtitle.length * styles.subtitle.line + GAP_ABOVE_NOTE;
  return { afterTitle, below, middleOf: (row: number): number => below + styles.note.line * (row + 0.5) };
}

/** Boxes of title, subtitle, every entry of the legend and the axis note. */
export function headPlaces(head: FigureHead, at: { readonly left: number; readonly top: number }, width: TextWidth): PartPlaces {
  const { styles } = head;
  const { left, top } = at;
  const { afterTitle, below, middleOf } = rowsOf(head, top);
  const { font: note, line: noteLine } = styles.note;
  const words = (id: 'title' | 'subtitle', from: number, end: number): PartPlaces => {
    const { font } = styles[id];
    const lines = head[id];
    const box = { left, top: from, width: Math.max(...lines.map(line => width(line, font))), height: end - from };
    return lines.length ? [[id, { font, beneath: false, box }]] : [];
  };
  const inRow = (id: string, at: number, from: number, wide: number): PartPlaces[number] => {
    const box = { left: left + from, top: middleOf(at) - noteLine / 2, width: wide, height: noteLine };
    return [id, { font: null, beneath: false, box }];
  };
  const entries = head.rows.flatMap((placed, row) => placed.map(item => ({ ...item, row })));
  return [
    ...words('title', top, afterTitle),
    ...words('subtitle', afterTitle, below - GAP_ABOVE_NOTE),
    ...entries.map(({ entry, left: from, row }, nth) =>
      inRow(`legend ${nth + 1}`, row, from, keyWidth(entry.key) + GAP_AFTER_KEY + width(entry.text, note)),
    ),
    ...(head.note ? [inRow('note', head.rows.length - 1, head.noteLeft, width(head.note, note))] : []),
  ];
}

const writerOn =
  (on: string) =>
  (
    role: TextRole,
    text: string,
    place: { readonly x: number; readonly y: number; readonly font: Font; readonly colour: string },
  ): SceneItem => ({
    kind: 'text',
    role,
    text,
    ...place,
    align: 'left',
    on,
  });
