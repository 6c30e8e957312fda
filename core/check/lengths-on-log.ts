import { hasPlace, scaleWords } from 'core/scale';
import { shapeOf } from 'core/shape';
import { axesIn, opening, type Check } from './check';

/** On a log axis a bar begins wherever the axis does: twice as long is not twice as much. */
export const lengthsOnLog: Check = {
  severity: 'misleading',
  about: 'columns on a log axis',
  find: ({ figure, plan }) =>
    axesIn(plan)
      .filter(({ layers }) => layers.some(layer => shapeOf(layer).byLength))
      .flatMap(({ words, axes }) =>
        axes
          .filter(({ scale }) => !hasPlace(scale, 0))
          .slice(0, 1)
          .map(({ scale }) => ({ words, scale })),
      )
      .map(({ words, scale }) => ({
        words: `${opening(words)} is ${scaleWords(scale).words}: the lengths of bars on it do not compare, only where they end.`,
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
