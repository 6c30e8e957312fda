import { withAxis } from 'core/document';
import { stretchesOf } from 'core/scale';
import { axesIn, endsOf, opening, type Check } from './check';

// From this share of all values on, a break hides what it was meant to make room for.
const MOST = 0.5;

/** A break leaves out where nothing is; one that most values lie in leaves out the data. */
export const hidingBreak: Check = {
  severity: 'misleading',
  about: 'a break that hides most values',
  find: ({ figure, plan }) =>
    axesIn(plan).flatMap(({ place, words, axes, layers }) => {
      const stretches = axes[0] ? stretchesOf(axes[0].scale) : [];
      const values = endsOf(layers);
      const hidden = values.filter(value =>
        stretches.some(({ low }, i) => i > 0 && value < low && value > (stretches[i - 1]?.high ?? Infinity)),
      );
      if (hidden.length <= values.length * MOST) return [];
      return [
        {
          words: `${opening(words)} is broken where ${hidden.length} of ${values.length} values lie.`,
          key: `breaks:${place}`,
          mend: { words: 'Close the break', change: { scales: withAxis(figure.scales, place, { breaks: [], shares: [] }) } },
        },
      ];
    }),
};
