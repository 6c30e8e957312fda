import type { ChartPlan, LegendEntry } from 'core/plan';
import { keyItems, keyWidth } from './legend-key';
import type { Font, PartPlaces, SceneItem, TextWidth } from '../scene';
import { wrapped } from '../axes/shortened';
import { textFont } from '../head/type-sizes';

// From line to line of an entry, between two entries, around the legend, and from a key to its words; in CSS pixels.
const [LINE, BETWEEN, MARGIN, AFTER_KEY] = [16, 6, 16, 6];
const MOST_LINES = 3;
// Share of a figure's width that a legend beside it may take.
const MOST_WIDTH = 0.24;

interface SideEntry {
  readonly entry: LegendEntry;
  readonly lines: readonly string[];
  /** Distance from the top of the legend. */
  readonly top: number;
}

/** The legend to the right of a plot, broken into lines. */
export interface SideLegend {
  readonly entries: readonly SideEntry[];
  readonly font: Font;
  /** CSS pixels including the gap; 0 for no legend. */
  readonly width: number;
  readonly height: number;
}

/** The legend to the right of a plot for a width and a height in CSS pixels; entries that do not fit are left out. */
export function sideLegendOf({ legend, legendAt, livery }: ChartPlan, width: number, height: number, measure: TextWidth): SideLegend {
  const font = textFont(livery);
  if (legendAt !== 'side' || legend.length === 0) return { entries: [], font, width: 0, height: 0 };
  const widestKey = Math.max(...legend.map(({ key }) => keyWidth(key)));
  const room = width * MOST_WIDTH - widestKey - AFTER_KEY - MARGIN;
  const entries: SideEntry[] = [];
  let top = 0;
  for (const entry of legend) {
    const lines = wrapped(entry.text, room, MOST_LINES, text => measure(text, font));
    if (top + lines.length * LINE > height) break;
    entries.push({ entry, lines, top });
    top += lines.length * LINE + BETWEEN;
  }
  const widest = Math.max(0, ...entries.flatMap(({ lines }) => lines.map(text => measure(text, font))));
  return { entries, font, width: entries.length ? MARGIN + widestKey + AFTER_KEY + widest : 0, height: top };
}

/** A legend with the top left corner of its room. */
export interface SidePlace {
  readonly words: SideLegend;
  readonly left: number;
  readonly top: number;
}

/** The start of the words: all symbols take the width of the widest. */
const textLeft = ({ words, left }: SidePlace): number =>
  left + MARGIN + AFTER_KEY + Math.max(0, ...words.entries.map(({ entry }) => keyWidth(entry.key)));

/** Keys and words of a legend beside the plot. */
export const sideItems = (place: SidePlace, { livery }: ChartPlan): SceneItem[] =>
  place.words.entries.flatMap(({ entry, lines, top }) => [
    ...keyItems(entry.key, place.left + MARGIN, place.top + top + LINE / 2 - 1, livery.ground),
    ...lines.map((text, i): SceneItem => ({
      kind: 'text',
      role: 'legend',
      text,
      x: textLeft(place),
      y: place.top + top + LINE * (i + 0.5),
      font: place.words.font,
      colour: livery.ink,
      align: 'left',
      on: livery.ground,
    })),
  ]);

/** Boxes of its entries. */
export const sidePlaces = (place: SidePlace): PartPlaces =>
  place.words.entries.map(({ lines, top }, i) => [
    `legend ${i + 1}`,
    {
      font: null,
      beneath: false,
      box: { left: place.left + MARGIN, top: place.top + top, width: place.words.width - MARGIN, height: lines.length * LINE },
    },
  ]);
