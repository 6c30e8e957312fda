/** A glyph to put down. `picture`: the data URL where it is one of the analyst's own. */
export interface GlyphStroke {
  readonly glyph: string;
  readonly x: number;
  readonly y: number;
  /** Half its side in CSS pixels. */
  readonly size: number;
  readonly colour: string;
  /** The colour of the thin edge that keeps it apart from what lies under it. */
  readonly ground: string;
  readonly picture: string | undefined;
}

/** What strokes a scene on a canvas. `ratio`: device pixels per CSS pixel. */
export interface Canvas {
  readonly ctx: CanvasRenderingContext2D;
  readonly brushes: Brushes;
  readonly ratio: number;
}

/** What a canvas cannot do by itself: glyphs and pictures, which a page keeps ready and a process without a screen makes in its own way. */
export interface Brushes {
  glyph(canvas: Canvas, stroke: GlyphStroke): void;
}
