import type { PageDoc } from 'core/document';
import type { Livery, Plan } from 'core/plan';
import type { Session } from 'engine';
import { writtenPage, type WrittenPage } from 'handover';
import { fileName, folderName, pageHtml, pictureOnPage, sizeOnPage, wordsOfPage, type PageForHtml } from 'handover/offers';
import type { Given } from './files-to';
import type { Theme } from './theme-in';

/** A page as it leaves: one document, and, where pictures are asked for, a folder of them. */
export interface PageFiles {
  readonly document: Given;
  /** Its figures in each format asked for, numbered in their order, and its words as text; null where no format is a picture. */
  readonly folder: { readonly name: string; readonly files: readonly Given[] } | null;
}

/** How its pictures are drawn. */
export interface PageLook {
  readonly scale: number;
  readonly transparent: boolean;
  readonly embedFonts: boolean;
}

type Picture = (plan: Plan, look: PageLook) => Promise<string | Uint8Array>;

/** Formats in which a page is a folder of pictures, by the names that figures have them under. */
const pictures: Readonly<Record<string, Picture>> = {
  png: async (plan, look) => (await import('headless')).planPng(plan, sizeOnPage(true), look),
  svg: async (plan, { embedFonts }) => (await import('headless')).planSvg(plan, sizeOnPage(true), 'figure', embedFonts),
};

/** A page as files, its words and figures computed over the session's rows. What is no format of a page is left out: its figures have it. */
export async function pageFiles(
  session: Session,
  page: PageDoc,
  { livery }: Theme,
  { formats, look }: { readonly formats: readonly string[]; readonly look: PageLook },
): Promise<PageFiles> {
  const written = writtenPage(session, page, livery);
  const drawn = formats.filter(format => format in pictures);
  return {
    document: await documentOf(written, livery),
    folder: drawn.length ? { name: folderName(written.name), files: await folderOf(written, drawn, look) } : null,
  };
}

async function documentOf({ name, columns, blocks }: WrittenPage, livery: Livery): Promise<Given> {
  const { planSvg } = await import('headless');
  let needsFonts = true;
  const drawn: PageForHtml['blocks'][number][] = [];
  for (const [at, block] of blocks.entries()) {
    if (block.kind !== 'figure') {
      drawn.push(block);
      continue;
    }
    const wide = block.wide || columns === 1;
    const svg = block.plan && (await planSvg(block.plan, sizeOnPage(wide), `figure-${at + 1}`, needsFonts));
    if (svg) needsFonts = false;
    drawn.push({ kind: 'figure', name: block.name, wide, svg, problems: block.problems });
  }
  return { name: fileName(name, 'html'), content: pageHtml({ name, columns, blocks: drawn }, livery) };
}

async function folderOf({ name, blocks }: WrittenPage, formats: readonly string[], look: PageLook): Promise<Given[]> {
  const files: Given[] = [];
  let nth = 0;
  for (const block of blocks) {
    if (block.kind !== 'figure' || !block.plan) continue;
    nth++;
    for (const format of formats) {
      const content = await (pictures[format] as Picture)(block.plan, look);
      files.push({ name: pictureOnPage(nth, block.name, format), content });
    }
  }
  return [...files, { name: fileName(name, 'txt'), content: wordsOfPage(blocks) }];
}
