import { around, type Box } from 'core/label';

// Device pixels.
const SIDE = 8;
// Where more than this has changed, painting all of it is as quick.
const MOST = 0.12;
// So many stretches of tiles are all over the canvas.
const MANY = 60;
// Beginning to paint in a box takes as long as painting so many pixels.
const BEGINNING = 6_000;

/** The parts of a canvas that do not show what they should any more, as tiles: they lie on whole device pixels, so that painting in one touches nothing beside it. */
export class Tiles {
  private readonly side: number;
  private readonly columns: number;
  private readonly rows: number;
  private readonly changed: Box[] = [];
  private area = 0;

  /** A canvas in CSS pixels, with so many device pixels to each. */
  constructor(
    private readonly size: { readonly width: number; readonly height: number },
    ratio: number,
  ) {
    this.side = SIDE / ratio;
    this.columns = Math.ceil(size.width / this.side);
    this.rows = Math.ceil(size.height / this.side);
  }

  /** A box that has changed. */
  add(box: Box): void {
    this.changed.push(box);
    this.area += box.width * box.height;
  }

  /** Whether so much has changed that all had better be painted; what is told as it was and as it is counts twice. */
  get isMost(): boolean {
    return this.area > 2 * MOST * this.size.width * this.size.height;
  }

  /** Few boxes that hold all tiles that have changed; null where all had better be painted. Cost: O(tiles). */
  boxes(): readonly Box[] | null {
    if (this.isMost) return null;
    const stretches = this.stretches();
    return stretches.length > MANY ? null : stretches.reduce<Box[]>((boxes, box) => this.joined(boxes, box), []);
  }

  private marked(): Uint8Array {
    const marked = new Uint8Array(this.columns * this.rows);
    for (const { left, top, width, height } of this.changed) {
      const [fromColumn, toColumn] = this.range(left, left + width, this.columns);
      const [fromRow, toRow] = this.range(top, top + height, this.rows);
      for (let row = fromRow; row < toRow; row++) marked.fill(1, row * this.columns + fromColumn, row * this.columns + toColumn);
    }
    return marked;
  }

  private range(low: number, high: number, most: number): readonly [from: number, to: number] {
    return [Math.max(0, Math.floor(low / this.side)), Math.max(0, Math.min(most, Math.floor(high / this.side) + 1))];
  }

  /** Boxes and another one; two become one where that is painted sooner. */
  private joined(boxes: readonly Box[], box: Box): Box[] {
    const at = boxes.findIndex(other => this.cost(around(other, box)) < this.cost(other) + this.cost(box));
    if (at === -1) return [...boxes, box];
    return this.joined(
      boxes.filter((_, i) => i !== at),
      around(boxes[at] as Box, box),
    );
  }

  private cost({ width, height }: Box): number {
    return width * height * (SIDE / this.side) ** 2 + BEGINNING;
  }

  /** The tiles that have changed, and no others. */
  private stretches(): Box[] {
    const left = this.marked();
    const boxes: Box[] = [];
    for (let at = left.indexOf(1); at !== -1; at = left.indexOf(1, at)) {
      const [wide, high] = this.spread(left, at);
      for (let row = 0; row < high; row++) left.fill(0, at + row * this.columns, at + row * this.columns + wide);
      boxes.push({
        left: (at % this.columns) * this.side,
        top: Math.floor(at / this.columns) * this.side,
        width: wide * this.side,
        height: high * this.side,
      });
    }
    return boxes;
  }

  /** How far these tiles go to the right of one, and then all of these downwards. */
  private spread(left: Uint8Array, at: number): readonly [wide: number, high: number] {
    const end = at - (at % this.columns) + this.columns;
    let wide = 1;
    while (at + wide < end && left[at + wide]) wide++;
    let high = 1;
    while (isWhole(left, at + high * this.columns, wide)) high++;
    return [wide, high];
  }
}

function isWhole(left: Uint8Array, from: number, wide: number): boolean {
  for (let at = from; at < from + wide; at++) if (!left[at]) return false;
  return true;
}
