import type { AxisPlan, ChartPlan } from 'core/plan';
import type { PixelScales } from '../pixel-scales';
import type { SceneItem, TextWidth } from '../scene';
import type { TextItem } from '../labels/text-box';
import { textFont } from '../head/type-sizes';

/** Gap between the plot and the numbers of its axis, in CSS pixels. */
export const NUMBER_GAP = 8;
// Between two numbers that stand beside or above each other, and from a number to the figure's edge; in CSS pixels.
const [BESIDE, ABOVE, EDGE] = [6, 2, 3];

/** Room that the numbers of a value axis take beside the plot, in CSS pixels. */
export function numberRoom({ tickLabels, numbers }: AxisPlan, { horizontal, livery }: ChartPlan, width: TextWidth): number {
  if (!numbers) return 0;
  const font = textFont(livery);
  if (horizontal) return font.size + 2 * NUMBER_GAP;
  return Math.max(0, ...tickLabels.map(text => width(text, font))) + 2 * NUMBER_GAP;
}

/** The numbers of all value axes: at every tick, or at every nth where neighbours would touch. */
export const numberItems = (pixels: PixelScales, width: TextWidth): SceneItem[] =>
  pixels.plan.panels.flatMap(({ axes }, panel) =>
    axes.flatMap((axis, nth) => (axis.numbers ? numbersOf(axis, { panel, nth, pixels, width }) : [])),
  );

interface AxisAt {
  readonly panel: number;
  readonly nth: number;
  readonly pixels: PixelScales;
  readonly width: TextWidth;
}

function numbersOf({ scale, tickLabels }: AxisPlan, at: AxisAt): SceneItem[] {
  const { panel, nth, pixels } = at;
  const items = scale.ticks.map((tick, i) => numberAt(tickLabels[i] ?? '', pixels.value(panel, nth, tick), at));
  const every = apartBy(items, at);
  return items.filter((_, i) => i % every === 0);
}

/** The smallest n for which numbers at every nth tick do not touch. */
function apartBy(items: readonly TextItem[], { pixels, width }: AxisAt): number {
  const { horizontal, livery } = pixels.plan;
  const font = textFont(livery);
  const along = items.map(({ x, y, text }) => {
    const length = horizontal ? width(text, font) + BESIDE : font.size + ABOVE;
    return { middle: horizontal ? x : y, half: length / 2 };
  });
  const fits = (every: number): boolean => {
    const shown = along.filter((_, i) => i % every === 0);
    return shown.every(({ middle, half }, i) => {
      const before = shown[i - 1];
      return !before || Math.abs(middle - before.middle) >= half + before.half;
    });
  };
  let every = 1;
  while (every < items.length && !fits(every)) every++;
  return every;
}

function numberAt(text: string, pixel: number, { panel, nth, pixels, width }: AxisAt): TextItem {
  const { area, width: whole } = pixels.layout;
  const { horizontal, livery, panels, isStrip } = pixels.plan;
  const font = textFont(livery);
  const near = pixels.sideOf(panel, nth) === 'near';
  const look = {
    kind: 'text' as const,
    role: nth === 0 ? ('axis first' as const) : ('axis second' as const),
    text,
    font,
    colour: livery.soft,
    on: livery.ground,
  };
  if (!horizontal) {
    const x = near ? area.left - NUMBER_GAP : area.left + area.width + NUMBER_GAP;
    return { ...look, x, y: pixel, align: near ? 'right' : 'left' };
  }
  const half = width(text, font) / 2;
  // Panels stand side by side: the last number of one does not run into the first of the next.
  const [from, to] = panels.length > 1 || isStrip ? pixels.reach(panel) : [EDGE, whole - EDGE];
  const x = Math.max(from + half, Math.min(pixel, to - half));
  const off = NUMBER_GAP + font.size / 2;
  return { ...look, x, y: near ? area.top + area.height + off : area.top - off, align: 'centre' };
}
