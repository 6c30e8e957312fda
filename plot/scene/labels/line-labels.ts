import { heightOf, type LabelWish, type Spot, type WidthAt } from 'core/label';
import type { ChartPlan, LevelLine } from 'core/plan';
import { lastLevel } from '../marks/level-lines';
import type { PixelScales } from '../pixel-scales';

const SIZE = 12.5;
const SMALLEST = 10;
const WEIGHT = 650;
// A label in the margin is broken into lines at most this wide.
const MARGIN = 96;
// From the plot to the margin, and from a line to its label; in CSS pixels.
const [BESIDE, ABOVE] = [6, 4];
// Places along a line where its label may stand.
const PLACES = 8;
// How far from its line a label in the margin may stand, in lines of text.
const MOST_OFF = 5;

/** Whether labels of level lines are in the margin beside the plot: they are where marks have labels of their own. */
export const hasMarginLabels = ({ panels, categories, horizontal }: ChartPlan): boolean =>
  !horizontal &&
  panels.some(({ levelLines }) => levelLines.some(line => line.label)) &&
  panels.some(({ layers }) => layers.some(layer => layer.labels.length > categories.length / 3));

/** Room that labels in the margin need, in CSS pixels. */
export const marginRoom = (plan: ChartPlan): number => (hasMarginLabels(plan) ? MARGIN + 8 : 0);

/** The labels of level lines, for each line in the order of the plan; null for one without. */
export function lineWishes(pixels: PixelScales, width: WidthAt): (Omit<LabelWish, 'priority'> | null)[] {
  const { plan } = pixels;
  const inMargin = hasMarginLabels(plan);
  return plan.panels
    .flatMap(({ levelLines }) => levelLines)
    .map(line => {
      const last = lastLevel(line);
      if (!line.label || last === undefined) return null;
      const pixel = pixels.value(line.panel, line.axis, last);
      const lines = brokenIn(line.label, text => width(text, SIZE, WEIGHT));
      const whole = width(line.label, SIZE, WEIGHT);
      const along = plan.horizontal ? acrossTop(pixels, pixel, whole) : alongLine(pixels, line, whole);
      return {
        lines: inMargin ? lines : [line.label],
        shorter: () => (lines.length > 1 ? [inMargin ? [line.label] : lines] : []),
        spots: inMargin ? [...inTheMargin(pixels, pixel, heightOf(lines.length, SIZE)), ...along] : along,
        size: SIZE,
        smallest: SMALLEST,
        weight: WEIGHT,
        steps: true,
        leads: true,
        pinned: false,
      };
    });
}

/** Words broken into lines no wider than the margin. */
function brokenIn(label: string, measure: (text: string) => number): string[] {
  const rows: string[] = [];
  for (const word of label.split(' ')) {
    const longer = rows.length ? `${rows.at(-1)} ${word}` : word;
    if (rows.length && measure(longer) <= MARGIN) rows[rows.length - 1] = longer;
    else rows.push(word);
  }
  return rows;
}

/** Beside the end of the line; above or below that where another label is. */
function inTheMargin({ layout: { area } }: PixelScales, pixel: number, height: number): Spot[] {
  const x = area.left + area.width;
  const offs = Array.from({ length: MOST_OFF }, (_, i) => [(i + 1) * (height / 2 + 1), -(i + 1) * (height / 2 + 1)]).flat();
  return [0, ...offs].map(off => ({ x, y: pixel + off, side: 'right', gap: BESIDE }));
}

/** Above or below the right end of the line, or its left end; else anywhere along it where nothing is in the way. */
function alongLine(pixels: PixelScales, line: LevelLine, whole: number): Spot[] {
  const { area } = pixels.layout;
  const { values } = line;
  const level = values.findLast(value => value === value) as number;
  const from = area.left + 2 + whole / 2;
  const to = area.left + area.width - 2 - whole / 2;
  const steps = Array.from({ length: PLACES - 1 }, (_, i) => to - ((i + 1) / PLACES) * (to - from));
  const isLevel = values.every(value => value !== value || value === level);
  // A line that changes from category to category is named where it ends.
  const xs = isLevel ? [to, from, ...steps] : [to];
  const y = pixels.value(line.panel, line.axis, level);
  const sides = (xs: readonly number[]): Spot[] =>
    (['above', 'below'] as const).flatMap(side => xs.map((x): Spot => ({ x, y, side, gap: ABOVE })));
  return [...sides(xs.slice(0, 2)), ...sides(xs.slice(2))];
}

/** Above the plot, to the right of the line or to its left. */
function acrossTop({ layout: { area } }: PixelScales, pixel: number, whole: number): Spot[] {
  const y = area.top - ABOVE - SIZE / 2;
  const spots = (['right', 'left'] as const).map((side): Spot => ({ x: pixel, y, side, gap: BESIDE }));
  const inside = (['right', 'left'] as const).flatMap(side =>
    Array.from({ length: PLACES }, (_, i): Spot => ({
      x: pixel,
      y: area.top + SIZE + (i / PLACES) * (area.height - 2 * SIZE),
      side,
      gap: BESIDE,
    })),
  );
  return [...spots, { x: pixel, y: y + SIZE / 2, side: 'above', gap: 0 }, ...(whole > 0 ? inside : [])];
}
