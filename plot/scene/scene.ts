import type { Box } from 'core/label';
import type { BreakEdge, DragTarget, NamedPart } from 'core/plan';

/** A point of the figure in CSS pixels, from its top left corner. */
export interface FigurePoint {
  readonly x: number;
  readonly y: number;
}

/** The role of a text in a figure. */
export type TextRole =
  | 'title'
  | 'subtitle'
  | 'legend'
  | 'note'
  | 'foot'
  | 'panel'
  | 'axis title first'
  | 'axis title second'
  | 'axis first'
  | 'axis second'
  | 'category'
  | 'label'
  | 'line';

/** A text's look; its family is the figure's. */
export interface Font {
  /** CSS pixels. */
  readonly size: number;
  readonly weight: number;
}

/** Width of a text in CSS pixels. Whoever draws knows how its letters are measured. */
export type TextWidth = (text: string, font: Font) => number;

/** How a path is stroked. */
export interface StrokeLook {
  readonly colour: string;
  /** CSS pixels, as are all dashes. */
  readonly width: number;
  readonly dash: readonly number[];
  readonly join: 'round' | 'bevel' | 'miter';
  readonly cap: 'round' | 'butt';
}

/** From one colour at the low end of each box to another at its high end. */
export interface Gradient {
  readonly low: string;
  readonly high: string;
  readonly horizontal: boolean;
}

/** Radii of a box's corners, clockwise from the top left. */
export type Corners = readonly [number, number, number, number];

/**
 * One thing to stroke or fill. Boxes are left, top, width, height after each other; points are x, y after each other; segments are pairs of points.
 * All in CSS pixels, none of it missing.
 */
export type SceneItem =
  | { readonly kind: 'rects'; readonly boxes: Float64Array; readonly fill: string | Gradient; readonly corners: Corners | null }
  | { readonly kind: 'outlines'; readonly boxes: Float64Array; readonly stroke: StrokeLook }
  | {
      readonly kind: 'path';
      readonly points: Float64Array;
      readonly closed: boolean;
      readonly fill: string | null;
      readonly stroke: StrokeLook | null;
    }
  | {
      readonly kind: 'polygons';
      readonly points: Float64Array;
      /** Corners of each. */
      readonly corners: number;
      readonly fill: string;
      readonly stroke: StrokeLook | null;
    }
  | { readonly kind: 'segments'; readonly points: Float64Array; readonly stroke: StrokeLook }
  | {
      readonly kind: 'dots';
      readonly points: Float64Array;
      readonly radius: number;
      readonly fill: string | null;
      readonly stroke: StrokeLook | null;
    }
  | {
      readonly kind: 'text';
      readonly role: TextRole;
      readonly text: string;
      readonly x: number;
      /** Its middle. */
      readonly y: number;
      readonly font: Font;
      readonly colour: string;
      readonly align: 'left' | 'right' | 'centre';
      /** Turned about its point, clockwise in radians; level where unsaid. */
      readonly turn?: number;
      /** The colour that it stands on. */
      readonly on: string;
    }
  | {
      readonly kind: 'glyph';
      /** A name of the set, or of a picture of the analyst's own. */
      readonly glyph: string;
      readonly x: number;
      readonly y: number;
      /** Half its side. */
      readonly size: number;
      readonly colour: string;
    };

/** Items that belong together, in the order of drawing, cut off at a box where there is one. */
export interface SceneGroup {
  readonly name: string;
  readonly clip: Box | null;
  readonly items: readonly SceneItem[];
}

/** The marks of one layer, to be pointed at; lists run along the category axis. */
export interface Target {
  /** The frame's row behind each mark; −1 for none. */
  readonly rows: Int32Array;
  /** x and y of each mark's end; NaN where a value is missing. */
  readonly ends: Float64Array;
  /** Pixel of each mark's base along the value axis. */
  readonly bases: Float64Array;
  /** Left, top, width, height of each mark that is a bar; null for lines and points. */
  readonly boxes: Float64Array | null;
  /** Ends of the panel along the value axis, the smaller first. */
  readonly reach: readonly [number, number];
}

/** A line, an edge or a break that can be dragged: what it changes, at which axis its value is read, and the pixel it stands at. */
export interface LineHandle {
  readonly target: DragTarget | BreakEdge;
  readonly panel: number;
  readonly axis: number;
  readonly at: number;
  /** The strip of a grid that it lies in, by its place; its panel is one of that strip. */
  readonly within?: number;
}

/** A mark: the frame's row behind it, and its layer by its place among all of the plan. */
export interface MarkAt {
  readonly row: number;
  readonly layer: number;
}

/** A mark's label, and where it stands. */
export interface LabelledMark extends MarkAt {
  readonly box: Box;
}

/** A label that found no place, and why. */
export interface DroppedLabel extends MarkAt {
  readonly text: string;
  readonly why: string;
}

/** The name of a category as it is written, and where: pointing at it means its marks. */
export interface WrittenName {
  readonly at: number;
  readonly box: Box;
}

/** Where a part of the plan lies. */
export interface PartPlace {
  readonly box: Box;
  /** How its words are set; null where they cannot be written over in place. */
  readonly font: Font | null;
  /** Marks lie on it: a pointer means them first. */
  readonly beneath: boolean;
}

/** A part of the plan with its place. */
export interface ScenePart extends NamedPart, PartPlace {}

/** Places of parts by their names in the plan. */
export type PartPlaces = readonly (readonly [id: string, place: PartPlace])[];

/** A figure laid out to the last pixel: what strokes it has nothing left to place, measure or word. */
export interface Scene {
  readonly width: number;
  readonly height: number;
  readonly ground: string;
  readonly ink: string;
  readonly family: string;
  /** The analyst's own pictures as data URLs, by glyph name. */
  readonly pictures: Readonly<Record<string, string>>;
  readonly groups: readonly SceneGroup[];
  /** Where pointing counts. */
  readonly area: Box;
  readonly horizontal: boolean;
  /** Middle of the first category, pixels from one place to the next, and how many categories there are. */
  readonly first: number;
  readonly perCategory: number;
  readonly count: number;
  /** The places of categories where they do not stand side by side (see `AlongPlan`). */
  readonly places: Float64Array | null;
  /** Names of categories, and where they are written. */
  readonly named: readonly WrittenName[];
  readonly targets: readonly Target[];
  readonly handles: readonly LineHandle[];
  /** The words at marks, with the mark of a layer that each belongs to. */
  readonly labelled: readonly LabelledMark[];
  /** Labels that were asked for and have no place. */
  readonly dropped: readonly DroppedLabel[];
  /** In the order of reading. */
  readonly parts: readonly ScenePart[];
}
