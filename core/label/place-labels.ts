import { contains, type Box } from './box';
import { boxAt, ledFrom, stepped, stepsOff, type Extent } from './candidates';
import type { Obstacles } from './obstacles';
import { Claims, Placed } from './placed';
import { heightOf, type LabelPlace, type LabelWish, type Spot, type WidthAt } from './wish';

/** Inputs of label placement. */
export interface LabelGround {
  readonly obstacles: Obstacles;
  /** The area that labels must stay inside. */
  readonly room: Box;
  readonly width: WidthAt;
}

// Boxes that labels of a figure may ask the index about, shared out among them, and the fewest and the most for one: where many have no room, looking on costs more than it finds.
const [TRIES, FEWEST, MOST_EACH] = [1_500, 6, 160];
// Of more labels than this most have no room at all: each takes a spot of its own that is free, or none.
const CROWD = 300;
// From a size of letters to the next smaller one, in CSS pixels.
const SMALLER = 1;

/**
 * A place for every label that has one, in the order given; null for those that were dropped. Each tries, in the order of priority: its spots; a step off
 * them; smaller letters; a shorter text; away from its mark, with a line that leads there. Nobody moves for a label of lower priority, and none that
 * has a free spot moves because another has changed. Deterministic. Cost: O(n log n) where spots are free.
 */
export function placeLabels(wishes: readonly LabelWish[], ground: LabelGround): (LabelPlace | null)[] {
  ground.obstacles.readyFor(wishes.length);
  const placing = new Placing(wishes, ground);
  const order = wishes.map((_, i) => i).sort((a, b) => rankOf(wishes[a]) - rankOf(wishes[b]) || a - b);
  const places = new Array<LabelPlace | null>(wishes.length).fill(null);
  for (const i of order) places[i] = placing.place(i);
  return places;
}

/** Labels placed by hand come first. */
const rankOf = (wish: LabelWish | undefined): number => (wish?.pinned ? -Infinity : (wish?.priority ?? Infinity));

/** How a label is written while it looks for a place. */
interface Written extends Extent {
  readonly lines: readonly string[];
  readonly size: number;
  readonly weight: number;
}

class Placing {
  private readonly placed = new Placed();
  private claims: Claims | null = null;
  /** Gives each label its own budget of tries, so that a label that needs many tries does not change where others stand. */
  private readonly each: number;
  private tries = 0;

  constructor(
    private readonly wishes: readonly LabelWish[],
    private readonly ground: LabelGround,
  ) {
    this.each = wishes.length > CROWD ? 0 : Math.max(FEWEST, Math.min(MOST_EACH, TRIES / wishes.length));
  }

  place(i: number): LabelPlace | null {
    const wish = this.wishes[i] as LabelWish;
    this.tries = this.each + wish.spots.length;
    const found = wish.pinned ? this.pinned(wish) : this.found(wish, i);
    if (found) this.placed.add(found.box, found.leader);
    return found;
  }

  private found(wish: LabelWish, i: number): LabelPlace | null {
    const full = this.written(wish, wish.lines, wish.size);
    const near = this.onSpot(wish, full) ?? this.stepped(wish, full, i);
    if (near) return near;
    if (this.tries <= 0) return null;
    const smaller = sizesBelow(wish).map(size => this.written(wish, wish.lines, size));
    const less = wish.shorter().flatMap(lines => [wish.size, wish.smallest].map(size => this.written(wish, lines, size)));
    for (const written of [...smaller, ...less]) {
      if (this.tries <= 0) return null;
      const place = this.onSpot(wish, written) ?? this.stepped(wish, written, i);
      if (place) return place;
    }
    return wish.leads ? (this.led(wish, full) ?? this.led(wish, this.written(wish, wish.lines, wish.smallest))) : null;
  }

