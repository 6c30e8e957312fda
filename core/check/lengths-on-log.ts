import { hasPlace } from 'core/scale';
import { shapeOf } from 'core/shape';
import { axesIn, opening, type Check } from './check';

/** On a log axis a bar begins wherever the axis does: twice as long is not twice as much. */
export const lengthsOnLog: Check = {
  severity: 'misleading',
  about: 'columns on a log axis',
  find: ({ figure, plan }) =>
    axesIn(plan)
      .filter(({ axes, layers }) => axes.some(({ scale }) => !hasPlace(scale, 0)) && layers.some(layer => shapeOf(layer).byLength))
      .map(({ words }) => ({
        words: `${opening(words)} is logarithmic: the lengths of bars on it do not compare, only where they end.`,
        key: 'mark',
        mend: {
          words: 'Draw points',
          change: {
            shape: { ...figure.shape, mark: 'points' },
            data: {
              ...figure.data,
              measures: figure.data.measures.map(measure => ({ ...measure, shape: measure.shape === 'none' ? measure.shape : null })),
            },
          },
        },
      })),
};
