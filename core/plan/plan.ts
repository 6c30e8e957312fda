import type { BandStyle } from 'core/cue';
import type { NumberStyle } from 'core/format';
import type { Along, ValueScale } from 'core/scale';
import type { ShapeName } from 'core/shape';
import type { PlanWords, Stroke } from './words/plan-words';
import type { TablePlan } from './table/table-plan';

/** A mark whose end lies beyond its axis: 1 above it, −1 below. */
export interface Beyond {
  readonly at: number;
  readonly side: 1 | -1;
}

/** The complete description of a figure for any renderer: everything is resolved. One member for each kind of figure. */
export type Plan = ChartPlan | TablePlan;

/** A chart: marks along a category axis, read at value axes. */
export interface ChartPlan extends PlanWords {
  readonly kind: 'chart';
  /** Above the plot, or to its right. */
  readonly legendAt: 'top' | 'side';
  /** The category axis, shared by all panels. */
  readonly categories: readonly string[];
  readonly along: AlongPlan;
  /** One below the other; side by side in a lying figure; in a grid where there are many. */
  readonly panels: readonly PanelPlan[];
  /** Panels per row of the grid; null for as many as keep each legible. */
  readonly panelColumns: number | null;
  /** It is one row of a grid of panels: set closely, each panel with its name. */
  readonly isStrip?: boolean;
  readonly gridlines: boolean;
  /** How the line at zero is drawn, as opposed to gridlines. */
  readonly zeroLine: 'auto' | 'bold' | 'none';
  /** Bars are lying; categories run down the page. */
  readonly horizontal: boolean;
  /** Words for lines and bands beyond their value axis; the name of the axis follows: "the limit lies beyond". */
  readonly outside: readonly { readonly axis: number; readonly says: string }[];
}

/** Positions of the categories along their axis, and how the axis is labelled. */
export interface AlongPlan {
  /** Position of each category, sorted ascending, with the smallest distance between two as the unit; null where they are evenly spaced. */
  readonly places: Float64Array | null;
  /** The unit that the axis counts in, so that its ticks are round numbers or periods; null where categories are labelled by name. */
  readonly counted: Along | null;
  /** The categories have an order, so that readers can infer names that are left out. */
  readonly ordered: boolean;
  readonly names: 'fitting' | 'level' | 'turned';
  /** Where names are: at the axis, on the side without bars, or at the zero line. */
  readonly beside: 'axis' | 'bars' | 'zero';
  /** Indexes of categories that a cue marks, sorted ascending: their names are never left out. */
  readonly marked: readonly number[];
}

/** The title of a panel and its value axes. */
export interface PanelAxes {
  /** Empty when there is one panel. */
  readonly title: string;
  /** The first value axis, and the second where a layer uses it. */
  readonly axes: readonly AxisPlan[];
}

/** One plot of a figure: its axes and all that is read at them. */
export interface PanelPlan extends PanelAxes {
  readonly layers: readonly Layer[];
  readonly levelLines: readonly LevelLine[];
  readonly bands: readonly BandPlan[];
  /** The colour of the cue that singles out this panel alone; its title is marked with it. */
  readonly found?: string;
  /** An empty cell of the grid. */
  readonly isBlank?: boolean;
}

/** A value axis, resolved. */
export interface AxisPlan {
  readonly scale: ValueScale;
  /** One text per tick of the scale. */
  readonly tickLabels: readonly string[];
  /** What the axis measures; empty where the figure has one axis and its note says it. */
  readonly title: string;
  readonly numbers: boolean;
  /** The low end is where the high end would be. */
  readonly reversed: boolean;
  /** Its side: left or bottom (`near`), right or top (`far`). */
  readonly side: 'near' | 'far';
}

