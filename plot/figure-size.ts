/** A figure's size in CSS pixels. */
export interface FigureSize {
  readonly width: number;
  readonly height: number;
}
