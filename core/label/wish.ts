import type { Box, Segment } from './box';

/** Where a label stands as seen from its point; `over` is in its middle. */
export type Side = 'above' | 'below' | 'left' | 'right' | 'over';

/** A place that a label would take. */
export interface Spot {
  /** The point that it speaks of. */
  readonly x: number;
  readonly y: number;
  readonly side: Side;
  /** From the point to the label, in CSS pixels. */
  readonly gap: number;
  /** A tighter area for this label: the mark that it is written on, the values up to a break. */
  readonly within?: Box;
  /** The obstacles that it may lie on, from the first up to the one before the last number. */
  readonly on?: readonly [from: number, to: number];
}

/** A label that is wanted. */
export interface LabelWish {
  /** Its text, in lines. */
  readonly lines: readonly string[];
  /** The same shorter, the fullest first; only asked for where it has no room. */
  readonly shorter: () => readonly (readonly string[])[];
  /** In order of preference. */
  readonly spots: readonly Spot[];
  /** Of its letters, in CSS pixels: as large as it would be, and may become. */
  readonly size: number;
  readonly smallest: number;
  readonly weight: number;
  /** Smaller ones choose first, and are the last to be dropped. */
  readonly priority: number;
  /** It may step off its spot. */
  readonly steps: boolean;
  /** It may stand away from its mark, with a line that leads to it. */
  readonly leads: boolean;
  /** Stands where it was put, whatever lies there. */
  readonly pinned: boolean;
}

/** Where a label stands, and how it is written there. */
export interface LabelPlace {
  readonly box: Box;
  readonly lines: readonly string[];
  /** Of its letters, in CSS pixels. */
  readonly size: number;
  readonly weight: number;
  /** Which of its spots it took. */
  readonly spot: number;
  /** From the label to its mark, where it stands away from it. */
  readonly leader: Segment | null;
}

/** Width of a text in letters of a size and a weight, in CSS pixels. */
export type WidthAt = (text: string, size: number, weight: number) => number;

/** From one line of a label to the next, in sizes of its letters. */
export const LINE = 1.2;

/** Height of the letters of some lines: the last has no room below it. Digits and capitals reach up, few letters down. */
export const heightOf = (lines: number, size: number): number => size + (lines - 1) * size * LINE;
