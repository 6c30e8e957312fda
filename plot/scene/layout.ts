import type { Box } from 'core/label';
import type { ChartPlan } from 'core/plan';
import type { FootPlace } from './head/figure-foot';
import type { FigureHead } from './head/figure-head';
import type { SidePlace } from './legend/side-legend';
import { lastPlace, type NamedAxis } from './axes/name-grid';

/** Pixels of the low and the high end of a value axis. */
export interface AxisEnds {
  readonly from: number;
  readonly to: number;
}

/** Positions of a figure's axes, in CSS pixels: all that a scene needs from the layout. */
export interface PlotLayout {
  readonly width: number;
  readonly height: number;
  /** The start of its own room, in a strip that overlaps the one before; 0 by default. */
  readonly from?: number;
  /** The plot area between the axes. */
  readonly area: Box;
  /** Middle of the first category, and pixels between positions. */
  readonly first: number;
  readonly perCategory: number;
  /** For each panel, for each axis. */
  readonly axes: readonly (readonly AxisEnds[])[];
  /** Middle of the strip above each panel that holds its title; null where the figure has one panel. */
  readonly strips: readonly (number | null)[];
  /** The names of the category axis; null where it has none. */
  readonly names: NamedAxis | null;
  /** Title, legend and notes with their top left corner; null where there are none. */
  readonly head: { readonly words: FigureHead; readonly left: number; readonly top: number } | null;
  /** The note below the plot; null where there is none. */
  readonly foot: FootPlace | null;
  /** The legend to the right of the plot; null where there is none. */
  readonly side: SidePlace | null;
}

// Room above the tallest mark of a tiny picture.
const TOP = 3;

/** The layout of a tiny picture: one panel from edge to edge, without words. */
export function tinyLayout(plan: ChartPlan, width: number, height: number): PlotLayout {
  const { horizontal, panels } = plan;
  const perCategory = (horizontal ? height : width) / (lastPlace(plan) + 1);
  const upright = horizontal ? { from: 0, to: width - TOP } : { from: height - 1, to: TOP };
  const ends = panels[0]?.axes[0]?.reversed ? { from: upright.to, to: upright.from } : upright;
  return {
    width,
    height,
    area: { left: 0, top: 0, width, height },
    first: perCategory / 2,
    perCategory,
    axes: [[ends]],
    strips: [null],
    names: null,
    head: null,
    foot: null,
    side: null,
  };
}
