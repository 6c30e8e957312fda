import type { LayerShape } from 'core/frame';
import type { LinearScale } from 'core/scale';
import type { Livery } from './livery';

/** The finished description of a drawing, renderer-neutral: everything is resolved, nothing is left to decide. */
export interface Plan {
  readonly title: string;
  readonly subtitle: string;
  /** What the value axis measures and the category axis lists, such as "milk (L) by hut". */
  readonly axisNote: string;
  readonly legend: readonly LegendEntry[];
  /** The category axis, shared by all panels. */
  readonly categories: readonly string[];
  /** One value axis each, above each other; beside each other when bars lie. */
  readonly panels: readonly PanelPlan[];
  readonly gridlines: boolean;
  /** Bars lie; categories run down the page. */
  readonly lying: boolean;
  /** Bars and areas of one panel stand on each other. */
  readonly stacked: boolean;
  readonly layers: readonly Layer[];
  /** The figure in words, for who cannot see it. */
  readonly description: string;
  readonly livery: Livery;
}

export interface PanelPlan {
  /** Empty when there is one panel. */
  readonly title: string;
  readonly scale: LinearScale;
  /** One text per tick of the scale. */
  readonly tickLabels: readonly string[];
}

/** One series of one measure; a missing value (NaN) has no mark and leaves a gap. All lists run along the category axis. */
export interface Layer {
  readonly name: string;
  readonly measure: string;
  readonly shape: LayerShape;
  readonly panel: number;
  readonly values: Float64Array;
  /** The frame's row behind each item; −1 where there is none. */
  readonly rows: Int32Array;
  /** The layer's own colour: its line, its area. */
  readonly colour: string;
  /** One colour per item, resolved. */
  readonly colours: readonly string[];
  /** 1 where a cue marks the item: points of a line that show. */
  readonly marked: Uint8Array;
  readonly labels: readonly LabelAsk[];
}

/** A label asked for at the end of a mark; the drawing measures and places it. */
export interface LabelAsk {
  readonly at: number;
  readonly text: string;
}

export interface LegendEntry {
  readonly text: string;
  readonly colour: string;
  readonly shape: LayerShape;
}
