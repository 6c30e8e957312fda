import { LIVERIES, plainDress, plainLabels, plainScales, type Figure } from 'core/document';
import { tableOf } from 'core/table';
import { DRESS_PARTS, dressedLike, firstFigure, withHandColour } from '../index';

const table = tableOf({ hut: ['A'], milk: [1] });
const plain = firstFigure('f', { id: 'd', name: 'd', rowCount: 1, units: {}, columns: table.columns });
const dressed: Figure = {
  ...plain,
  id: 'other',
  shape: { ...plain.shape, proportion: '1:1', mark: 'bar' },
  scales: {
    ...plainScales,
    gridlines: false,
    zeroLine: 'bold',
    axes: { ...plainScales.axes, first: { ...plainScales.axes.first, numbers: false, low: 5 } },
  },
  labels: { ...plainLabels, what: 'all', pins: [{ category: 'A', series: null, measure: 'milk', across: 1, down: 1 }] },
  dress: { livery: 'Dusk', legend: 'side', colours: [{ of: 'category', value: 'A', colour: '#123456' }] },
};

describe('dressing a figure like another', () => {
  const all = DRESS_PARTS.map(({ name }) => name);
  it('takes over all parts, and nothing that is no dress', () => {
    const change = dressedLike(dressed, plain, all);
    expect(change.dress).toEqual(dressed.dress);
    expect(change.shape).toEqual({ ...plain.shape, proportion: '1:1' });
    expect([change.scales?.gridlines, change.scales?.zeroLine, change.scales?.axes.first.numbers, change.scales?.axes.first.low]).toEqual([
      false,
      'bold',
      false,
      null,
    ]);
    expect(change.labels).toEqual({ ...plainLabels, what: 'all' });
    expect(Object.keys(change).sort()).toEqual(['dress', 'labels', 'scales', 'shape']);
  });
  it('takes over one part alone', () =>
    expect(dressedLike(dressed, plain, ['livery'])).toEqual({ dress: { ...plainDress, livery: LIVERIES[2]?.name ?? '' } }));
  it('takes over nothing where nothing is ticked', () => expect(dressedLike(dressed, plain, [])).toEqual({}));
});

describe('a colour by hand', () => {
  it('is added, changed and let go by its value', () => {
    const first = withHandColour(plain, 'category', 'A', '#111111');
    const second = withHandColour({ ...plain, ...first }, 'category', 'A', '#222222');
    const beside = withHandColour({ ...plain, ...second }, 'series', 'A', '#333333');
    expect(beside.dress.colours).toEqual([
      { of: 'category', value: 'A', colour: '#222222' },
      { of: 'series', value: 'A', colour: '#333333' },
    ]);
    expect(withHandColour({ ...plain, ...beside }, 'category', 'A', null).dress.colours).toEqual([
      { of: 'series', value: 'A', colour: '#333333' },
    ]);
  });
});
