import { figureForms, type OfferedShape } from 'core/shape';
import type { Figure, FigureShape } from './schema';

/** Whether a figure is a table, not a chart. */
export const isTable = ({ shape }: Pick<Figure, 'shape'>): boolean => shape.mark === 'crosstab';

/** The shape that a figure's marks have unless a measure has its own; null for a table. */
export const shapeOfFigure = ({ mark }: { readonly mark: FigureShape }): OfferedShape | null =>
  mark === 'crosstab' ? null : figureForms[mark].shape;

/** Whether a figure's marks lie, its categories running down the page. */
export const isLying = ({ mark }: { readonly mark: FigureShape }): boolean => mark !== 'crosstab' && figureForms[mark].isLying;
