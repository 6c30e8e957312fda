import type { HandoverFormat } from '../format';

/** The figure as lines and letters. */
export const svg: HandoverFormat = {
  name: 'svg',
  ending: 'svg',
  mime: 'image/svg+xml',
  about: 'the figure as SVG, with real text',
  isDrawn: true,
  make: (_, { svg: drawn }) => drawn({ hover: false, embedFonts: null }),
};

/** The figure in pixels. */
export const png: HandoverFormat = {
  name: 'png',
  ending: 'png',
  mime: 'image/png',
  about: 'the figure as a picture',
  isDrawn: true,
  make: (_, { png: drawn }, { scale = 1 }) => drawn(scale),
};
