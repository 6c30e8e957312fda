import { solid } from '../marks/looks';
import { NAME_GAP, NAME_LINE, SAID_FONT, type AxisName } from './name-grid';
import type { PixelScales } from '../pixel-scales';
import type { WrittenName, SceneItem, TextWidth } from '../scene';
import { fitted } from './shortened';
import { textFont } from '../head/type-sizes';

// Half of a number at the end of the axis that a lying figure has below its plot.
const BESIDE_NUMBERS = 20;
// A tick at a number or a period, and how near to the figure's edge a name may come, in CSS pixels.
const TICK = 4;
// A turned name that is cut to less tells nothing.
const LEAST_TURNED = 24;
const EDGE = 3;

/** The names of the category axis, their ticks, and the note about omitted ones. */
export function nameItems(pixels: PixelScales, width: TextWidth): SceneItem[] {
  const { names: named } = pixels.layout;
  if (!named) return [];
  const texts = named.names.flatMap(name =>
    (pixels.plan.horizontal ? besideItems : named.turn ? turnedItems : belowItems)(name, pixels, width),
  );
  return [...(named.ticked ? ticks(named.names, pixels) : []), ...texts, ...saidItems(named.said, pixels, width)];
}

/** Boxes of the names with their categories; a number or period has none. */
export function writtenNames(pixels: PixelScales): WrittenName[] {
  const { names: named, area } = pixels.layout;
  if (!named) return [];
  return named.names.flatMap(({ place, at }) => {
    if (at === null) return [];
    const middle = pixels.atPlace(place);
    const half = Math.max(NAME_LINE, pixels.pitch) / 2;
    const box = pixels.plan.horizontal
      ? { left: area.left - named.room, top: middle - half, width: named.room, height: 2 * half }
      : { left: middle - half, top: area.top + area.height, width: 2 * half, height: named.room };
    return [{ at, box }];
  });
}

const text = (words: string, x: number, y: number, { plan }: PixelScales): Extract<SceneItem, { kind: 'text' }> => ({
  kind: 'text',
  role: 'category',
  text: words,
  x,
  y,
  font: textFont(plan.livery),
  colour: plan.livery.ink,
  align: 'centre',
  on: plan.livery.ground,
});

/** Lines below the plot, centred at their positions, moved where they would leave the figure. */
function belowItems({ place, lines }: AxisName, pixels: PixelScales, width: TextWidth): SceneItem[] {
  const { area, width: whole, from = 0 } = pixels.layout;
  const top = area.top + area.height + NAME_GAP;
  return lines.map((line, i) => {
    const half = width(line, textFont(pixels.plan.livery)) / 2;
    const x = Math.max(from + EDGE + half, Math.min(pixels.atPlace(place), whole - EDGE - half));
    return text(line, x, top + NAME_LINE * (i + 0.5), pixels);
  });
}

/** Rotated names with their ends at their positions, cut at the edge of the figure. */
function turnedItems({ place, lines }: AxisName, pixels: PixelScales, width: TextWidth): SceneItem[] {
  const { area, names } = pixels.layout;
  const turn = names?.turn ?? 0;
  const x = pixels.atPlace(place) + NAME_LINE / 3;
  // The lower edge of the letters reaches furthest.
  const room = (x - EDGE - (textFont(pixels.plan.livery).size / 2) * Math.sin(turn)) / Math.cos(turn);
  if (room < LEAST_TURNED) return [];
  const words = fitted(lines[0] ?? '', room, line => width(line, textFont(pixels.plan.livery)));
  return [{ ...text(words, x, area.top + area.height + NAME_GAP + 2, pixels), align: 'right', turn: -turn }];
}

/** Lines to the left of the plot, vertically centred at their positions. */
function besideItems({ place, lines }: AxisName, pixels: PixelScales): SceneItem[] {
  const right = pixels.layout.area.left - NAME_GAP;
  const middle = pixels.atPlace(place);
  return lines.map((line, i) => ({
    ...text(line, right, middle + NAME_LINE * (i - (lines.length - 1) / 2), pixels),
    align: 'right' as const,
  }));
}

function ticks(names: readonly AxisName[], pixels: PixelScales): SceneItem[] {
  const { area } = pixels.layout;
  const { horizontal, livery } = pixels.plan;
  const edge = horizontal ? area.left : area.top + area.height;
  const points = names.flatMap(({ place }) => {
    const along = pixels.atPlace(place);
    return [...pixels.point(along, edge), ...pixels.point(along, horizontal ? edge - TICK : edge + TICK)];
  });
  return points.length ? [{ kind: 'segments', points: Float64Array.from(points), stroke: solid(livery.soft, 1) }] : [];
}

/** The note in small letters at the end of the axis. */
function saidItems(said: string, pixels: PixelScales, width: TextWidth): SceneItem[] {
  if (!said) return [];
  const { area, names } = pixels.layout;
  const { horizontal, livery } = pixels.plan;
  const right = area.left + area.width;
  // Beside the plot the numbers of its axis begin.
  const room = horizontal ? area.left - EDGE - BESIDE_NUMBERS : area.width;
  const [whole] = said.split(/[,;]/) as [string];
  const measure = (line: string): number => width(line, SAID_FONT);
  // In fewer words before it is cut.
  const words =
    [said, whole, whole.replace(/ of [\d,]+/, ''), whole.replace(/ of [\d,]+ named/, '')].find(line => measure(line) <= room) ??
    fitted(said, room, measure);
  const y = area.top + area.height + (horizontal ? NAME_GAP + NAME_LINE / 2 : (names?.room ?? 0) - NAME_LINE / 2);
  const at = horizontal ? { x: EDGE, align: 'left' as const } : { x: right, align: 'right' as const };
  return [{ ...text(words, 0, y, pixels), ...at, font: SAID_FONT, colour: livery.soft }];
}
