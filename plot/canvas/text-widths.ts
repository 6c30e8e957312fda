import type { Font, TextWidth } from '../scene/scene';

// Texts that one figure has measured at most, before it begins again.
const MOST = 5_000;

/** A font as a canvas is told it. */
export const fontText = ({ size, weight }: Font, family: string): string => `${weight} ${size}px ${family}`;

/** Widths of the texts of a drawing. */
export interface Widths {
  /** Measures on a context, in a family. */
  on(ctx: CanvasRenderingContext2D, family: string): TextWidth;
  /** Forgets all, as another font may write them now. */
  forget(): void;
}

/** Widths that are known without a canvas. */
export class KnownWidths implements Widths {
  constructor(private readonly measure: TextWidth) {}

  on(): TextWidth {
    return this.measure;
  }

  forget(): void {
    // Nothing was measured.
  }
}

/**
 * Widths of texts as a canvas writes them, each measured once: setting a font makes a page lay itself out, which costs more than drawing the figure.
 * Whoever loads a font makes them anew.
 */
export class TextWidths implements Widths {
  private readonly known = new Map<string, number>();

  /** Measures on a context, in a family. */
  on(ctx: CanvasRenderingContext2D, family: string): TextWidth {
    let last = '';
    return (text, font) => {
      const words = fontText(font, family);
      const key = `${words}|${text}`;
      let width = this.known.get(key);
      if (width === undefined) {
        // Nobody else sets the font between two texts of one pass.
        if (words !== last) ctx.font = last = words;
        width = ctx.measureText(text).width;
        if (this.known.size >= MOST) this.known.clear();
        this.known.set(key, width);
      }
      return width;
    };
  }

  /** Forgets all, as another font may write them now. */
  forget(): void {
    this.known.clear();
  }
}
