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

/** The finished description of a figure, renderer-neutral: everything is resolved, nothing is left to decide. One member for each kind of figure. */
export type Plan = ChartPlan | TablePlan;

/** Marks along a category axis, read at value axes. */
export interface ChartPlan extends PlanWords {
  readonly kind: 'chart';
  /** Above the plot, or to its right. */
  readonly legendAt: 'top' | 'side';
  /** The category axis, shared by all panels. */
  readonly categories: readonly string[];
  readonly along: AlongPlan;
  /** Above each other; beside each other when bars lie; in a grid where they are many. */
  readonly panels: readonly PanelPlan[];
  /** How many panels stand beside each other; null for as many as leave each of them legible. */
  readonly panelColumns: number | null;
  /** It is a strip of a grid: closely set, its panel named though it be one alone. */
  readonly isStrip?: boolean;
  readonly gridlines: boolean;
  /** How the line at zero is told from them. */
  readonly zeroLine: 'auto' | 'bold' | 'none';
  /** Bars lie; categories run down the page. */
  readonly horizontal: boolean;
  /** Lines and bands that lie beyond their value axis altogether or in part, in words that its name follows: "the limit lies beyond". */
  readonly outside: readonly { readonly axis: number; readonly says: string }[];
}

/** How the categories lie along their axis, and how it is named. */
export interface AlongPlan {
  /** Where each category lies, in the smallest distance between two from the first, rising; null where they stand side by side. */
  readonly places: Float64Array | null;
  /** What the axis counts, so that it is named by round numbers or periods; null where it names its categories. */
  readonly counted: Along | null;
  /** Categories follow on each other: a few names tell those between. */
  readonly ordered: boolean;
  readonly names: 'fitting' | 'level' | 'turned';
  /** Names stand at the axis, on the side of each bar where it is not, or at the line of zero. */
  readonly beside: 'axis' | 'bars' | 'zero';
  /** Those that a cue marks: their names are never the ones left out. Rising. */
  readonly marked: readonly number[];
}

/** A panel's name and what its marks are read at. */
export interface PanelAxes {
  /** Empty when there is one panel. */
  readonly title: string;
  /** The first value axis, and the second where something is read at it. */
  readonly axes: readonly AxisPlan[];
}

/** One plot of a figure: its axes and all that is read at them. */
export interface PanelPlan extends PanelAxes {
  readonly layers: readonly Layer[];
  readonly levelLines: readonly LevelLine[];
  readonly bands: readonly BandPlan[];
  /** The colour in which a cue finds it, and it alone: its title is marked. */
  readonly found?: string;
  /** Nothing: room that a grid has left. */
  readonly isBlank?: boolean;
}

/** A value axis, resolved. */
export interface AxisPlan {
  readonly scale: ValueScale;
  /** One text per tick of the scale. */
  readonly tickLabels: readonly string[];
  /** What is read here; empty where the figure has one axis and its note says it. */
  readonly title: string;
  readonly numbers: boolean;
  /** The low end lies where the high one would. */
  readonly reversed: boolean;
  /** Where it stands: left or below (`near`), right or above (`far`). */
  readonly side: 'near' | 'far';
}

/** One series of one measure, or of a cue's values; a missing value (NaN) has no mark and leaves a gap. All lists run along the category axis. */
export interface Layer {
  readonly name: string;
  readonly measure: string;
  /** How the numbers that it is read by are written: as the measure's (null), as percents, or as plain numbers. */
  readonly as: 'percent' | 'number' | null;
  readonly shape: ShapeName;
  readonly panel: number;
  /** 0: the panel's first value axis; 1: its second. */
  readonly axis: number;
  /** Among the marks that stand side by side in a panel: this one's place, and how many places there are. */
  readonly slot: number;
  readonly slots: number;
  /** True values, in data units. */
  readonly values: Float64Array;
  /** Where marks end on the axis; not at their values in stacks. */
  readonly ends: Float64Array;
  /** Where marks begin that stand on others or between two values of their own; null where all begin at `base`. */
  readonly bases: Float64Array | null;
  readonly base: number;
  /** The frame's row behind each item; −1 where there is none. */
  readonly rows: Int32Array;
  /** The layer's own colour: its line, its area. */
  readonly colour: string;
  /** One colour per item, resolved. */
  readonly colours: readonly string[];
  /** The number of the cue that marks the item, 0 for none; points of a line that are marked show. */
  readonly marked: Uint8Array;
  /** Items with an outline. */
  readonly outlined: readonly number[];
  readonly glyphs: readonly GlyphAsk[];
  readonly labels: readonly LabelAsk[];
  /** Items whose end lies beyond the axis: they are marked at its edge. */
  readonly beyond: readonly Beyond[];
  readonly stroke: Stroke;
  readonly span: SpanLook | null;
  /** The cue that draws it, such as the parts of a plan or a moving average; null for a measure's own marks. */
  readonly cue: string | null;
  /** Its name is written at its marks, in the place of an entry of the legend. */
  readonly isNamed?: boolean;
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
  /** In the middle of its mark: of a part that others stand on. */
  readonly inside?: boolean;
}

/** Where a label is asked for: beyond its mark's end or its base, within it, or on one side of its end. */
export type LabelWhere = 'end' | 'base' | 'inside' | 'inside end' | 'inside base' | 'above' | 'below' | 'left' | 'right';

/** A label that is a number: it may be written in fewer digits. */
export interface LabelNumber {
  readonly before: string;
  readonly value: number;
  readonly style: NumberStyle;
}

/** A label asked for at a mark; the drawing measures and places it. */
export interface LabelAsk {
  readonly at: number;
  /** In one line or several. */
  readonly text: string;
  /** The number that it is, for where it has no room in full (see `shorterTexts`): what stands before it, and how it is written. */
  readonly number?: LabelNumber;
  readonly where: LabelWhere;
  /** Those of smaller rank choose their places first, and are dropped last: the number of the cue that asks. */
  readonly rank?: number;
  /** All the marks that share it, where many are equal; its own among them. */
  readonly ties?: readonly number[];
  /** So much further from its mark: in CSS pixels, or in data units along the value axis. */
  readonly offset?: { readonly as: 'pixels' | 'units'; readonly amount: number };
  /** Put there by hand: its middle so far from its mark's end, in CSS pixels. */
  readonly pin?: { readonly across: number; readonly down: number };
}

/** Level lines: a value per category, drawn flat from edge to edge of it; over the whole width where it is one. */
export interface LevelLine {
  readonly panel: number;
  readonly axis: number;
  readonly values: Float64Array;
  readonly colour: string;
  readonly stroke: Stroke;
  readonly label: string;
  /** The cue that it belongs to. */
  readonly cue: string;
  /** The change that dragging it on the stage makes. */
  readonly drag: DragTarget | null;
}

/** The number of a cue that dragging changes. */
export interface DragTarget {
  readonly cue: string;
  readonly token: string;
}

/** An end of a break that dragging changes: of which value axis, which of its breaks from the low end. */
export interface BreakEdge {
  readonly axis: 'first' | 'second';
  readonly nth: number;
  readonly end: 'from' | 'to';
}

/** A low and a high value per category, and how the ground between them shows. */
export interface BandPlan {
  readonly panel: number;
  readonly axis: number;
  readonly low: Float64Array;
  readonly high: Float64Array;
  readonly style: BandStyle;
  readonly colour: string;
  /** The cue that it belongs to. */
  readonly cue: string;
  readonly dragLow: DragTarget | null;
  readonly dragHigh: DragTarget | null;
}
