import { mkdir, readFile, rename, writeFile } from 'node:fs/promises';
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import * as fontkit from 'fontkit';
import type { Font, TextWidth } from 'plot';
import type { EmbeddedFont } from 'plot/files';

/** A family that ships: where its files are, the most used first, and what lies above and below its base line, in sizes of its letters. */
interface Family {
  readonly name: string;
  readonly slug: string;
  readonly weights: string;
  readonly subsets: readonly string[];
}

const GROTESK: Family = {
  name: 'Hanken Grotesk Variable',
  slug: 'hanken-grotesk',
  weights: '100 900',
  subsets: ['latin', 'latin-ext', 'vietnamese', 'cyrillic-ext'],
};
const MONO: Family = { name: 'Spline Sans Mono Variable', slug: 'spline-sans-mono', weights: '300 700', subsets: ['latin', 'latin-ext'] };

/** The family that a livery's fonts begin with; the grotesk where it ships with none of them. */
const familyIn = (fonts: string): Family => (fonts.includes(MONO.name) ? MONO : GROTESK);

// Letters that the family has not got come from whatever the reader's machine has: widths in sizes of the letters, rather too wide than too narrow.
const [WIDE, OTHER] = [1.05, 0.68] as const;
const IS_WIDE =
  /[\u1100-\u115f\u2e80-\u303e\u3041-\ua4cf\uac00-\ud7a3\uf900-\ufaff\ufe30-\ufe6f\uff00-\uff60\uffe0-\uffe6\u{1f000}-\u{1faff}\u{20000}-\u{3fffd}]/u;

/** A stretch of a text that one file writes. Sizes are in sizes of the letters. */
export interface TextRun {
  readonly text: string;
  readonly width: number;
  /** The name under which a canvas finds the file; null where none has its letters. */
  readonly family: string | null;
}

/** A file of a font: its measures, and its name on canvases. */
interface FontFile {
  /** Read when the first letter asks for it: most texts need one file alone. */
  readonly font: () => fontkit.Font;
  readonly family: string;
  readonly bytes: Buffer;
}

/** The fonts that ship with Cowbell: widths of texts as a browser writes them, and the files that write them. Kerning counts; each text is measured once. */
export class ShippedFonts {
  private readonly faces = new Map<number, Face>();

  private constructor(private readonly files: readonly FontFile[]) {}

  /** The family that a livery's fonts begin with; read once. Throws where the fonts are not installed. */
  static load(fonts: string): Promise<ShippedFonts> {
    const family = familyIn(fonts);
    let known = loaded.get(family);
    if (!known) loaded.set(family, (known = ShippedFonts.read(family)));
    return known;
  }

  private static async read(family: Family): Promise<ShippedFonts> {
    const files: FontFile[] = [];
    // One after the other: the unpacker has one memory for all.
    for (const subset of family.subsets) {
      const bytes = await unpacked(family, subset);
      files.push({ font: once(() => fontkit.create(bytes) as fontkit.Font), family: `${family.slug}-${subset}`, bytes });
    }
    return new ShippedFonts(files);
  }

  /** Width of a text in CSS pixels. */
  readonly width: TextWidth = (text, { size, weight }) => this.face(weight).ems(text) * size;

  /** A text in its stretches, from left to right. */
  runs(text: string, { weight }: Pick<Font, 'weight'>): readonly TextRun[] {
    return this.face(weight).runs(text);
  }

  /** Makes the files known to canvases, each under the name that its runs have. */
  register(known: (bytes: Buffer, family: string) => void): void {
    if (this.isRegistered) return;
    this.isRegistered = true;
    for (const { bytes, family } of this.files) known(bytes, family);
  }

  private isRegistered = false;

  private face(weight: number): Face {
    let face = this.faces.get(weight);
    if (!face)
      this.faces.set(
        weight,
        (face = new Face(this.files.map(file => ({ ...file, font: once(() => file.font().getVariation({ wght: weight })) })))),
      );
    return face;
  }
}

/** Something that is made when it is first asked for. */
function once<T>(make: () => T): () => T {
  let made: { readonly value: T } | undefined;
  return () => (made ??= { value: make() }).value;
}

const loaded = new Map<Family, Promise<ShippedFonts>>();

