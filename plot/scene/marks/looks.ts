import type { Dash } from 'core/cue';
import { dashOf } from './dashes';
import type { StrokeLook } from '../scene';

/** A solid stroke with round joins. */
export const solid = (colour: string, width: number): StrokeLook => ({ colour, width, dash: [], join: 'round', cap: 'butt' });

/** A stroke with a dash by name. */
export const dashed = (colour: string, width: number, dash: Dash): StrokeLook => ({
  ...solid(colour, width),
  dash: dashOf(dash, width),
});

/** The seam along the bars of a series: its width, its distance from their edge, and the narrowest bar that has one, in CSS pixels. */
export const SEAM = { width: 1.5, inset: 3.5, leastBar: 5 } as const;

/** Sizes of marks in CSS pixels. */
export interface Sizes {
  readonly point: number;
  readonly markedPoint: number;
  readonly head: number;
  /** Largest half side of a glyph. */
  readonly glyph: number;
  readonly marker: number;
  /** Width of the widest line. */
  readonly line: number;
  /** Whether titles, names and labels are drawn. */
  readonly words: boolean;
}

/** Sizes of a figure. */
export const FULL: Sizes = { point: 3.5, markedPoint: 5, head: 5.5, glyph: 6.5, marker: 3.5, line: 12, words: true };
/** Sizes of a tiny picture. */
export const TINY: Sizes = { point: 1, markedPoint: 2, head: 1.5, glyph: 2, marker: 0, line: 1.5, words: false };
