import type { Figure } from 'core/document';

/** How many measures and helper columns are drawn. */
export const layerCount = ({ data }: Pick<Figure, 'data'>): number =>
  data.measures.filter(measure => measure.shape !== 'none').length + data.helpers.filter(helper => helper.shape !== null).length;
