import { escaped } from 'core/markup';
import { element, htmlDocument, type Look } from './document';

/** What a page's document is made from: its blocks with their words, and each figure drawn. */
export interface PageForHtml {
  readonly name: string;
  readonly columns: 1 | 2;
  readonly blocks: readonly PageHtmlBlock[];
}

type PageHtmlBlock =
  | { readonly kind: 'text'; readonly paragraphs: readonly string[] }
  | {
      readonly kind: 'figure';
      readonly name: string;
      readonly wide: boolean;
      readonly svg: string | null;
      readonly problems: readonly string[];
    }
  | { readonly kind: 'break' };

/** A page as one document that needs nothing else, and prints as it was laid out. */
export const pageHtml = (page: PageForHtml, look: Look): string => htmlDocument(page.name, look, [pageBody(page)], PAGE_STYLE);

/** What stands on a page, as markup. */
export const pageBody = ({ name, columns, blocks }: PageForHtml): string =>
  [element('h1', name), `<div class="page columns-${columns}">`, ...blocks.map(blockHtml), '</div>'].join('\n');

/** How a page is laid out. */
export const PAGE_STYLE = [
  '.page{display:grid;gap:1.25rem 1.5rem;grid-template-columns:minmax(0,1fr);margin-top:1rem}',
  '.page>*{grid-column:1/-1;margin:0}',
  '@media (min-width:48rem),print{.columns-2{grid-template-columns:repeat(2,minmax(0,1fr))}.columns-2>figure:not(.wide){grid-column:auto}}',
  '.page p{margin:0 0 .5rem}.page hr{border:0;border-top:1px dashed currentColor;opacity:.3;width:100%}',
  '@media print{.page{display:block}.columns-2>figure:not(.wide){display:inline-block;width:48%;vertical-align:top;margin:0 1% 1rem 0}.page>*{margin-bottom:1rem}.page hr{break-after:page;border:0}}',
].join('');

function blockHtml(block: PageHtmlBlock): string {
  switch (block.kind) {
    case 'break':
      return '<hr>';
    case 'text':
      return `<section>${block.paragraphs.map(paragraph).join('\n')}</section>`;
    case 'figure':
      return `<figure${block.wide ? ' class="wide"' : ''}>${block.svg ?? element('p', [`${block.name} cannot be drawn.`, ...block.problems].join(' '), { role: 'alert' })}</figure>`;
  }
}

/** A paragraph; one that begins with # is a heading. Lines stay lines. */
function paragraph(text: string): string {
  const heading = /^#+\s+(.*)$/s.exec(text)?.[1];
  return heading ? `<h2>${escaped(heading)}</h2>` : `<p>${escaped(text).replace(/\n/g, '<br>')}</p>`;
}
