import type { PageDoc } from 'core/document';
import type { Session } from 'engine';
import { writtenPage } from 'handover';
import { fileName, pageHtml, type PageForHtml } from 'handover/offers';
import type { Given } from './files-to';
import type { Theme } from './theme-in';

// CSS pixels of a figure on a page: as wide as the page, and as a column of two.
const [WIDE, NARROW] = [1_100, 640] as const;

/** A page as one document, its words and figures computed over the session's rows. */
export async function pageFile(session: Session, page: PageDoc, { livery }: Theme): Promise<Given> {
  const { planSvg } = await import('headless');
  const { name, columns, blocks } = writtenPage(session, page, livery);
  let needsFonts = true;
  const drawn: PageForHtml['blocks'][number][] = [];
  for (const [at, block] of blocks.entries()) {
    if (block.kind !== 'figure') {
      drawn.push(block);
      continue;
    }
    const wide = block.wide || columns === 1;
    const width = wide ? WIDE : NARROW;
    const svg = block.plan && (await planSvg(block.plan, { width, height: Math.round((width * 9) / 16) }, `figure-${at + 1}`, needsFonts));
    if (svg) needsFonts = false;
    drawn.push({ kind: 'figure', name: block.name, wide, svg, problems: block.problems });
  }
  return { name: fileName(name, 'html'), content: pageHtml({ name, columns, blocks: drawn }, livery) };
}
