import { partOf, partsIn, type Loose } from './loose';

// How figures were labelled and dressed before they could be otherwise.
const LABELS: Loose = {
  what: 'cued',
  every: 2,
  where: '',
  of: 'parts',
  says: 'value',
  measure: null,
  text: '',
  format: null,
  place: 'auto',
  offset: { as: 'pixels', amount: 0 },
  zeros: false,
  missing: false,
  pins: [],
};
const DRESS: Loose = { livery: null, legend: 'auto', colours: [] };

/** Version 7 added labels of a figure's own, findings as titles, and liveries. */
export function fromVersion6(document: Loose): Loose {
  const figures = partsIn(document['figures']).map(figure => {
    const scales = partOf(figure['scales']);
    return {
      ...figure,
      scales: { ...scales, along: { ...partOf(scales['along']), beside: 'axis' } },
      labels: LABELS,
      dress: DRESS,
    };
  });
  return { ...document, version: 7, figures, liveries: [] };
}