  private written({ weight }: LabelWish, lines: readonly string[], size: number): Written {
    let width = 0;
    for (const line of lines) width = Math.max(width, this.ground.width(line, size, weight));
    return { lines, size, weight, width, height: heightOf(lines.length, size) };
  }

  private onSpot({ spots }: LabelWish, written: Written): LabelPlace | null {
    for (let spot = 0; spot < spots.length; spot++) {
      const box = this.kept(boxAt(spots[spot] as Spot, written), spots[spot] as Spot);
      if (this.isFree(box, spots[spot] as Spot)) return placeOf(written, box, spot);
    }
    return null;
  }

  private stepped({ spots, steps }: LabelWish, written: Written, i: number): LabelPlace | null {
    if (!steps) return null;
    for (let spot = 0; spot < spots.length; spot++) {
      if (this.tries <= 0) return null;
      const own = spots[spot] as Spot;
      const at = boxAt(own, written);
      for (const step of stepsOff(own)) {
        const box = stepped(at, own.side, step);
        if (this.isFree(box, own) && !this.claimed(box, i)) return placeOf(written, box, spot);
      }
    }
    return null;
  }

  private led({ spots }: LabelWish, written: Written): LabelPlace | null {
    const [spot] = spots;
    if (!spot || this.tries <= 0) return null;
    const { on: _, within, ...free } = spot;
    // What is away from its mark may leave it, but not the values up to a break.
    const open = within && spot.side !== 'over' ? { ...free, within } : free;
    for (const { box, leader } of ledFrom(open, written))
      if (this.isFree(box, open) && !this.placed.isCrossed(leader)) return { ...placeOf(written, box, 0), leader };
    return null;
  }

  private pinned(wish: LabelWish): LabelPlace | null {
    const [spot] = wish.spots;
    if (!spot) return null;
    const written = this.written(wish, wish.lines, wish.size);
    return placeOf(written, inside(boxAt(spot, written), this.ground.room), 0);
  }

  /** At an edge of the room a label stands a little to the side of its point, but not beside it. */
  private kept(box: Box, { x, y, side, within }: Spot): Box {
    const room = within ?? this.ground.room;
    if (contains(room, box)) return box;
    const kept = inside(box, room);
    if (side === 'above' || side === 'below') return x >= kept.left && x <= kept.left + box.width ? { ...kept, top: box.top } : box;
    if (side === 'over') return box;
    return y >= kept.top && y <= kept.top + box.height ? { ...kept, left: box.left } : box;
  }

  private isFree(box: Box, { within, on }: Spot): boolean {
    if (!contains(this.ground.room, box) || (within !== undefined && !contains(within, box))) return false;
    this.tries -= 1;
    return !this.ground.obstacles.meets(box, on) && !this.placed.meets(box);
  }

  /** Whether a label that steps aside would stand where another is waited for. */
  private claimed(box: Box, by: number): boolean {
    this.claims ??= new Claims(
      this.wishes.flatMap((wish, of) => {
        const [spot] = wish.spots;
        if (!spot) return [];
        const { left, top, width, height } = boxAt(spot, { width: 0, height: wish.size });
        return [{ x: left + width / 2, y: top + height / 2, of }];
      }),
    );
    return this.claims.isTaken(box, by);
  }
}

const placeOf = ({ lines, size, weight }: Written, box: Box, spot: number): LabelPlace => ({
  box,
  lines,
  size,
  weight,
  spot,
  leader: null,
});

function sizesBelow({ size, smallest }: LabelWish): number[] {
  const sizes: number[] = [];
  for (let next = size - SMALLER; next >= smallest; next -= SMALLER) sizes.push(next);
  return sizes;
}

const clamp = (value: number, low: number, high: number): number => Math.max(low, Math.min(value, Math.max(low, high)));

const inside = (box: Box, { left, top, width, height }: Box): Box => ({
  ...box,
  left: clamp(box.left, left, left + width - box.width),
  top: clamp(box.top, top, top + height - box.height),
});
