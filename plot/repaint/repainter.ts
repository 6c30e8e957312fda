import { keptPer } from 'core/stages';
import { overlaps, type Box } from 'core/label';
import type { Canvas } from '../canvas/brushes';
import { paintScene, type Seen } from '../canvas/paint-scene';
import type { Scene, SceneGroup, SceneItem, TextWidth } from '../scene/scene';
import { cutTo } from './cut-to';
import { groupsCompared } from './group-changes';
import { inkOfItem } from './ink';
import { Tiles } from './tiles';

// A move by so many device pixels changes none of them by more than the smallest step of a colour.
const UNSEEN = 1 / 256;

/** The state of a canvas. */
type Standing = Pick<Scene, 'width' | 'height' | 'ground' | 'family' | 'pictures' | 'horizontal' | 'groups'> & { readonly ratio: number };

/**
 * Knows what stands on a canvas, and paints of the next scene what differs. An edit of one cell moves a bar, its label and a line; the other bars, all names
 * and the legend stay as they are.
 */
export class Repainter {
  private standing: Standing | null = null;
  /** The ink of items that stand there: most of them stay from one scene to the next. */
  private inks = keptPer<SceneItem, Box>();

  /** All of a scene has been painted on a canvas with so many device pixels to each CSS pixel. */
  stands({ width, height, ground, family, pictures, horizontal, groups }: Scene, ratio: number): void {
    this.standing = { width, height, ground, family, pictures, horizontal, groups, ratio };
    this.inks = keptPer();
  }

  /** Marks the canvas as unknown, so that the next picture is painted whole. */
  forget(): void {
    this.standing = null;
  }

  /**
   * Paints where a scene differs from what stands on the canvas; false where all has to be painted, and then nothing has been. Every pixel is as if all were
   * painted, but for moves too small to be seen. Cost: O(marks) to compare, and what differs to paint.
   */
  paintChanged(canvas: Canvas, scene: Scene, measure: TextWidth): boolean {
    const before = this.standing;
    if (before?.ratio !== canvas.ratio || !isLike(before, scene)) return false;
    const tiles = new Tiles(scene, canvas.ratio);
    const groups = groupsCompared(before.groups, scene.groups, {
      changed: box => tiles.add(box),
      isEnough: () => tiles.isMost,
      measure,
      isLying: scene.horizontal,
      unseen: UNSEEN / canvas.ratio,
    });
    const boxes = tiles.boxes();
    if (!boxes) return false;
    this.standing = { ...before, groups };
    if (boxes.length > 0) paintWithin(canvas, this.standing, boxes, item => this.inkOf(item, measure));
    return true;
  }

  private inkOf(item: SceneItem, measure: TextWidth): Box {
    const ink = this.inks.get(item) ?? inkOfItem(item, measure);
    this.inks.set(item, ink);
    return ink;
  }
}

/** Whether what all of a canvas shares is the same. */
function isLike(a: Standing, b: Scene): boolean {
  const [own, other] = [Object.entries(a.pictures), Object.entries(b.pictures)];
  return (
    a.width === b.width &&
    a.height === b.height &&
    a.ground === b.ground &&
    a.family === b.family &&
    a.horizontal === b.horizontal &&
    own.length === other.length &&
    own.every(([name, source]) => b.pictures[name] === source)
  );
}

/** Paints a scene in some boxes on whole device pixels: in each from its ground on, so that they may share some. */
function paintWithin(canvas: Canvas, seen: Seen, boxes: readonly Box[], inkOf: (item: SceneItem) => Box): void {
  const inked = seen.groups.map(group => ({ group, inks: group.items.map(inkOf) }));
  for (const box of boxes) {
    const groups: SceneGroup[] = [];
    for (const { group, inks } of inked) {
      const items = itemsWithin(group.items, inks, box);
      if (items.length > 0) groups.push({ name: group.name, clip: group.clip, items });
    }
    paintBox(canvas, { ground: seen.ground, family: seen.family, pictures: seen.pictures, groups }, box);
  }
}

function itemsWithin(items: readonly SceneItem[], inks: readonly Box[], box: Box): SceneItem[] {
  const within: SceneItem[] = [];
  for (let i = 0; i < items.length; i++) {
    if (overlaps(inks[i] as Box, box)) within.push(...cutTo(items[i] as SceneItem, box));
  }
  return within;
}

function paintBox(canvas: Canvas, seen: Seen, { left, top, width, height }: Box): void {
  const { ctx } = canvas;
  ctx.save();
  ctx.beginPath();
  ctx.rect(left, top, width, height);
  ctx.clip();
  ctx.clearRect(left, top, width, height);
  ctx.fillStyle = seen.ground;
  ctx.fillRect(left, top, width, height);
  paintScene(canvas, seen);
  ctx.restore();
}
