import type { Figure } from 'core/document';

/** Number of drawn measures and helper columns. */
export const layerCount = ({ data }: Pick<Figure, 'data'>): number =>
  data.measures.filter(measure => measure.shape !== 'none').length + data.helpers.filter(helper => helper.shape !== null).length;
