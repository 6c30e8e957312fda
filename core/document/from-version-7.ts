import { partOf, partsIn, type Loose } from './loose';

// What a crosstab is until somebody says otherwise.
const CROSSTAB: Loose = {
  totals: { rows: 'last', columns: 'last', parts: [] },
  columns: { by: 'name', descending: false, keys: [] },
  top: [],
  paints: 'ground',
  drawings: [],
  lines: 'hair',
  aligns: [],
  widths: [],
};

/** Version 8 added crosstabs, panels in a grid, and named looks. */
export function fromVersion7(document: Loose): Loose {
  const figures = partsIn(document['figures']).map(figure => ({
    ...figure,
    data: { ...partOf(figure['data']), outer: [], seriesStep: null },
    shape: { ...partOf(figure['shape']), columns: null, panelOrder: { by: 'table', descending: false, keys: [] } },
    crosstab: CROSSTAB,
  }));
  return { ...document, version: 8, figures, looks: [] };
}
