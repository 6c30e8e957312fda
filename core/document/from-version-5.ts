import { partOf, partsIn, type Loose } from './loose';

// How categories lay before they could lie otherwise, but for dates, which stood side by side as if they were names.
const ALONG: Loose = { spacing: 'auto', names: 'fitting', weeks: 'monday', language: 'en' };

/** Version 6 added the time axis, and a side for the value axis. */
export function fromVersion5(document: Loose): Loose {
  const figures = partsIn(document['figures']).map(figure => {
    return { ...figure, scales: { ...partOf(figure['scales']), side: 'near', along: ALONG } };
  });
  return { ...document, version: 6, figures };
}
