import type { LinearScale } from 'core/scale';
import type { Livery } from './livery';

/** The finished description of a drawing, renderer-neutral: everything is resolved, nothing is left to decide. */
export interface Plan {
  readonly title: string;
  readonly subtitle: string;
  /** What the value axis measures and the category axis lists, such as "milk (L) by hut". */
  readonly axisNote: string;
  readonly legend: readonly LegendEntry[];
  readonly categories: readonly string[];
  readonly scale: LinearScale;
  /** One text per tick of the scale. */
  readonly tickLabels: readonly string[];
  readonly gridlines: boolean;
  /** Bars lie; categories run down the page. */
  readonly lying: boolean;
  readonly bars: readonly BarLayer[];
  /** The figure in words, for who cannot see it. */
  readonly description: string;
  readonly livery: Livery;
}

/** One bar per category; a missing value (NaN) has none. */
export interface BarLayer {
  readonly measure: string;
  readonly values: Float64Array;
  /** One colour per bar, resolved. */
  readonly colours: readonly string[];
  readonly labels: readonly LabelAsk[];
}

/** A label asked for at the end of a bar; the drawing measures and places it. */
export interface LabelAsk {
  readonly row: number;
  readonly text: string;
}

export interface LegendEntry {
  readonly text: string;
  readonly colour: string;
  readonly shape: 'bar';
}
