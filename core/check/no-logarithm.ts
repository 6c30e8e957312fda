import { withAxis } from 'core/document';
import { hasPlace, scaleWords } from 'core/scale';
import { counted } from 'core/sentence';
import { axesIn, endsOf, type Check } from './check';

/** Values without a logarithm are not shown on a log axis. */
export const noLogarithm: Check = {
  severity: 'wrong',
  about: 'values at or below zero on a log axis',
  find: ({ figure, plan }) =>
    axesIn(plan).flatMap(({ place, words, axes, layers }) => {
      const scale = axes[0]?.scale;
      const count = scale ? endsOf(layers).filter(value => !hasPlace(scale, value)).length : 0;
      if (!scale || count === 0) return [];
      const { noPlace, words: kind } = scaleWords(scale);
      return [
        {
          words: `${counted(count, 'value')} ${noPlace} ${count === 1 ? 'has' : 'have'} no place on ${words}, which is ${kind}.`,
          key: `scale:${place}`,
          mend: { words: 'Make it symmetric log', change: { scales: withAxis(figure.scales, place, { scale: 'symlog' }) } },
        },
      ];
    }),
};
