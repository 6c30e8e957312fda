import type { AxisPlan, ChartPlan } from 'core/plan';
import { numberRoom } from './scene/axes/axis-numbers';
import type { PlotLayout } from './scene/layout';
import { movedBox, movedScene, type Shift } from './scene/moved';
import { gridShape, layoutPlanOf, stripsOf, type GridShape, type Strip } from './scene/panel-grid';
import { PixelScales } from './scene/pixel-scales';
import type { FigurePoint, Scene, ScenePart, TextWidth } from './scene/scene';
import { sceneOf } from './scene/scene-of';

/** A strip of panels as it is drawn: its scene where it stands, its place on the canvas, and what reads its values. */
export interface DrawnStrip {
  readonly scene: Scene;
  readonly strip: Strip;
  readonly pixels: PixelScales;
  readonly shift: Shift;
}

/** A grid of panels: all of it as one scene, and its strips, each pointed at by itself. */
export interface GridScene {
  readonly scene: Scene;
  readonly strips: readonly DrawnStrip[];
}

/** Lays out the axes of a plan in a room of so many CSS pixels. */
export type LayOutAxes = (plan: ChartPlan, size: { readonly width: number; readonly height: number }) => PlotLayout;

/** Parts that lie at the plots, not above or below all of them. */
const OF_PLOTS = /^(axis|categories|panel|line|band)\b/;

/**
 * Panels in a grid. The axes of one strip are laid out, for the widest numbers of all, and every strip stands in them: panels have equal plots, and
 * equal values of one scale equal pixels. Cost: one layout, one scene for each strip.
 */
export function gridScene(plan: ChartPlan, host: PlotLayout, shape: GridShape, layOut: LayOutAxes, width: TextWidth): GridScene {
  const { area } = host;
  const head = sceneOf({ ...plan, panels: [], categories: [], parts: plan.parts.filter(({ id }) => !OF_PLOTS.test(id)) }, host, width);
  const count = plan.horizontal ? shape.rows : shape.columns;
  const strips = stripsOf(plan, shape, area.width / shape.columns);
  const axes = layoutPlanOf(strips);
  const [first] = axes.panels;
  // Numbers that would be the same beside every strip stand at the first alone.
  const numbers = plan.horizontal || !sharesNumbers(strips) ? 0 : numberRoom(first?.axes[0] as AxisPlan, axes, width);
  const sizeWith = (room: number) =>
    plan.horizontal
      ? { width: area.width, height: area.height / count }
      : { width: (area.width + (count - 1) * room) / count, height: area.height };
  const close = layOut(axes, sizeWith(numbers));
  // Turned names begin beside their plot: there each strip needs its room.
  const once = close.names?.turn ? 0 : numbers;
  const size = sizeWith(once);
  const layout = once === numbers ? close : layOut(axes, size);
  const drawn = strips.map((strip, nth): DrawnStrip => {
    const shift = plan.horizontal
      ? { x: area.left, y: area.top + nth * size.height }
      : { x: area.left + nth * (size.width - once), y: area.top };
    const own = once > 0 && nth > 0 ? { ...strip, plan: withoutNumbers(strip.plan) } : strip;
    const placed = nth > 0 && once > 0 ? { ...layout, from: once } : layout;
    const scene = sceneOf(own.plan, placed, width);
    return { scene: movedScene(scene, shift), strip: own, pixels: new PixelScales(own.plan, placed), shift };
  });
  return { scene: merged(head, drawn, plan), strips: drawn };
}

const withoutNumbers = (plan: ChartPlan): ChartPlan => ({
  ...plan,
  panels: plan.panels.map(panel => ({ ...panel, axes: panel.axes.map(axis => ({ ...axis, numbers: false })) })),
});

