import type { TableFacts } from 'core/brief';
import { plainCrosstab, type Figure } from 'core/document';
import { plainMeasure } from 'core/frame';
import { cueOf, look } from './cues';
import { figureOf } from './sketch';

const MONTH = { kind: 'grain', grain: 'month' } as const;

/** A report table: huts within their valleys, by month, with steps of named looks, subtotals and totals (N05). */
export const milkTable = (table: TableFacts): Figure =>
  figureOf(table, {
    id: 'milk-table',
    name: 'Milk by month',
    title: 'June is the fullest month in every valley',
    subtitle: 'Milk delivered by hut and month, season 2031; the two largest huts of each valley, the others together',
    data: {
      measures: [{ ...plainMeasure('milk', 'sum(milk)'), format: 'thousand litres' }],
      outer: [{ column: 'valley', step: null }],
      series: 'week',
      seriesStep: MONTH,
      order: { by: 'measure', measure: 'milk', descending: true },
    },
    shape: { mark: 'crosstab' },
    cues: [
      cueOf('threshold', ['milk'], 'hut', {
        steps: [
          { name: 'slack', upTo: { is: 'number', value: 1500 } },
          { name: 'steady', upTo: { is: 'number', value: 15_500 } },
          { name: 'full', upTo: null },
        ],
        looks: { slack: look('slack'), steady: look(''), full: look('full') },
      }),
    ],
    crosstab: { ...plainCrosstab, totals: { rows: 'last', columns: 'last', parts: ['last'] }, top: [{ level: 1, n: 2 }] },
  });

/** The fat share is a ratio of sums in every total; small bars and small lines stand within the cells. */
export const fatTable = (table: TableFacts): Figure =>
  figureOf(table, {
    id: 'fat-table',
    name: 'Milk and fat share',
    title: 'The richest milk',
    subtitle: 'By hut, season 2031: milk as bars of one scale, fat as a share of the milk',
    data: {
      measures: [
        { ...plainMeasure('milk', 'sum(milk)'), format: 'volume' },
        { ...plainMeasure('fat share', 'sum(butterfat) / sum(milk)'), format: 'fat content' },
        { ...plainMeasure('cows', 'max(cows)'), format: 'count' },
      ],
      order: { by: 'measure', measure: 'milk', descending: true },
    },
    shape: { mark: 'crosstab' },
    cues: [
      cueOf('extremes', ['fat share'], 'hut', { which: 'highest', looks: { highest: look('brass'), lowest: look('slate') } }),
      cueOf('rank', ['milk'], 'hut', { quiet: false, looks: { in: look('slate') } }),
    ],
    words: { finding: { cue: 'extremes-1', wording: 'number' } },
    crosstab: { ...plainCrosstab, drawings: [{ measure: 'milk', as: 'bars' }] },
  });
