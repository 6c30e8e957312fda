import type { ChartPlan } from 'core/plan';
import { isBar } from 'core/shape';
import type { Font, TextWidth } from '../scene';

/** The font of the note about names that are left out. */
export const SAID_FONT: Font = { size: 11, weight: 400 };
/** From the axis to its names, in CSS pixels. */
export const NAME_GAP = 7;
/** From one line of a name to the next, in CSS pixels. */
export const NAME_LINE = 15;
/** Between two names that stand beside each other. */
export const BETWEEN_NAMES = 8;
/** How far names are turned at least, in radians, their ends up; steeper where they stand closer together. */
export const TURN = (40 * Math.PI) / 180;

/** One name along a category axis. */
export interface AxisName {
  /** In widths of a category from the middle of the first. */
  readonly place: number;
  readonly lines: readonly string[];
  /** The category that it names; null for a number or period of its own. */
  readonly at: number | null;
}

/** How a category axis is named in the room there is. */
export interface NamedAxis {
  /** Room that the names take beside the plot: below it, or to its left. CSS pixels. */
  readonly room: number;
  /** Room that names take before the axis begins, and after it ends, upright. CSS pixels. */
  readonly before: number;
  readonly after: number;
  readonly names: readonly AxisName[];
  /** How far names run up to the right, their ends at their places, in radians; 0 for level ones. */
  readonly turn: number;
  /** Numbers and periods have a tick where they stand. */
  readonly ticked: boolean;
  /** The note about names that were left out; empty for none. */
  readonly said: string;
}

/** The same before it is known how far names reach. */
export type Named = Omit<NamedAxis, 'before' | 'after'>;

/** The room that there is, in CSS pixels. */
export interface NameRoom {
  /** Along the axis. */
  readonly length: number;
  /** Of the whole figure, across it. */
  readonly across: number;
  readonly measure: TextWidth;
}

/** An axis of so many places, and half a place at both ends where marks need it. */
export interface NameGrid extends NameRoom {
  readonly plan: ChartPlan;
  /** Pixels from one place to the next. */
  readonly pitch: number;
  readonly width: (text: string) => number;
}

/** Places along the axis, with the room at its ends. */
export const extentOf = (plan: ChartPlan): number => Math.max(1e-9, lastPlace(plan) + 2 * endRoom(plan));

/** The place of the last category. */
export const lastPlace = ({ along: { places }, categories }: ChartPlan): number => places?.at(-1) ?? Math.max(0, categories.length - 1);

/** Bars need half a place beyond the first and the last; lines run from edge to edge. */
export function endRoom({ categories, panels }: ChartPlan): number {
  const isWide =
    categories.length < 3 || panels.some(({ layers, bands }) => layers.some(isBar) || bands.some(band => band.style === 'boxes'));
  return isWide ? 0.5 : 0;
}
