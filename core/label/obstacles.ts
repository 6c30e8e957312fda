import Flatbush from 'flatbush';
import RBush from 'rbush';
import { crosses, overlaps, type Box, type Segment } from './box';

/** Ground between two edges over a stretch of the category axis: a piece of an area. Upright: `from` and `to` are x, the edges are y. */
export interface Ground {
  readonly from: number;
  readonly to: number;
  readonly low: readonly [atFrom: number, atTo: number];
  readonly high: readonly [atFrom: number, atTo: number];
  readonly horizontal: boolean;
}

interface Obstacle {
  readonly box: Box;
  /** Whether a box that meets the obstacle's own box meets the obstacle; null where the box is all of it. */
  readonly meets: ((box: Box) => boolean) | null;
}

const NONE = [0, 0] as const;

interface Entry {
  readonly minX: number;
  readonly minY: number;
  readonly maxX: number;
  readonly maxY: number;
  readonly at: number;
}

// Entries of a node: many, since the index is built once and asked often.
const NODE = 16;
// Touching is not meeting.
const HAIR = 1e-6;

/**
 * What labels keep clear of. Each has a number by which a label may be allowed to lie on it. Boxes lie in an index of their own, whose answer is the first one met;
 * what is no box is looked at closely. Cost: O(n log n) once, then O(log n) a question.
 */
export class Obstacles {
  private readonly all: Obstacle[] = [];
  private boxes: RBush<Entry> | null = null;
  private others: { readonly index: Flatbush; readonly at: readonly number[] } | null = null;

  /** Adds a box; gives its number. One without area is in nobody's way. */
  box(box: Box): number {
    return this.add({ box, meets: null });
  }

  /** Adds a piece of a line of so many pixels' width. */
  segment(segment: Segment, width = 1): number {
    const { x1, y1, x2, y2 } = segment;
    const half = width / 2;
    const box = {
      left: Math.min(x1, x2) - half,
      top: Math.min(y1, y2) - half,
      width: Math.abs(x2 - x1) + width,
      height: Math.abs(y2 - y1) + width,
    };
    const level = x1 === x2 || y1 === y2;
    const meets = ({ left, top, width: wide, height }: Box): boolean =>
      crosses(segment, { left: left - half, top: top - half, width: wide + width, height: height + width });
    return this.add({ box, meets: level ? null : meets });
  }

  /** Adds a piece of an area. */
  ground(ground: Ground): number {
    const { from, to, low, high, horizontal } = ground;
    const [start, end] = [Math.min(from, to), Math.max(from, to)];
    const [least, most] = [Math.min(...low, ...high), Math.max(...low, ...high)];
    const box = horizontal
      ? { left: least, top: start, width: most - least, height: end - start }
      : { left: start, top: least, width: end - start, height: most - least };
    return this.add({ box, meets: other => meetsGround(ground, other) });
  }

  /** How many there are: the number of the next. */
  get count(): number {
    return this.all.length;
  }

  /** Whether a box meets any of them but those that it may lie on. */
  meets(box: Box, [from, to]: readonly [number, number] = NONE): boolean {
    if (this.all.length === 0) return false;
    this.boxes ??= this.boxIndex();
    const { left, top, width, height } = box;
    const room = { minX: left + HAIR, minY: top + HAIR, maxX: left + width - HAIR, maxY: top + height - HAIR };
    const met = from === to ? this.boxes.collides(room) : this.boxes.search(room).some(({ at }) => at < from || at >= to);
    return met || this.meetsOther(box, from, to);
  }

  private meetsOther(box: Box, from: number, to: number): boolean {
    const { index, at } = (this.others ??= this.otherIndex());
    if (at.length === 0) return false;
    let met = false;
    index.search(box.left, box.top, box.left + box.width, box.top + box.height, i => {
      const nth = at[i] as number;
      if (met || (nth >= from && nth < to)) return false;
      const { box: own, meets } = this.all[nth] as Obstacle;
      met = overlaps(own, box) && (meets === null || meets(box));
      return false;
    });
    return met;
  }

  private add(obstacle: Obstacle): number {
    this.boxes = null;
    this.others = null;
    return this.all.push(obstacle) - 1;
  }

  private boxIndex(): RBush<Entry> {
    const entries: Entry[] = [];
    this.all.forEach(({ box: { left, top, width, height }, meets }, at) => {
      if (meets === null && (width > 0 || height > 0)) entries.push({ minX: left, minY: top, maxX: left + width, maxY: top + height, at });
    });
    return new RBush<Entry>(NODE).load(entries);
  }

  private otherIndex(): { readonly index: Flatbush; readonly at: readonly number[] } {
    const at = Array.from(this.all.keys()).filter(nth => this.all[nth]?.meets !== null);
    const index = new Flatbush(Math.max(1, at.length));
    for (const nth of at) {
      const { box } = this.all[nth] as Obstacle;
      index.add(box.left, box.top, box.left + box.width, box.top + box.height);
    }
    if (at.length === 0) index.add(0, 0, 0, 0);
    index.finish();
    return { index, at };
  }
}

/** Edges run straight: where the box begins and ends along them, they reach furthest. */
function meetsGround({ from, to, low, high, horizontal }: Ground, box: Box): boolean {
  const [start, length, near, across] = horizontal
    ? [box.top, box.height, box.left, box.width]
    : [box.left, box.width, box.top, box.height];
  const [first, last] = [Math.min(from, to), Math.max(from, to)];
  const ends = [Math.max(start, first), Math.min(start + length, last)];
  const between = ([a, b]: readonly [number, number], at: number): number => (to === from ? a : a + ((b - a) * (at - from)) / (to - from));
  const edges = ends.flatMap(at => [between(low, at), between(high, at)]);
  return Math.min(...edges) < near + across && near < Math.max(...edges);
}
