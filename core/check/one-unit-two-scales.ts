import { unitOf } from 'core/frame';
import { axesIn, type Check, type CheckSubject } from './check';

/** Two axes of one unit look comparable; on different scales equal heights are different values. */
export const oneUnitTwoScales: Check = {
  severity: 'misleading',
  about: 'two axes in one unit with different scales',
  find(subject) {
    const [first, second] = axesIn(subject.plan);
    if (!first || !second) return [];
    const [one, other] = [first, second].map(({ layers }) => layers[0]?.measure ?? '').map(name => unitIn(subject, name));
    const apart = first.axes.some(({ scale }, panel) => {
      const beside = second.axes[panel]?.scale;
      return beside !== undefined && (scale.low !== beside.low || scale.high !== beside.high || scale.kind !== beside.kind);
    });
    if (!one || one !== other || !apart || subject.figure.scales.between === 'tied') return [];
    return [
      {
        words: `Both axes count ${one} on different scales: marks of one height stand for different values.`,
        key: 'between',
        mend: { words: 'Match the axes', change: { scales: { ...subject.figure.scales, between: 'matched' } } },
      },
    ];
  },
};

/** The unit of a measure; undefined where it has none. */
function unitIn({ figure, units, formats }: CheckSubject, name: string): string | undefined {
  const measure = figure.data.measures.find(item => item.name === name);
  const format = formats.find(item => item.name === measure?.format);
  if (format) return format.percent ? '%' : format.suffix.trim() || undefined;
  return measure && unitOf(measure, units);
}
