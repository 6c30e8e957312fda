import type { Figure } from 'core/document';
import type { Change } from '../setting';

/** One part of a figure's dress that others can take over. */
export interface DressPart {
  readonly name: string;
  readonly words: string;
  readonly copy: (from: Figure, to: Figure) => Change;
}

/** The parts that can be copied to other figures. A new part is an entry here. */
export const DRESS_PARTS: readonly DressPart[] = [
  { name: 'livery', words: 'its livery', copy: (from, to) => ({ dress: { ...to.dress, livery: from.dress.livery } }) },
  { name: 'legend', words: 'where its legend stands', copy: (from, to) => ({ dress: { ...to.dress, legend: from.dress.legend } }) },
  { name: 'colours', words: 'its colours by hand', copy: (from, to) => ({ dress: { ...to.dress, colours: from.dress.colours } }) },
  // Labels that were put somewhere belong to their marks.
  { name: 'labels', words: 'its labels', copy: (from, to) => ({ labels: { ...from.labels, pins: to.labels.pins } }) },
  {
    name: 'lines',
    words: 'gridlines and zero line',
    copy: (from, to) => ({ scales: { ...to.scales, gridlines: from.scales.gridlines, zeroLine: from.scales.zeroLine } }),
  },
  {
    name: 'numbers',
    words: 'which axes have numbers',
    copy: ({ scales: { axes } }, to) => ({
      scales: {
        ...to.scales,
        axes: {
          first: { ...to.scales.axes.first, numbers: axes.first.numbers },
          second: { ...to.scales.axes.second, numbers: axes.second.numbers },
        },
      },
    }),
  },
  { name: 'proportion', words: 'its proportions', copy: (from, to) => ({ shape: { ...to.shape, proportion: from.shape.proportion } }) },
];

/** The changes that make a figure dressed like another, part by part. */
export function dressedLike(from: Figure, to: Figure, parts: readonly string[]): Change {
  let [dressed, change]: [Figure, Change] = [to, {}];
  for (const { name, copy } of DRESS_PARTS) {
    if (!parts.includes(name)) continue;
    change = { ...change, ...copy(from, dressed) };
    dressed = { ...dressed, ...change };
  }
  return change;
}
