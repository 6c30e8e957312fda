import { readFile } from 'node:fs/promises';
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import * as fontkit from 'fontkit';
import type { TextWidth } from 'plot';
import wawoff2 from 'wawoff2';

// The files of the family that figures are written in, the most used first.
const FAMILY = '@fontsource-variable/hanken-grotesk';
const SUBSETS = ['latin', 'latin-ext', 'vietnamese', 'cyrillic-ext'] as const;
// Letters that the family has not got come from whatever the reader's machine has: widths in sizes of the letters, rather too wide than too narrow.
const [WIDE, OTHER] = [1.05, 0.68] as const;
const IS_WIDE =
  /[\u1100-\u115f\u2e80-\u303e\u3041-\ua4cf\uac00-\ud7a3\uf900-\ufaff\ufe30-\ufe6f\uff00-\uff60\uffe0-\uffe6\u{1f000}-\u{1faff}\u{20000}-\u{3fffd}]/u;

/** Widths of texts in the fonts that ship with Cowbell, as a browser writes them. Kerning counts; each text is measured once. Throws where the fonts are not installed. */
export async function shippedWidths(): Promise<TextWidth> {
  const folder = join(dirname(createRequire(import.meta.url).resolve(`${FAMILY}/package.json`)), 'files');
  const fonts: fontkit.Font[] = [];
  // One after the other: the unpacker has one memory for all.
  for (const subset of SUBSETS) {
    const packed = await readFile(join(folder, `hanken-grotesk-${subset}-wght-normal.woff2`));
    fonts.push(fontkit.create(Buffer.from(await wawoff2.decompress(packed))) as fontkit.Font);
  }
  const byWeight = new Map<number, Face>();
  const faceOf = (weight: number): Face => {
    let face = byWeight.get(weight);
    if (!face) byWeight.set(weight, (face = new Face(fonts.map(font => font.getVariation({ wght: weight })))));
    return face;
  };
  return (text, { size, weight }) => faceOf(weight).ems(text) * size;
}

/** One weight of the family. */
class Face {
  private readonly known = new Map<string, number>();

  constructor(private readonly fonts: readonly fontkit.Font[]) {}

  /** Width of a text in sizes of its letters. */
  ems(text: string): number {
    let width = this.known.get(text);
    if (width === undefined) this.known.set(text, (width = this.measured(text)));
    return width;
  }

  /** Run by run: the first file that has a letter writes it. */
  private measured(text: string): number {
    let [width, run, font] = [0, '', this.fontFor(text.codePointAt(0) ?? 32)];
    const end = (): void => {
      if (run) width += font ? widthIn(font, run) : foreign(run);
      run = '';
    };
    for (const letter of text) {
      const next = this.fontFor(letter.codePointAt(0) as number);
      if (next !== font) end();
      font = next;
      run += letter;
    }
    end();
    return width;
  }

  private fontFor(codePoint: number): fontkit.Font | undefined {
    return this.fonts.find(font => font.hasGlyphForCodePoint(codePoint));
  }
}

const widthIn = (font: fontkit.Font, text: string): number => font.layout(text).advanceWidth / font.unitsPerEm;

const foreign = (text: string): number => Array.from(text, letter => (IS_WIDE.test(letter) ? WIDE : OTHER)).reduce((a, b) => a + b, 0);
