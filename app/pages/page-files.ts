import { zipSync } from 'fflate';
import type { Plan } from 'core/plan';
import type { WrittenPage } from 'handover';
import { fileName, pageHtml, pictureOnPage, sizeOnPage, wordsOfPage, type Look, type PageForHtml } from 'handover/offers';
import { pageScene, toPng, toSvg } from 'plot/files';
import { pageFonts } from '../handover/page-fonts';

const NO_CUES: ReadonlyMap<string, number> = new Map();

/** A page with its figures drawn, each with ids of its own; the letters go into the first alone, since they serve the whole document. */
export async function drawnPage({ name, columns, blocks }: WrittenPage, embedFonts: boolean): Promise<PageForHtml> {
  await document.fonts.ready;
  let needsFonts = embedFonts;
  const drawn: PageForHtml['blocks'][number][] = [];
  for (const [at, block] of blocks.entries()) {
    if (block.kind !== 'figure') {
      drawn.push(block);
      continue;
    }
    const wide = block.wide || columns === 1;
    const svg = block.plan && (await figureSvg(block.plan, wide, `figure-${at + 1}`, needsFonts));
    if (svg) needsFonts = false;
    drawn.push({ kind: 'figure', name: block.name, wide, svg, problems: block.problems });
  }
  return { name, columns, blocks: drawn };
}

async function figureSvg(plan: Plan, wide: boolean, prefix: string, embedFonts: boolean): Promise<string> {
  const scene = await pageScene(plan, sizeOnPage(wide));
  // All letters of the family: other figures and the words of the page are written in it too.
  const fonts = embedFonts ? await pageFonts(plan.livery.font, [EVERY_LETTER]) : [];
  return toSvg(scene, plan, NO_CUES, { prefix, fonts });
}

const EVERY_LETTER = 'aĂę';

/** The page as one document. */
export const pageDocument = async (page: WrittenPage, look: Look): Promise<Blob> =>
  new Blob([pageHtml(await drawnPage(page, true), look)], { type: 'text/html;charset=utf-8' });

/** The figures of a page as pictures in a folder, numbered in their order, with its words as text. */
export async function pageFolder({ name, blocks }: WrittenPage): Promise<Blob> {
  await document.fonts.ready;
  const files: Record<string, Uint8Array> = {};
  let nth = 0;
  for (const block of blocks) {
    if (block.kind !== 'figure' || !block.plan) continue;
    const png = await toPng(await pageScene(block.plan, sizeOnPage(true)), { scale: 2 });
    files[pictureOnPage(++nth, block.name, 'png')] = new Uint8Array(await png.arrayBuffer());
  }
  files[fileName(name, 'txt')] = new TextEncoder().encode(wordsOfPage(blocks));
  // Pictures are packed already.
  return new Blob([zipSync(files, { level: 0 })], { type: 'application/zip' });
}
