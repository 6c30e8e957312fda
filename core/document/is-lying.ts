import type { FigureShape } from './schema';

/** Whether a figure's marks lie, its categories running down the page. */
export const isLying = ({ mark }: { readonly mark: FigureShape }): boolean => mark === 'bar' || mark === 'lying-stem';
