import { overlaps, type Box } from './box';

// About a label's width: a box then lies in two or three strips.
const STRIP = 32;

/** Boxes that others must not touch, kept by upright strips so that a thousand labels do not ask each other. */
export class Crowd {
  private readonly strips = new Map<number, Box[]>();

  constructor(boxes: readonly Box[]) {
    for (const box of boxes) this.add(box);
  }

  add(box: Box): void {
    for (const strip of stripsOf(box)) {
      const there = this.strips.get(strip);
      if (there) there.push(box);
      else this.strips.set(strip, [box]);
    }
  }

  touches(box: Box): boolean {
    return stripsOf(box).some(strip => this.strips.get(strip)?.some(other => overlaps(other, box)) ?? false);
  }
}

function stripsOf({ left, width }: Box): number[] {
  const first = Math.floor(left / STRIP);
  return Array.from({ length: Math.floor((left + width) / STRIP) - first + 1 }, (_, i) => first + i);
}
