import { withAxis } from 'core/document';
import { axesIn, opening, type Check } from './check';

/** A line or a band that was asked for and cannot be seen. */
export const outsideAxis: Check = {
  severity: 'misleading',
  about: 'a line or band outside the axis',
  find: ({ figure, plan }) =>
    axesIn(plan).flatMap(({ place, words }, axis) => {
      const outside = plan.outside.filter(item => item.axis === axis);
      return outside.map(({ says }) => ({
        words: `${opening(says)} ${words}, where it cannot be seen.`,
        key: `high:${place}`,
        mend: { words: 'Let the axis fit', change: { scales: withAxis(figure.scales, place, { low: null, high: null }) } },
      }));
    }),
};
