import { withAxis } from 'core/document';
import { hasPlace } from 'core/scale';
import { shapeOf } from 'core/shape';
import { axesIn, opening, type Check } from './check';

/** Bars and areas are compared by their lengths, which lie where they do not begin at zero. */
export const zeroLeftOut: Check = {
  severity: 'misleading',
  about: 'bars whose axis leaves out zero',
  find: ({ figure, plan }) =>
    axesIn(plan)
      .filter(({ axes, layers }) => {
        const lengths = layers.some(layer => shapeOf(layer).byLength && layer.bases === null);
        // Where zero has no place at all, another check speaks.
        return lengths && axes.some(({ scale }) => hasPlace(scale, 0) && (scale.low > 0 || scale.high < 0));
      })
      .map(({ place, words }) => ({
        words: `${opening(words)} leaves out zero, so that the lengths of bars do not compare.`,
        key: figure.scales.axes[place].low === null && figure.scales.axes[place].high === null ? `zero:${place}` : `low:${place}`,
        mend: { words: 'Keep zero', change: { scales: withAxis(figure.scales, place, { zero: 'kept', low: null, high: null }) } },
      })),
};
