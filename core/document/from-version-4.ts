import { partOf, partsIn, type Loose } from './loose';

// What axes were before they could be anything else. Written out: what a new axis comes with may change, what an old one meant may not.
const LINEAR: Loose = {
  scale: 'linear',
  base: 10,
  every: null,
  ceiling: null,
  floor: null,
  headroom: null,
  step: null,
  breaks: [],
  shares: [],
  reversed: false,
  written: 'plain',
  power: null,
  title: null,
};

// The same of number formats.
const PLAIN: Loose = { significant: null, language: 'en', ladder: [], unitFor: 'each', sign: 'negative', negative: 'minus', missing: '–' };

/** Version 5 added log, capped and broken axes, axes tied by a factor, and number formats with ladders of units. */
export function fromVersion4(document: Loose): Loose {
  const figures = partsIn(document['figures']).map(figure => {
    const scales = partOf(figure['scales']);
    const axes = partOf(scales['axes']);
    const axis = (name: string): Loose => ({ ...LINEAR, ...partOf(axes[name]) });
    return { ...figure, scales: { ...scales, zeroLine: 'auto', axes: { first: axis('first'), second: axis('second') }, tie: 1 } };
  });
  const formats = partsIn(document['formats']).map(format => ({ ...PLAIN, ...format }));
  return { ...document, version: 5, figures, formats };
}
