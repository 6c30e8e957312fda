import type { BandStyle, Dash } from 'core/cue';
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
  /** One or two value axes each, above each other; beside each other when bars lie. */
  readonly panels: readonly PanelPlan[];
  readonly gridlines: boolean;
  /** Bars lie; categories run down the page. */
  readonly lying: boolean;
  readonly layers: readonly Layer[];
  readonly lines: readonly LinePlan[];
  readonly bands: readonly BandPlan[];
  /** The figure in words, for who cannot see it. */
  readonly description: string;
  readonly livery: Livery;
  /** The analyst's own pictures that marks use, as data URLs by glyph name. */
  readonly pictures: Readonly<Record<string, string>>;
}

export interface PanelPlan {
  /** Empty when there is one panel. */
  readonly title: string;
  /** The first value axis, and the second where something is read at it. */
  readonly axes: readonly AxisPlan[];
}

export interface AxisPlan {
  readonly scale: LinearScale;
  /** One text per tick of the scale. */
  readonly tickLabels: readonly string[];
  /** What is read here; empty where the figure has one axis and its note says it. */
  readonly title: string;
  readonly numbers: boolean;
}

export type PlanShape = Exclude<LayerShape, 'none'> | 'span';

/** One series of one measure, or of a cue's values; a missing value (NaN) has no mark and leaves a gap. All lists run along the category axis. */
export interface Layer {
  readonly name: string;
  readonly measure: string;
  readonly shape: PlanShape;
  readonly panel: number;
  /** 0: the panel's first value axis; 1: its second. */
  readonly axis: number;
  /** Among the marks that stand side by side in a panel: this one's place, and how many places there are. */
  readonly slot: number;
  readonly slots: number;
  /** True values, in data units. */
  readonly values: Float64Array;
  /** Where marks end and begin on the axis; they differ from the values in stacks. No bases: they begin at zero. */
  readonly ends: Float64Array;
  readonly bases: Float64Array | null;
  /** The frame's row behind each item; −1 where there is none. */
  readonly rows: Int32Array;
  /** The layer's own colour: its line, its area. */
  readonly colour: string;
  /** One colour per item, resolved. */
  readonly colours: readonly string[];
  /** 1 where a cue marks the item: points of a line that show. */
  readonly marked: Uint8Array;
  /** Items with an outline. */
  readonly outlined: readonly number[];
  readonly glyphs: readonly GlyphAsk[];
  readonly labels: readonly LabelAsk[];
  readonly stroke: Stroke;
  readonly span: SpanLook | null;
}

export interface Stroke {
  readonly width: number;
  readonly dash: Dash;
  /** Glyph at every point; empty for none. */
  readonly marker: string;
}

/** How spans show. `deep`: the colour at the high end. */
export interface SpanLook {
  readonly deep: string | null;
  readonly connectors: boolean;
  readonly whiskers: boolean;
}

/** A glyph at a mark's end; `beyond`: where its label would stand. */
export interface GlyphAsk {
  readonly at: number;
  readonly glyph: string;
  readonly colour: string;
  readonly beyond: boolean;
}

/** A label asked for at a mark; the drawing measures and places it. `end`: beyond its end; `base`: beyond its base; `inside`: within it where it fits. */
export interface LabelAsk {
  readonly at: number;
  readonly text: string;
  readonly where: 'end' | 'base' | 'inside';
}

/** Level lines: a value per category, drawn flat from edge to edge of it; over the whole width where it is one. */
export interface LinePlan {
  readonly panel: number;
  readonly axis: number;
  readonly values: Float64Array;
  readonly colour: string;
  readonly stroke: Stroke;
  readonly label: string;
  /** What dragging it on the stage changes. */
  readonly drag: DragTarget | null;
}

export interface DragTarget {
  readonly cue: string;
  readonly token: string;
}

export interface BandPlan {
  readonly panel: number;
  readonly axis: number;
  readonly low: Float64Array;
  readonly high: Float64Array;
  readonly style: BandStyle;
  readonly colour: string;
  readonly dragLow: DragTarget | null;
  readonly dragHigh: DragTarget | null;
}

/** A legend's entry looks like what it explains. */
export interface LegendEntry {
  readonly text: string;
  readonly key:
    | { readonly kind: 'mark'; readonly shape: PlanShape; readonly colour: string; readonly glyph: string; readonly stroke: Stroke | null }
    | { readonly kind: 'band'; readonly style: BandStyle; readonly colour: string }
    | { readonly kind: 'ramp'; readonly colours: readonly string[] };
}
