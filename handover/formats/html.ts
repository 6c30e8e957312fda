import type { HandoverFormat } from '../format';
import { figureHtml } from '../html/figure-html';

/** The figure as a document that needs nothing else. */
export const html: HandoverFormat = {
  name: 'html',
  ending: 'html',
  mime: 'text/html;charset=utf-8',
  about: 'one file that opens anywhere: figure, words, ledger, rows',
  isDrawn: true,
  make: async (handed, { svg }) => figureHtml(handed, await svg({ hover: true, embedFonts: true })),
};
