import type { ChartPlan } from 'core/plan';
import { isBar } from 'core/shape';
import type { Font, TextWidth } from '../scene';

/** The font of the note about omitted names. */
export const SAID_FONT: Font = { size: 11, weight: 400 };
/** Gap between the axis and its names, in CSS pixels. */
export const NAME_GAP = 7;
/** Line height of names, in CSS pixels. */
export const NAME_LINE = 15;
/** Smallest gap between neighbouring names. */
export const BETWEEN_NAMES = 8;
/** Smallest rotation of names, in radians, rising to the right; larger where categories are closer together. */
export const TURN = (40 * Math.PI) / 180;

/** One name along a category axis. */
export interface AxisName {
  /** Position along the axis, in widths of a category from the middle of the first. */
  readonly place: number;
  readonly lines: readonly string[];
  /** The index of its category; undefined for a number or period. */
  readonly at: number | null;
}

/** How a category axis is labelled in the available room. */
export interface NamedAxis {
  /** Room for the names, below or to the left of the plot, in CSS pixels. */
  readonly room: number;
  /** Room before the start and after the end of the axis of an upright figure, in CSS pixels. */
  readonly before: number;
  readonly after: number;
  readonly names: readonly AxisName[];
  /** Rotation of names in radians, their ends at their positions; 0 for horizontal ones. */
  readonly turn: number;
  /** Whether names have ticks, as numbers and periods do. */
  readonly ticked: boolean;
  /** The note about omitted names; empty for none. */
  readonly said: string;
}

/** The same before overhangs are known. */
export type Named = Omit<NamedAxis, 'before' | 'after'>;

/** The available room, in CSS pixels. */
export interface NameRoom {
  /** Along the axis. */
  readonly length: number;
  /** Of the whole figure, perpendicular to the axis. */
  readonly across: number;
  readonly measure: TextWidth;
}

/** An axis with a number of positions, and half a position at both ends where marks need it. */
export interface NameGrid extends NameRoom {
  readonly plan: ChartPlan;
  /** Pixels between neighbouring positions. */
  readonly pitch: number;
  readonly width: (text: string) => number;
}

/** The extent of the axis in positions, with the room at both ends. */
export const extentOf = (plan: ChartPlan): number => Math.max(1e-9, lastPlace(plan) + 2 * endRoom(plan));

/** The position of the last category. */
export const lastPlace = ({ along: { places }, categories }: ChartPlan): number => places?.at(-1) ?? Math.max(0, categories.length - 1);

/** Room at the ends: bars need half a position; lines reach from edge to edge. */
export function endRoom({ categories, panels }: ChartPlan): number {
  const isWide =
    categories.length < 3 || panels.some(({ layers, bands }) => layers.some(isBar) || bands.some(band => band.style === 'boxes'));
  return isWide ? 0.5 : 0;
}
