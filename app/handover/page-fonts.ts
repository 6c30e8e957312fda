import type { EmbeddedFont } from 'plot/files';

/** The files of a family that the page has and that hold letters of some texts, to be put into a picture. */
export async function pageFonts(family: string, texts: readonly string[]): Promise<EmbeddedFont[]> {
  const letters = new Set(texts.flatMap(text => Array.from(text, letter => letter.codePointAt(0) as number)));
  const faces = [...document.styleSheets]
    .flatMap(facesIn)
    .filter(face => family.includes(nameOf(face)) && face.style.fontStyle !== 'italic');
  const needed = faces.filter(face => [...letters].some(letter => isIn(rangeOf(face), letter)));
  return Promise.all(
    needed.map(async face => ({
      family: nameOf(face),
      weights: face.style.getPropertyValue('font-weight'),
      range: rangeOf(face),
      source: await dataUrl(face),
    })),
  );
}

function facesIn(sheet: CSSStyleSheet): CSSFontFaceRule[] {
  try {
    return [...sheet.cssRules].flatMap(rule => inside(rule));
  } catch {
    // A sheet of somebody else's, which may not be read.
    return [];
  }
}

const inside = (rule: CSSRule): CSSFontFaceRule[] =>
  rule instanceof CSSFontFaceRule ? [rule] : rule instanceof CSSGroupingRule ? [...rule.cssRules].flatMap(inside) : [];

const nameOf = (face: CSSFontFaceRule): string => face.style.getPropertyValue('font-family').replace(/^["']|["']$/g, '');
const rangeOf = (face: CSSFontFaceRule): string => face.style.getPropertyValue('unicode-range') || 'U+0-10FFFF';

const isIn = (ranges: string, letter: number): boolean =>
  ranges.split(',').some(range => {
    const [from = '', to = from] = range.trim().replace(/^U\+/i, '').split('-');
    return letter >= parseInt(from.replaceAll('?', '0'), 16) && letter <= parseInt(to.replaceAll('?', 'F'), 16);
  });

async function dataUrl(face: CSSFontFaceRule): Promise<string> {
  const [, path = ''] = /url\(["']?([^"')]+)["']?\)/.exec(face.style.getPropertyValue('src')) ?? [];
  const base = face.parentStyleSheet?.href ?? document.baseURI;
  const blob = await (await fetch(new URL(path, base))).blob();
  const bytes = new Uint8Array(await blob.arrayBuffer());
  let text = '';
  for (const byte of bytes) text += String.fromCharCode(byte);
  return `data:font/woff2;base64,${btoa(text)}`;
}
