import { withAxis } from 'core/document';
import { counted } from 'core/sentence';
import { axesIn, endsOf, type Check, type Risk } from './check';

/** A ceiling is where values are said to end; those beyond it are wrong, or it is. */
export const aboveCeiling: Check = {
  severity: 'misleading',
  about: 'values above the ceiling, or below the floor',
  find: ({ figure, plan }) =>
    axesIn(plan).flatMap(({ place, words, layers }): Risk[] => {
      const { ceiling, floor } = figure.scales.axes[place];
      const values = endsOf(layers);
      const sides = [
        { end: 'ceiling', bound: ceiling, count: values.filter(value => ceiling !== null && value > ceiling).length, side: 'above' },
        { end: 'floor', bound: floor, count: values.filter(value => floor !== null && value < floor).length, side: 'below' },
      ] as const;
      return sides
        .filter(({ count }) => count > 0)
        .map(({ end, bound, count, side }) => ({
          words: `${counted(count, 'value')} ${count === 1 ? 'lies' : 'lie'} ${side} the ${end} of ${words}, ${String(bound)}.`,
          key: `${end}:${place}`,
          mend: { words: `Take the ${end} away`, change: { scales: withAxis(figure.scales, place, { [end]: null }) } },
        }));
    }),
};
