import type { Box } from 'core/label';
import type { Scene, SceneGroup, SceneItem, Target } from './scene';

/** An offset in CSS pixels. */
export interface Shift {
  readonly x: number;
  readonly y: number;
}

/** A scene moved on its canvas. */
export function movedScene(scene: Scene, by: Shift): Scene {
  const box = <T extends { readonly box: Box }>(item: T): T => ({ ...item, box: movedBox(item.box, by) });
  const [along, across] = scene.horizontal ? [by.y, by.x] : [by.x, by.y];
  return {
    ...scene,
    groups: scene.groups.map(group => movedGroup(group, by)),
    area: movedBox(scene.area, by),
    first: scene.first + along,
    named: scene.named.map(box),
    targets: scene.targets.map(target => movedTarget(target, by, across)),
    handles: scene.handles.map(handle => ({ ...handle, at: handle.at + across })),
    labelled: scene.labelled.map(box),
    parts: scene.parts.map(box),
  };
}

/** A moved box. */
export const movedBox = ({ left, top, width, height }: Box, { x, y }: Shift): Box => ({ left: left + x, top: top + y, width, height });

const movedGroup = ({ name, clip, items }: SceneGroup, by: Shift): SceneGroup => ({
  name,
  clip: clip && movedBox(clip, by),
  items: items.map(item => movedItem(item, by)),
});

const movedTarget = ({ rows, ends, bases, boxes, reach }: Target, by: Shift, across: number): Target => ({
  rows,
  ends: shifted(ends, [by.x, by.y]),
  bases: shifted(bases, [across]),
  boxes: boxes && shifted(boxes, [by.x, by.y, 0, 0]),
  reach: [reach[0] + across, reach[1] + across],
});

/** Numbers plus a repeating list of offsets. */
const shifted = (data: Float64Array, by: readonly number[]): Float64Array => data.map((value, i) => value + (by[i % by.length] as number));

function movedItem(item: SceneItem, by: Shift): SceneItem {
  switch (item.kind) {
    case 'rects':
    case 'outlines':
      return { ...item, boxes: shifted(item.boxes, [by.x, by.y, 0, 0]) };
    case 'text':
    case 'glyph':
      return { ...item, x: item.x + by.x, y: item.y + by.y };
    default:
      return { ...item, points: shifted(item.points, [by.x, by.y]) };
  }
}
