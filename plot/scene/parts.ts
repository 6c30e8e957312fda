import { grown, type Box } from 'core/label';
import type { LevelLine } from 'core/plan';
import { titlePlaces } from './axes/axis-titles';
import { footPlaces } from './head/figure-foot';
import { headPlaces } from './head/figure-head';
import type { Labels } from './labels/labels';
import { lastLevel } from './marks/level-lines';
import type { PixelScales } from './pixel-scales';
import { sidePlaces } from './legend/side-legend';
import type { PartPlaces, ScenePart, TextWidth } from './scene';

// A line without a label is met this far from it.
const BESIDE_LINE = 5;

/** The drawn parts of the plan with their boxes, in the plan's order. */
export function partsOf(pixels: PixelScales, { lines, series }: Pick<Labels, 'lines' | 'series'>, width: TextWidth): ScenePart[] {
  const { plan, layout } = pixels;
  const places = new Map([
    ...(layout.head ? headPlaces(layout.head.words, layout.head, width) : []),
    ...(layout.side ? sidePlaces(layout.side) : []),
    ...(layout.foot ? footPlaces(layout.foot, width) : []),
    ...plan.parts.flatMap(({ id, series: name }): PartPlaces => {
      const box = name === undefined ? undefined : series.get(name);
      return box ? [[id, { box, font: null, beneath: false }]] : [];
    }),
    ...titlePlaces(pixels, width),
    ...axisPlaces(pixels),
    ...plan.panels.flatMap(panel => panel.levelLines).map((line, i) => linePlace(line, lines[i]?.box ?? null, i, pixels)),
    ...bandPlaces(pixels),
  ]);
  return plan.parts.flatMap(part => {
    const place = places.get(part.id);
    return place ? [{ ...part, ...place }] : [];
  });
}

/** The boxes of numbers and names around the plot. */
function axisPlaces({ plan, layout }: PixelScales): PartPlaces {
  const { area, width, height } = layout;
  const [right, bottom] = [area.left + area.width, area.top + area.height];
  const left: Box = { left: 0, top: area.top, width: area.left, height: area.height };
  const below: Box = { left: area.left, top: bottom, width: area.width, height: height - bottom };
  const beyond: Box = plan.horizontal
    ? { left: area.left, top: area.top - 24, width: area.width, height: 24 }
    : { left: right, top: area.top, width: width - right, height: area.height };
  const near = plan.horizontal ? below : left;
  const [first, second] = plan.panels[0]?.axes[0]?.side === 'far' ? [beyond, near] : [near, beyond];
  const place = (id: string, box: Box): PartPlaces[number] => [id, { box, font: null, beneath: false }];
  return [place('axis first', first), place('axis second', second), place('categories', plan.horizontal ? left : below)];
}

function linePlace(line: LevelLine, label: Box | null, i: number, pixels: PixelScales): PartPlaces[number] {
  const box = label ? grown(label, 0, 2) : alongAxis(pixels, line.panel, line.axis, [lastLevel(line) ?? NaN], BESIDE_LINE);
  return [`line ${i + 1}`, { box, font: null, beneath: label === null }];
}

const bandPlaces = (pixels: PixelScales): PartPlaces =>
  pixels.plan.panels
    .flatMap(panel => panel.bands)
    .map(({ panel, axis, low, high }, i) => [
      `band ${i + 1}`,
      { box: alongAxis(pixels, panel, axis, [...low, ...high], 0), font: null, beneath: true },
    ]);

/** The part of the plot between the smallest and largest of some values, with a margin. */
function alongAxis(pixels: PixelScales, panel: number, axis: number, values: readonly number[], beside: number): Box {
  const { area } = pixels.layout;
  const there = values.filter(value => !Number.isNaN(value)).map(value => pixels.value(panel, axis, value));
  if (there.length === 0) return { ...area, width: 0, height: 0 };
  const [low, high] = [Math.min(...there) - beside, Math.max(...there) + beside];
  return pixels.plan.horizontal ? { ...area, left: low, width: high - low } : { ...area, top: low, height: high - low };
}
