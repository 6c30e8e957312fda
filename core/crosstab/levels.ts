import { oncePer } from 'core/stages';
import { isTable, type Figure } from 'core/document';
import type { FigureData, Step } from 'core/frame';

/** A level that rows are nested in. */
export interface Level {
  readonly column: string;
  readonly step: Step;
}

/** The levels of a figure's rows, outermost first: its panels, its outer columns, its category, each once, and not the one that makes the columns. */
export function levelsOf({ panel, outer, category, step, series }: FigureData): readonly Level[] {
  const all = [...(panel === null ? [] : [{ column: panel, step: null }]), ...outer, { column: category, step }];
  // The innermost of two is the category.
  const isLast = (level: Level, at: number): boolean => all.findLastIndex(({ column }) => column === level.column) === at;
  return all.filter((level, at) => isLast(level, at) && (level.column !== series || level.column === category));
}

/** The data part as a shape shows it: only crosstabs have outer levels. The same object where there is nothing to leave out. */
export const shownData = ({ data, shape }: Pick<Figure, 'data' | 'shape'>): FigureData => {
  if (isTable({ shape }) || (data.outer.length === 0 && data.seriesStep === null)) return data;
  return flattened(data);
};

// The same object every time, so that what was computed from it is found again.
const flattened = oncePer((data: FigureData): FigureData => ({ ...data, outer: [] }));

/** The totals that a crosstab shows: of its rows where it has columns, of its columns. */
export const totalsIn = ({ data, crosstab: { totals } }: Pick<Figure, 'data' | 'crosstab'>): ('rows' | 'columns')[] => [
  ...(totals.rows !== 'none' && data.series !== null ? (['rows'] as const) : []),
  ...(totals.columns !== 'none' ? (['columns'] as const) : []),
];
