import type { CsvOptions } from 'core/io';
import type { Handed } from './handed';
import type { FormatOffer } from './offers';

/** How an SVG is wanted: with words to each mark, with its fonts in it; null leaves that to who draws. */
export interface SvgHow {
  readonly hover: boolean;
  readonly embedFonts: boolean | null;
}

/** Drawings of a figure for formats that need them, made by the page or without a screen. */
export interface Drawings {
  /** The figure as SVG; with words to each mark where asked. */
  readonly svg: (how: SvgHow) => Promise<string>;
  /** The figure as PNG, so many pixels to each of its own. */
  readonly png: (scale: number) => Promise<Uint8Array>;
  /** CSS pixels of the figure. */
  readonly size: { readonly width: number; readonly height: number };
}

/** Options of how a format is written. */
export interface HandoverWishes {
  readonly csv?: CsvOptions;
  readonly scale?: number;
  readonly dialect?: string;
  /** Of a statement: one helper column alone. */
  readonly column?: string;
}

/** Makes a figure in a format. */
export type MakeFormat = (handed: Handed, drawings: Drawings, wishes: HandoverWishes) => Promise<string | Uint8Array>;

/** One format that a figure is handed over in. Adding one is adding its offer, and what makes it. */
export interface HandoverFormat extends FormatOffer {
  readonly make: MakeFormat;
}
