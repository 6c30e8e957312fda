import type { Sizes } from './looks';
import type { PlacedLayer, PixelScales } from '../pixel-scales';
import type { SceneItem } from '../scene';

/** Inputs for the marks of a layer. */
export interface MarkFacts {
  readonly pixels: PixelScales;
  readonly sizes: Sizes;
}

/** The marks of one layer by depth: areas are behind all bars, lines in front of them, points in front of all lines. */
export interface Marks {
  readonly areas?: readonly SceneItem[];
  readonly bars?: readonly SceneItem[];
  readonly lines?: readonly SceneItem[];
  readonly points?: readonly SceneItem[];
}

/** Makes the marks of one layer in one shape. */
export type MarkMaker = (placed: PlacedLayer, facts: MarkFacts) => Marks;
