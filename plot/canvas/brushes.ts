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

/** A canvas that a scene is stroked on. `ratio`: device pixels per CSS pixel. */
export interface Canvas {
  readonly ctx: CanvasRenderingContext2D;
  readonly brushes: Brushes;
  readonly ratio: number;
}

/** Glyphs and pictures for a canvas: a page keeps them ready, a process without a screen makes its own. */
export interface Brushes {
  glyph(canvas: Canvas, stroke: GlyphStroke): void;
}
