import { positionOf, straightOf } from 'core/scale';
import { axesIn, endsOf, type Check } from './check';

// Positions that differ by less are one.
const SAME = 1e-6;

/** Where values fall below zero, a reader compares them with the zero that is drawn, which is that of the first axis. */
export const zerosApart: Check = {
  severity: 'misleading',
  about: 'two axes whose zeros differ while values change sign',
  find({ figure, plan }) {
    const [first, second] = axesIn(plan);
    if (!first || !second) return [];
    const values = endsOf([...first.layers, ...second.layers]);
    const changes = values.some(value => value < 0) && values.some(value => value > 0);
    const apart = first.axes.some(({ scale }, panel) => {
      const beside = second.axes[panel]?.scale;
      return beside !== undefined && Math.abs(positionOf(scale, 0) - positionOf(beside, 0)) > SAME;
    });
    // Where they cannot be aligned, offering it would be no mend.
    const canAlign = [...first.axes, ...second.axes].every(({ scale }) => straightOf(scale) !== null);
    if (!changes || !apart) return [];
    return [
      {
        words: 'Values change their sign while the two axes have their zeros at different heights: a rise may look like a fall.',
        key: 'between',
        mend: canAlign ? { words: 'Bring the zeros to one height', change: { scales: { ...figure.scales, between: 'zeros' } } } : null,
      },
    ];
  },
};