/** Whether panels beside each other have one axis, at the left, with the same numbers. */
function sharesNumbers(strips: readonly Strip[]): boolean {
  const [first] = strips;
  const same = (axes: readonly AxisPlan[], others: readonly AxisPlan[]): boolean =>
    axes.length === 1 &&
    others.length === 1 &&
    axes[0]?.side === 'near' &&
    JSON.stringify(axes[0].scale) === JSON.stringify(others[0]?.scale);
  return strips.every(({ plan }) => plan.panels.every(({ axes, isBlank }, i) => isBlank || same(axes, first?.plan.panels[i]?.axes ?? [])));
}

function merged(head: Scene, strips: readonly DrawnStrip[], plan: ChartPlan): Scene {
  const targets: Scene['targets'][number][] = [];
  for (const { scene, strip } of strips) scene.targets.forEach((target, i) => (targets[strip.layers[i] as number] = target));
  const whole = <T extends { readonly layer: number }>(items: readonly T[], { layers }: Strip): T[] =>
    items.map(item => ({ ...item, layer: layers[item.layer] ?? item.layer }));
  return {
    ...head,
    groups: [...strips.flatMap(({ scene }) => scene.groups), ...head.groups],
    named: strips.flatMap(({ scene }) => scene.named),
    targets,
    handles: strips.flatMap(({ scene }) => scene.handles),
    labelled: strips.flatMap(({ scene, strip }) => whole(scene.labelled, strip)),
    dropped: [...head.dropped, ...strips.flatMap(({ scene, strip }) => whole(scene.dropped, strip))],
    parts: [...head.parts, ...partsIn(strips, plan)],
    pictures: plan.pictures,
  };
}

/** What of the plan's parts lies in the strips: its panels by their titles, its axes and categories at the first. */
function partsIn(strips: readonly DrawnStrip[], plan: ChartPlan): ScenePart[] {
  const [first] = strips;
  if (!first) return [];
  const { area } = first.scene;
  const around = movedBox(area, { x: 0, y: 0 });
  const boxOf = (id: string): ScenePart['box'] | null => {
    const nth = /^panel (\d+)$/.exec(id)?.[1];
    if (nth !== undefined) return titleBox(strips, Number(nth) - 1);
    const [left, bottom] = [first.shift.x, around.top + around.height];
    const [near, below] = [
      { left, top: around.top, width: around.left - left, height: around.height },
      { left: around.left, top: bottom, width: around.width, height: Math.max(0, first.shift.y + first.pixels.layout.height - bottom) },
    ];
    const places: Readonly<Record<string, ScenePart['box']>> = plan.horizontal
      ? { 'axis first': below, categories: near }
      : { 'axis first': near, categories: below };
    return places[id] ?? null;
  };
  return plan.parts.flatMap(part => {
    const box = boxOf(part.id);
    return box ? [{ ...part, box, font: null, beneath: false }] : [];
  });
}

/** Where a panel's name is written. */
function titleBox(strips: readonly DrawnStrip[], panel: number): ScenePart['box'] | null {
  for (const { strip, scene } of strips) {
    const at = strip.panels.indexOf(panel);
    if (at === -1) continue;
    const titles = scene.groups.flatMap(({ items }) => items.filter(item => item.kind === 'text' && item.role === 'panel'));
    const title = titles[strip.panels.slice(0, at).filter(place => place !== -1).length];
    if (title?.kind !== 'text') return null;
    return {
      left: title.x,
      top: title.y - title.font.size / 2 - 2,
      width: Math.max(24, title.text.length * title.font.size * 0.55),
      height: title.font.size + 4,
    };
  }
  return null;
}

/** The strip that a point lies in; the first where it lies in none. */
export function stripAt({ strips }: GridScene, { x, y }: FigurePoint): DrawnStrip | null {
  const inside = ({ shift, pixels: { layout } }: DrawnStrip): boolean =>
    x >= shift.x && x < shift.x + layout.width && y >= shift.y && y < shift.y + layout.height;
  return strips.find(inside) ?? null;
}

export { gridShape };
