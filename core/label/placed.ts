import RBush from 'rbush';
import { contains, crosses, type Box, type Segment } from './box';

interface Corners {
  readonly minX: number;
  readonly minY: number;
  readonly maxX: number;
  readonly maxY: number;
}

// Closer together than this, two labels read as one; in CSS pixels.
const [BESIDE, BELOW] = [5, 1];
// Touching is not meeting.
const HAIR = 0.01;

const cornersOf = ({ left, top, width, height }: Box): Corners => ({ minX: left, minY: top, maxX: left + width, maxY: top + height });

/** Labels that have their places, and the lines that lead to some. Cost: O(log n) each. */
export class Placed {
  private readonly boxes = new RBush<Corners>();
  // Few: no index pays.
  private readonly leaders: Segment[] = [];

  add(box: Box, leader: Segment | null): void {
    this.boxes.insert(cornersOf(box));
    if (leader) this.leaders.push(leader);
  }

  /** Whether a label here would meet another, or a line that leads to one. */
  meets(box: Box): boolean {
    const { left, top, width, height } = box;
    const near = {
      minX: left - BESIDE + HAIR,
      minY: top - BELOW + HAIR,
      maxX: left + width + BESIDE - HAIR,
      maxY: top + height + BELOW - HAIR,
    };
    return this.boxes.collides(near) || this.leaders.some(leader => crosses(leader, box));
  }

  /** Whether a leading line would run through a label, or cross another such line's label. */
  isCrossed(leader: Segment): boolean {
    const { x1, y1, x2, y2 } = leader;
    const near = this.boxes.search({ minX: Math.min(x1, x2), minY: Math.min(y1, y2), maxX: Math.max(x1, x2), maxY: Math.max(y1, y2) });
    return near.some(({ minX, minY, maxX, maxY }) => crosses(leader, { left: minX, top: minY, width: maxX - minX, height: maxY - minY }));
  }
}

/** Points that labels wait for: none that steps aside covers another's. */
export class Claims {
  private readonly points = new RBush<Corners & { readonly of: number }>();

  constructor(points: readonly { readonly x: number; readonly y: number; readonly of: number }[]) {
    this.points.load(points.map(({ x, y, of }) => ({ minX: x, minY: y, maxX: x, maxY: y, of })));
  }

  isTaken(box: Box, by: number): boolean {
    const there = this.points.search(cornersOf(box));
    return there.some(({ of, minX, minY }) => of !== by && contains(box, { left: minX, top: minY, width: 0, height: 0 }));
  }
}
