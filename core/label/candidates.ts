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

/** Which way leads off the mark. */
const AWAY: { readonly [S in Side]: { readonly across: number; readonly down: number } } = {
  above: { across: 0, down: -1 },
  below: { across: 0, down: 1 },
  left: { across: -1, down: 0 },
  right: { across: 1, down: 0 },
  over: { across: 0, down: 0 },
};

/** The box of a label at a spot: off it by the gap, on the side that leads away, and centred along the other. */
export function boxAt({ x, y, gap, side }: Spot, { width, height }: Extent): Box {
  const { across, down } = AWAY[side];
  return { left: x + across * gap + ((across - 1) / 2) * width, top: y + down * gap + ((down - 1) / 2) * height, width, height };
}

/** Steps off a spot, the nearest first; in the middle of a mark a label has no way off it. */
export const stepsOff = ({ side }: Spot): readonly Step[] => (side === 'over' ? ASIDE : STEPS);

const ASIDE = STEPS.filter(({ away }) => away === 0);

/** The box of a label a step off its place: what stands above or below steps to its sides, all else up and down. */
export function stepped({ left, top, width, height }: Box, side: Side, { aside, away }: Step): Box {
  const { across, down } = AWAY[side];
  const [wide, high] = across === 0 ? [width / 2, 0] : [0, height / 2];
  return { left: left + aside * wide + across * away, top: top + aside * high + down * away, width, height };
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
