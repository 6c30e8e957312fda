import { fileName } from './file-names';

// CSS pixels of a figure on a page: as wide as the page, and as a column of two.
const [WIDE, NARROW] = [1_100, 640] as const;

/** The size of a figure on a page, in CSS pixels. */
export function sizeOnPage(wide: boolean): { readonly width: number; readonly height: number } {
  const width = wide ? WIDE : NARROW;
  return { width, height: Math.round((width * 9) / 16) };
}

/** What stands on a page, as far as its folder needs it. */
type FolderBlock =
  | { readonly kind: 'text'; readonly paragraphs: readonly string[] }
  | { readonly kind: 'figure'; readonly name: string }
  | { readonly kind: 'break' };

/** Pictures of a page are numbered in their order, from 1: "01-milk-by-hut.png". */
export const pictureOnPage = (nth: number, name: string, ending: string): string =>
  `${String(nth).padStart(2, '0')}-${fileName(name, ending)}`;

/** The words of a page as text, each figure by its name where it stands. */
export function wordsOfPage(blocks: readonly FolderBlock[]): string {
  const words = blocks.flatMap(block => (block.kind === 'text' ? block.paragraphs : block.kind === 'figure' ? [`[${block.name}]`] : []));
  return `${words.join('\n\n')}\n`;
}