/** One series of one measure, or of a cue's values; a missing value (NaN) has no mark and leaves a gap. All lists run along the category axis. */
export interface Layer {
  readonly name: string;
  readonly measure: string;
  /** How its numbers are written: as the measure's (null), as percents, or as plain numbers. */
  readonly as: 'percent' | 'number' | null;
  readonly shape: ShapeName;
  readonly panel: number;
  /** 0: the panel's first value axis; 1: its second. */
  readonly axis: number;
  /** Index of its slot among the marks that are side by side in a panel, and how many slots there are. */
  readonly slot: number;
  readonly slots: number;
  /** True values, in data units. */
  readonly values: Float64Array;
  /** Where marks end on the axis; differs from the values in stacks. */
  readonly ends: Float64Array;
  /** Where marks begin that are stacked or span two values; null where all begin at `base`. */
  readonly bases: Float64Array | null;
  readonly base: number;
  /** The frame's row behind each item; −1 where there is none. */
  readonly rows: Int32Array;
  /** The layer's own colour: its line, its area. */
  readonly colour: string;
  /** One colour per item, resolved. */
  readonly colours: readonly string[];
  /** The number of the cue that marks the item, 0 for none. Marked points of a line are drawn. */
  readonly marked: Uint8Array;
  /** Items with an outline. */
  readonly outlined: readonly number[];
  readonly glyphs: readonly GlyphAsk[];
  readonly labels: readonly LabelAsk[];
  /** Items whose end is beyond the axis; a sign at the edge marks them. */
  readonly beyond: readonly Beyond[];
  readonly stroke: Stroke;
  readonly span: SpanLook | null;
  /** The cue that draws it, such as the parts of a plan or a moving average; null for a measure's own marks. */
  readonly cue: string | null;
  /** Its name is written at its marks, instead of an entry in the legend. */
  readonly isNamed?: boolean;
}

/** How spans are drawn. `deep`: the colour at the high end. */
export interface SpanLook {
  readonly deep: string | null;
  readonly connectors: boolean;
  readonly whiskers: boolean;
}

/** A glyph at a mark's end; `beyond`: it takes the place of the label. */
export interface GlyphAsk {
  readonly at: number;
  readonly glyph: string;
  readonly colour: string;
  readonly beyond: boolean;
  /** In the middle of its mark, for a part with others stacked on it. */
  readonly inside?: boolean;
}

/** Where a label is wanted: beyond the end or base of its mark, inside it, or on one side of its end. */
export type LabelWhere = 'end' | 'base' | 'inside' | 'inside end' | 'inside base' | 'above' | 'below' | 'left' | 'right';

/** A label that is a number: it may be written in fewer digits. */
export interface LabelNumber {
  readonly before: string;
  readonly value: number;
  readonly style: NumberStyle;
}

/** A label for a mark; the drawing measures and places it. */
export interface LabelAsk {
  readonly at: number;
  /** One or several lines of text. */
  readonly text: string;
  /** The number in the label, so that it can be written shorter where room is lacking (see `shorterTexts`). */
  readonly number?: LabelNumber;
  readonly where: LabelWhere;
  /** Priority: labels of smaller rank are placed first and dropped last. It is the number of the cue. */
  readonly rank?: number;
  /** The marks that share one label because their values are equal, its own mark among them. */
  readonly ties?: readonly number[];
  /** Additional distance from its mark, in CSS pixels or in data units along the value axis. */
  readonly offset?: { readonly as: 'pixels' | 'units'; readonly amount: number };
  /** Position set by hand: the offset of its middle from its mark's end, in CSS pixels. */
  readonly pin?: { readonly across: number; readonly down: number };
}

/** A level line: one value per category, drawn flat across it; across the whole width where all values are equal. */
export interface LevelLine {
  readonly panel: number;
  readonly axis: number;
  readonly values: Float64Array;
  readonly colour: string;
  readonly stroke: Stroke;
  readonly label: string;
  /** The id of the cue that draws it. */
  readonly cue: string;
  /** The change that dragging it on the stage makes. */
  readonly drag: DragTarget | null;
}

/** The cue's number that dragging changes. */
export interface DragTarget {
  readonly cue: string;
  readonly token: string;
}

/** The end of a break that dragging changes: its value axis, and its index from the low end. */
export interface BreakEdge {
  readonly axis: 'first' | 'second';
  readonly nth: number;
  readonly end: 'from' | 'to';
}

/** A band: a low and a high value per category, and how the area between them is drawn. */
export interface BandPlan {
  readonly panel: number;
  readonly axis: number;
  readonly low: Float64Array;
  readonly high: Float64Array;
  readonly style: BandStyle;
  readonly colour: string;
  /** The id of the cue that draws it. */
  readonly cue: string;
  readonly dragLow: DragTarget | null;
  readonly dragHigh: DragTarget | null;
}