/** Widths of texts in the family that figures are written in. Throws where the fonts are not installed. */
export const shippedWidths = async (): Promise<TextWidth> => (await ShippedFonts.load('')).width;

/** The files of a livery's family that have letters of some texts, to be put into a picture. */
export async function embeddedFonts(fonts: string, texts: Iterable<string>): Promise<EmbeddedFont[]> {
  const family = familyIn(fonts);
  const letters = new Set(Array.from(texts, text => Array.from(text)).flat());
  const ranges = JSON.parse(await readFile(join(folderOf(family), 'unicode.json'), 'utf8')) as Readonly<Record<string, string>>;
  const needed = family.subsets.flatMap(subset => {
    const range = ranges[subset] ?? '';
    return [...letters].some(letter => isIn(range, letter.codePointAt(0) as number)) ? [{ subset, range }] : [];
  });
  return Promise.all(
    needed.map(async ({ subset, range }) => ({
      family: family.name,
      weights: family.weights,
      range,
      source: `data:font/woff2;base64,${(await readFile(fileOf(family, subset))).toString('base64')}`,
    })),
  );
}

/** A file of a family as it is measured; unpacked once, and kept beside the packages where that can be written. */
async function unpacked(family: Family, subset: string): Promise<Buffer> {
  const kept = join(folderOf(family), '..', '..', '.cache', 'cowbell-fonts', `${family.slug}-${subset}.ttf`);
  const before = await readFile(kept).catch(() => null);
  if (before) return before;
  const { default: wawoff2 } = await import('wawoff2');
  const bytes = Buffer.from(await wawoff2.decompress(await readFile(fileOf(family, subset))));
  // Written beside and moved into place, so that nobody reads half of it.
  const whole = `${kept}.${process.pid}`;
  await mkdir(dirname(kept), { recursive: true })
    .then(() => writeFile(whole, bytes))
    .then(() => rename(whole, kept))
    .catch(() => undefined);
  return bytes;
}

const folderOf = ({ slug }: Family): string => dirname(createRequire(import.meta.url).resolve(`@fontsource-variable/${slug}/package.json`));
const fileOf = (family: Family, subset: string): string => join(folderOf(family), 'files', `${family.slug}-${subset}-wght-normal.woff2`);

/** Whether a letter lies in ranges such as "U+0000-00FF,U+0131". */
const isIn = (ranges: string, letter: number): boolean =>
  ranges.split(',').some(range => {
    const [from = '', to = from] = range.trim().replace(/^U\+/i, '').split('-');
    return letter >= parseInt(from, 16) && letter <= parseInt(to, 16);
  });

/** One weight of the family. */
class Face {
  private readonly known = new Map<string, readonly TextRun[]>();
  private readonly widths = new Map<string, number>();

  constructor(private readonly files: readonly FontFile[]) {}

  /** Width of a text in sizes of its letters. */
  ems(text: string): number {
    let width = this.widths.get(text);
    if (width === undefined) this.widths.set(text, (width = this.runs(text).reduce((sum, run) => sum + run.width, 0)));
    return width;
  }

  runs(text: string): readonly TextRun[] {
    let runs = this.known.get(text);
    if (!runs) this.known.set(text, (runs = this.stretches(text)));
    return runs;
  }

  /** The first file that has a letter writes it. */
  private stretches(text: string): TextRun[] {
    const stretches: { file: FontFile | undefined; text: string }[] = [];
    for (const letter of text) {
      const file = this.fileFor(letter.codePointAt(0) as number);
      const last = stretches.at(-1);
      if (last && last.file === file) last.text += letter;
      else stretches.push({ file, text: letter });
    }
    return stretches.map(({ file, text: own }) => ({
      text: own,
      width: file ? widthIn(file.font(), own) : foreign(own),
      family: file?.family ?? null,
    }));
  }

  private fileFor(codePoint: number): FontFile | undefined {
    return this.files.find(({ font }) => font().hasGlyphForCodePoint(codePoint));
  }
}

const widthIn = (font: fontkit.Font, text: string): number => font.layout(text).advanceWidth / font.unitsPerEm;

const foreign = (text: string): number => Array.from(text, letter => (IS_WIDE.test(letter) ? WIDE : OTHER)).reduce((a, b) => a + b, 0);
