import type { Figure } from 'core/document';

/** CSS pixels of a handed-over figure in each of its proportions. */
const SIZES: Readonly<Record<Figure['shape']['proportion'], readonly [width: number, height: number]>> = {
  '16:9': [1200, 675],
  '4:3': [1000, 750],
  '1:1': [800, 800],
};

/** How large a figure is handed over unless somebody says. */
export function sizeOfFigure({ shape }: Figure): { readonly width: number; readonly height: number } {
  const [width, height] = SIZES[shape.proportion];
  return { width, height };
}
