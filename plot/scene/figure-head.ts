import type { LegendEntry, ChartPlan } from 'core/plan';
import { keyItems, keyWidth } from './legend-key';
import type { Font, PartPlaces, SceneItem, TextRole, TextWidth } from './scene';
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

/** How much of a head is written. */
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

/** The head of a figure at a width in CSS pixels, no higher than so many as long as it can be less. */
export function headOf(plan: ChartPlan, width: number, textWidth: TextWidth, highest = Infinity): FigureHead {
  let head: FigureHead | null = null;
  for (const amount of AMOUNTS) {
    head = headWith(amount, plan, width, textWidth);
    if (head.height <= highest) break;
  }
  return head as FigureHead;
}

function headWith(amount: Amount, plan: ChartPlan, width: number, textWidth: TextWidth): FigureHead {
  const share = Math.max(0.75, Math.min(1, width / FULL_WIDTH));
  const measured = (style: Style) => (text: string) => textWidth(text, fontOf(style, share));
  const title = linesOf(plan.title, width, amount.title, measured(TITLE));
  const subtitle = linesOf(plan.subtitle, width, amount.subtitle, measured(SUBTITLE));
  const { rows: all, noteLeft } = flow(plan, width, measured(NOTE));
  // A note at the left edge has a row of its own.
  const entries = noteLeft === 0 ? all.slice(0, -1) : all;
  const shown = entries.slice(0, amount.legend);
  const hasNote = amount.note && shown.length === entries.length;
  const rows = hasNote && noteLeft === 0 ? [...shown, []] : shown;
  return {
    title,
    subtitle,
    rows,
    note: hasNote ? fitted(plan.axisNote, width - noteLeft, measured(NOTE)) : '',
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

const linesOf = (text: string, width: number, most: number, measure: (text: string) => number): string[] =>
  most === 0 ? [] : wrapped(text, width, most, measure);

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
  const write = writerOn(livery.ground);
  const lines = (role: 'title' | 'subtitle', texts: readonly string[], style: typeof TITLE, from: number): SceneItem[] =>
    texts.map((line, i) =>
      write(role, line, {
        x: left,
        y: from + style.line * share * (i + 0.5),
        font: fontOf(style, share),
        colour: role === 'title' ? livery.ink : livery.soft,
      }),
    );
  return [
    ...lines('title', head.title, TITLE, top),
    ...lines('subtitle', head.subtitle, SUBTITLE, afterTitle),
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
