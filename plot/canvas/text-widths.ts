import type { Font, TextWidth } from '../scene/scene';

// Texts that one figure has measured at most, before it begins again.
const MOST = 50_000;

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
  /** By font, by text. */
  private readonly known = new Map<string, Map<string, number>>();
  private count = 0;

  /** Measures on a context, in a family. */
  on(ctx: CanvasRenderingContext2D, family: string): TextWidth {
    let last = '';
    // Texts of one font follow each other, and putting its words together takes longer than looking a width up.
    let [size, weight, words, widths] = [NaN, NaN, '', this.inFont('')];
    return (text, font) => {
      if (font.size !== size || font.weight !== weight) {
        words = fontText(font, family);
        [size, weight, widths] = [font.size, font.weight, this.inFont(words)];
      }
      let width = widths.get(text);
      if (width === undefined) {
        // Nobody else sets the font between two texts of one pass.
        if (words !== last) ctx.font = last = words;
        width = ctx.measureText(text).width;
        if (this.count++ >= MOST) {
          this.forget();
          widths = this.inFont(words);
        }
        widths.set(text, width);
      }
      return width;
    };
  }

  /** Forgets all, as another font may write them now. */
  forget(): void {
    this.known.clear();
    this.count = 0;
  }

  private inFont(words: string): Map<string, number> {
    let widths = this.known.get(words);
    if (!widths) this.known.set(words, (widths = new Map<string, number>()));
    return widths;
  }
}
