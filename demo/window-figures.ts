import { plainMeasure, type Helper, type HelperScope } from 'core/frame';
import { firstFigure, type TableFacts } from 'core/brief';
import type { Figure } from 'core/document';
import { extremesOf, look } from './cues';
import { axesWith } from './sketch';

/** The sample's first figure. */
export function milkByHut(table: TableFacts): Figure {
  const figure = firstFigure('milk-by-hut', table, 'hut');
  return { ...figure, words: { ...figure.words, subtitle: 'Highmeadow Dairy Union, litres brought down in the 2031 season' } };
}

/** Wheels per hut, split by valley. */
export function wheelsByHut(table: TableFacts): Figure {
  const figure = firstFigure('wheels-by-hut', table, 'hut');
  const measure = plainMeasure('wheels', 'sum(wheels)');
  return {
    ...figure,
    name: 'Wheels by hut',
    data: { ...figure.data, measures: [measure], order: { by: 'measure', measure: 'wheels', descending: true } },
    shape: { ...figure.shape, mark: 'bar', proportion: '4:3' },
    cues: [
      { ...extremesOf('wheels'), which: 'highest' },
      {
        ...extremesOf('wheels'),
        id: 'cue-2',
        which: 'lowest',
        scope: { kind: 'within', columns: ['valley'] },
        looks: { lowest: look('clay', { label: 'value' }) },
      },
    ],
    words: {
      title: 'Wheels by hut',
      subtitle: 'Mossgate ripens for the whole union; the fewest wheels of each valley are marked, season 2031',
    },
  };
}

/** Window calculations within each valley, in panels that share the weeks (N13). */
export function runningMilk(table: TableFacts): Figure {
  const figure = firstFigure('running-milk', table, 'hut');
  return {
    ...figure,
    name: 'Milk so far by valley',
    data: {
      ...figure.data,
      category: 'week',
      series: 'valley',
      measures: [{ ...plainMeasure('milk', 'sum(milk)'), shape: 'line', format: 'thousand litres' }],
      helpers: [
        helper('so far', 'sum(milk)', { kind: 'along', column: 'week', within: ['valley'] }, 'line', 'thousand litres'),
        helper('share of the week', 'milk / sum(milk)', { kind: 'within', columns: ['week'] }, null, 'percent'),
        helper('best week', 'rank() over (partition by valley order by milk desc)', { kind: 'own' }, null, null),
        helper(
          'four-week mean',
          'avg(milk) over (partition by valley order by week rows 3 preceding)',
          { kind: 'own' },
          null,
          'thousand litres',
        ),
      ],
      order: { by: 'category', descending: false },
    },
    shape: { ...figure.shape, mark: 'line', panels: 'measures' },
    cues: [],
    dress: { ...figure.dress, legend: 'direct' },
    words: { title: 'Milk by valley, week by week and so far', subtitle: 'Each valley against its own season, 2031' },
  };
}

/** Difference and percent change from the month before; the first month has none (N15). */
export function changeOfMilk(table: TableFacts): Figure {
  const figure = firstFigure('change-of-milk', table, 'hut');
  const along = { kind: 'along' as const, column: 'week', within: [] };
  return {
    ...figure,
    name: 'Change by month',
    data: {
      ...figure.data,
      category: 'week',
      step: { kind: 'grain', grain: 'month' },
      measures: [{ ...plainMeasure('milk', 'sum(milk)'), format: 'thousand litres' }],
      helpers: [
        helper('change', 'milk - lag(milk)', along, null, 'thousand litres'),
        { ...helper('percent change', '(milk - lag(milk)) / lag(milk)', along, 'line', 'percent'), axis: 'second' },
      ],
      order: { by: 'category', descending: false },
    },
    scales: {
      ...figure.scales,
      between: 'zeros',
      axes: axesWith({}, { low: -1, high: 4, step: { as: 'by', amount: 1 } }),
    },
    cues: [
      {
        ...extremesOf('percent change'),
        quiet: false,
        looks: { highest: look('pasture', { label: 'value' }), lowest: look('clay', { label: 'value' }) },
      },
    ],
    words: {
      title: 'Milk by month and its change from the month before',
      subtitle: 'Litres on the left, percent change on the right, their zeros at one height; steepest rise and fall marked, 2031',
    },
  };
}

/** A ratio of sums, never an average of ratios (N20). */
export function fatByQuarter(table: TableFacts): Figure {
  const figure = firstFigure('fat-by-quarter', table, 'hut');
  return {
    ...figure,
    name: 'Fat content by quarter',
    data: {
      ...figure.data,
      category: 'week',
      step: { kind: 'grain', grain: 'quarter' },
      measures: [
        { ...plainMeasure('milk', 'sum(milk)'), format: 'thousand litres' },
        { ...plainMeasure('fat content', 'sum(butterfat) / sum(milk)'), shape: 'line', axis: 'second', format: 'fat content' },
      ],
      order: { by: 'category', descending: false },
    },
    scales: { ...figure.scales, axes: axesWith({}, { zero: 'out', headroom: { as: 'share', amount: 0.2 } }) },
    cues: [{ ...extremesOf('fat content'), which: 'highest' }],
    words: { title: 'Fat content by quarter', subtitle: 'Butterfat of all milk together, kilograms per litre as a percentage' },
  };
}

/** A helper column by hand that looks as its formula says. */
export const helper = (name: string, formula: string, scope: HelperScope, shape: Helper['shape'], format: string | null): Helper => ({
  name,
  formula,
  scope,
  shape,
  axis: 'first',
  format,
});
