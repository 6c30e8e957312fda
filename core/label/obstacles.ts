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

interface Room {
  readonly minX: number;
  readonly minY: number;
  readonly maxX: number;
  readonly maxY: number;
}

interface Entry extends Room {
  readonly at: number;
}

// Entries of a node: many, since the index is built once and asked often.
const NODE = 16;
// Touching is not meeting.
const HAIR = 1e-6;
// Labels times obstacles: for fewer, looking at all is quicker than making an index, until so many have been looked at.
const [FEW, LOOKED] = [50_000, 1_000_000];
// Obstacles that are left out together.
const STRETCH = 16;

/**
 * What labels keep clear of. Each has a number by which a label may be allowed to lie on it. Boxes lie in an index of their own, whose answer is the first one met;
 * what is no box is looked at closely. Cost: O(n log n) once, then O(log n) a question; for few labels O(n) for the first questions.
 */
export class Obstacles {
  private readonly all: Obstacle[] = [];
  /** Left, top, right and bottom of each: what looks at all of them reads nothing else. */
  private readonly edges: number[] = [];
  private isIndexed = true;
  private looked = 0;
  private stretches: Float64Array | null = null;
  private boxes: RBush<Entry> | null = null;
  private others: RBush<Entry> | null = null;

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

  /** Gets ready for the questions of so many labels. */
  readyFor(labels: number): void {
    this.isIndexed = labels * this.all.length > FEW;
  }

  /** Whether a box meets any of them but those that it may lie on. */
  meets(box: Box, [from, to]: readonly [number, number] = NONE): boolean {
    if (this.all.length === 0) return false;
    const { left, top, width, height } = box;
    const room = { minX: left + HAIR, minY: top + HAIR, maxX: left + width - HAIR, maxY: top + height - HAIR };
    if (!this.isIndexed && (this.looked += this.all.length) < LOOKED) return this.meetsSeen(box, room, [from, to]);
    this.boxes ??= this.index(isBox);
    const met = from === to ? this.boxes.collides(room) : this.boxes.search(room).some(({ at }) => at < from || at >= to);
    return met || this.meetsOther(box, from, to);
  }

  /** The same without an index. */
  private meetsSeen(box: Box, { minX, minY, maxX, maxY }: Room, [from, to]: readonly [number, number]): boolean {
    const { edges } = this;
    const stretches = (this.stretches ??= this.stretchesOf());
    for (let i = 0, at = 0; i < edges.length; i += 4, at++) {
      if (at % STRETCH === 0) {
        // Neighbours in the list lie beside each other most often: where none of them reaches, they are left out together.
        const nth = (at / STRETCH) * 2;
        if ((stretches[nth] as number) > maxX || (stretches[nth + 1] as number) < minX) {
          [i, at] = [i + 4 * (STRETCH - 1), at + STRETCH - 1];
          continue;
        }
      }
      if ((edges[i] as number) > maxX || (edges[i + 2] as number) < minX) continue;
      if ((edges[i + 1] as number) > maxY || (edges[i + 3] as number) < minY || (at >= from && at < to)) continue;
      const { box: own, meets } = this.all[at] as Obstacle;
      if (meets === null || (overlaps(own, box) && meets(box))) return true;
    }
    return false;
  }

  /** Left and right ends of stretches of the list. */
  private stretchesOf(): Float64Array {
    const { edges } = this;
    const ends = new Float64Array(2 * Math.ceil(edges.length / (4 * STRETCH)));
    for (let nth = 0; nth < ends.length; nth += 2) {
      let [left, right] = [Infinity, -Infinity];
      const to = Math.min(edges.length, (nth / 2 + 1) * 4 * STRETCH);
      for (let i = (nth / 2) * 4 * STRETCH; i < to; i += 4) {
        left = Math.min(left, edges[i] as number);
        right = Math.max(right, edges[i + 2] as number);
      }
      ends.set([left, right], nth);
    }
    return ends;
  }

  private meetsOther(box: Box, from: number, to: number): boolean {
    this.others ??= this.index(({ meets }) => meets !== null);
    const { left, top, width, height } = box;
    const near = this.others.search({ minX: left, minY: top, maxX: left + width, maxY: top + height });
    return near.some(({ at }) => {
      const { box: own, meets } = this.all[at] as Obstacle;
      return (at < from || at >= to) && overlaps(own, box) && (meets === null || meets(box));
    });
  }

  private add(obstacle: Obstacle): number {
    this.boxes = null;
    this.others = null;
    this.stretches = null;
    const { left, top, width, height } = obstacle.box;
    // A box without area lies beyond everything.
    this.edges.push(obstacle.meets || isBox(obstacle) ? left : Infinity, top, left + width, top + height);
    return this.all.push(obstacle) - 1;
  }

  private index(holds: (obstacle: Obstacle) => boolean): RBush<Entry> {
    const entries: Entry[] = [];
    this.all.forEach((obstacle, at) => {
      const { left, top, width, height } = obstacle.box;
      if (holds(obstacle)) entries.push({ minX: left, minY: top, maxX: left + width, maxY: top + height, at });
    });
    return new RBush<Entry>(NODE).load(entries);
  }
}

/** Whether an obstacle is a box, and there. */
const isBox = ({ meets, box: { width, height } }: Obstacle): boolean => meets === null && (width > 0 || height > 0);

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
