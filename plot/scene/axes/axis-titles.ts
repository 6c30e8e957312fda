import type { AxisPlan, ChartPlan, PanelPlan } from 'core/plan';
import { NUMBER_GAP } from './axis-numbers';
import { textFont } from '../head/type-sizes';
import type { PixelScales } from '../pixel-scales';
import type { Font, PartPlaces, SceneItem, TextRole, TextWidth } from '../scene';
import { fitted } from './shortened';

/** Whether panels have titles: a single panel needs none. */
export const isTitled = ({ panels, isStrip }: ChartPlan): boolean => panels.length > 1 || isStrip === true;

const PANEL: Font = { size: 12.5, weight: 650 };
/** The font of panel titles. In a strip of a grid they are no larger than the numbers. */
const panelFont = ({ livery, isStrip }: ChartPlan): Font =>
  isStrip ? { ...PANEL, size: Math.min(PANEL.size, textFont(livery).size + 0.5) } : PANEL;
const AXIS: Font = { size: 12, weight: 600 };
// Above the plot, where no strip of a panel's own is.
const ABOVE = 12;

/** The title of each panel in the strip above it, and of each value axis above its end where there are two. */
export const axisTitles = (pixels: PixelScales, width: TextWidth): SceneItem[] =>
  pixels.plan.panels.flatMap((panel, i) => titlesOf(panel, i, pixels, width));

function titlesOf({ title, axes, found, isBlank }: PanelPlan, panel: number, pixels: PixelScales, width: TextWidth): SceneItem[] {
  if (isBlank) return [];
  const { livery } = pixels.plan;
  const [left, right] = [leftOf(pixels, panel), rightOf(pixels, panel)];
  // In a narrow strip the name of a panel may begin above its numbers' end and run to the strip's edge.
  const beside = pixels.plan.isStrip && !pixels.plan.horizontal ? pixels.layout.width - right : 0;
  const write = (role: TextRole, text: string, font: Font, align: 'left' | 'right', share: number): SceneItem => ({
    kind: 'text',
    role,
    text: fitted(text, (right - left) * share + beside, item => width(item, font)),
    x: align === 'left' ? left : right,
    y: middleOf(pixels, panel),
    font,
    colour: role === 'panel' ? livery.ink : livery.soft,
    align,
    on: livery.ground,
  });
  const [first, second] = axes;
  const several = isTitled(pixels.plan);
  return [
    ...(several ? foundTitle(found, write('panel', title, panelFont(pixels.plan), 'left', second ? 0.6 : 0.94)) : []),
    ...(!several && first?.title ? [write('axis title first', first.title, AXIS, alignOf(first), 0.5)] : []),
    // The name of the panel has the left.
    ...(second?.title ? [write('axis title second', second.title, AXIS, several ? 'right' : alignOf(second), several ? 0.38 : 0.5)] : []),
  ];
}

// A dot before the title of a panel that a cue finds, and the room that it takes; in CSS pixels.
const [DOT, DOT_ROOM] = [4, 13];

/** The mark before the title of a panel that a cue singles out, in the cue's colour. */
function foundTitle(found: string | undefined, title: SceneItem): SceneItem[] {
  if (found === undefined || title.kind !== 'text') return [title];
  const dot: SceneItem = { kind: 'dots', points: Float64Array.of(title.x + DOT, title.y), radius: DOT, fill: found, stroke: null };
  return [dot, { ...title, x: title.x + DOT_ROOM }];
}

/** Boxes of the titles of panels and axes. */
export function titlePlaces(pixels: PixelScales, width: TextWidth): PartPlaces {
  const { panels } = pixels.plan;
  return panels.flatMap(({ title, axes: [first, second] }, i) => {
    const [left, right, top] = [leftOf(pixels, i), rightOf(pixels, i), middleOf(pixels, i) - 8];
    const place = (id: string, wide: number, from: number): PartPlaces[number] => [
      id,
      { font: null, beneath: false, box: { left: from, top, width: wide, height: 16 } },
    ];
    const wide = (text: string): number => Math.min(width(text, AXIS), (right - left) * 0.5);
    const beginning = (axis: AxisPlan): number => (alignOf(axis) === 'left' ? left : right - wide(axis.title));
    return [
      ...(isTitled(pixels.plan) ? [place(`panel ${i + 1}`, width(title, panelFont(pixels.plan)), left)] : []),
      ...(!isTitled(pixels.plan) && first?.title ? [place('axis title first', wide(first.title), beginning(first))] : []),
      ...(second?.title && i === 0
        ? [place('axis title second', wide(second.title), isTitled(pixels.plan) ? right - wide(second.title) : beginning(second))]
        : []),
    ];
  });
}

/** The alignment of a title: towards its own axis. */
const alignOf = ({ side }: AxisPlan): 'left' | 'right' => (side === 'near' ? 'left' : 'right');

const middleOf = ({ plan, layout }: PixelScales, panel: number): number =>
  (plan.horizontal ? null : layout.strips[panel]) ?? layout.area.top - ABOVE - numbersAbove(plan);

/** Room for the numbers above the plot of a lying figure, in CSS pixels. */
const numbersAbove = ({ horizontal, panels, livery }: ChartPlan): number =>
  horizontal && panels.some(({ axes }) => axes.some(axis => axis.numbers && axis.side === 'far')) ? textFont(livery).size + NUMBER_GAP : 0;

/** The left edge of a panel: lying panels are side by side, others one below the other. */
const leftOf = (pixels: PixelScales, panel: number): number => (pixels.plan.horizontal ? pixels.reach(panel)[0] : pixels.layout.area.left);
const rightOf = (pixels: PixelScales, panel: number): number =>
  pixels.plan.horizontal ? pixels.reach(panel)[1] : pixels.layout.area.left + pixels.layout.area.width;
