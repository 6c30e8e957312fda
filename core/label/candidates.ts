import type { Box, Segment } from './box';
import type { Side, Spot } from './wish';

/** Width and height of a label, in CSS pixels. */
export interface Extent {
  readonly width: number;
  readonly height: number;
}

/** A step off a spot: along the mark's edge in halves of the label's own length there, and away from it in CSS pixels. */
interface Step {
  readonly aside: number;
  readonly away: number;
}

// Near first. No label steps so far aside that its point no longer lies beside it.
const STEPS: readonly Step[] = [
  { aside: -0.35, away: 0 },
  { aside: 0.35, away: 0 },
  { aside: -0.7, away: 0 },
  { aside: 0.7, away: 0 },
  { aside: 0, away: 5 },
  { aside: 0, away: 10 },
  { aside: -0.7, away: 8 },
  { aside: 0.7, away: 8 },
  { aside: 0, away: 16 },
];

/** The box of a label at a spot. */
export function boxAt({ x, y, gap, side }: Spot, { width, height }: Extent): Box {
  const places: { readonly [S in Side]: readonly [left: number, top: number] } = {
    above: [x - width / 2, y - gap - height],
    below: [x - width / 2, y + gap],
    left: [x - width - gap, y - height / 2],
    right: [x + gap, y - height / 2],
    over: [x - width / 2, y - height / 2],
  };
  const [left, top] = places[side];
  return { left, top, width, height };
}

/** Which way leads off the mark. */
const AWAY: { readonly [S in Side]: readonly [across: number, down: number] } = {
  above: [0, -1],
  below: [0, 1],
  left: [-1, 0],
  right: [1, 0],
  over: [0, 0],
};

/** The boxes of a label a little off a spot, the nearest first. */
export function steppedFrom(spot: Spot, extent: Extent): Box[] {
  const { left, top, width, height } = boxAt(spot, extent);
  const [across, down] = AWAY[spot.side];
  // What stands above or below steps to its sides, all else up and down; in the middle of a mark a label has no way off it.
  const [wide, high] = across === 0 ? [width / 2, 0] : [0, height / 2];
  const steps = spot.side === 'over' ? STEPS.filter(step => step.away === 0) : STEPS;
  return steps.map(({ aside, away }) => ({
    left: left + aside * wide + across * away,
    top: top + aside * high + down * away,
    width,
    height,
  }));
}

// Rings around a point on which a label with a leading line may stand, in CSS pixels.
const RINGS = [20, 34, 50] as const;
// Directions: up, its two sides, then the lower half.
const DIRECTIONS: readonly (readonly [across: number, down: number])[] = [
  [0, -1],
  [0.8, -0.8],
  [-0.8, -0.8],
  [1, 0],
  [-1, 0],
  [0.8, 0.8],
  [-0.8, 0.8],
  [0, 1],
];

/** Boxes of a label that stand away from its point, each with the line that leads back. */
export function ledFrom({ x, y, gap }: Spot, extent: Extent): { readonly box: Box; readonly leader: Segment }[] {
  const { width, height } = extent;
  return RINGS.flatMap(ring =>
    DIRECTIONS.map(([across, down]) => {
      const [middleX, middleY] = [x + across * (ring + width / 2), y + down * (ring + height / 2)];
      const box = { left: middleX - width / 2, top: middleY - height / 2, width, height };
      return { box, leader: leaderTo(box, x, y, gap) };
    }),
  );
}

/** From the nearest point of a box to a little before its mark. */
export function leaderTo({ left, top, width, height }: Box, x: number, y: number, gap: number): Segment {
  const x1 = Math.max(left, Math.min(x, left + width));
  const y1 = Math.max(top, Math.min(y, top + height));
  const length = Math.hypot(x - x1, y - y1);
  const share = length > 0 ? Math.max(0, (length - gap / 2) / length) : 0;
  return { x1, y1, x2: x1 + (x - x1) * share, y2: y1 + (y - y1) * share };
}
