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

/** Twelve huts side by side, held to one scale: each with its own average, the highest week of all marked by its panel's title (N13). */
export const hutPanels = (table: TableFacts): Figure =>
  figureOf(table, {
    id: 'hut-panels',
    name: 'Twelve huts',
    title: 'Twelve huts, week by week',
    subtitle: 'Milk delivered, season 2031: the twelve largest huts on one scale, with the average of each',
    data: {
      category: 'week',
      panel: 'hut',
      measures: [plainMeasure('milk', 'sum(milk)')],
      filters: [{ kind: 'top', column: 'hut', n: 12, measure: 'sum(milk)', end: 'largest' }],
      order: { by: 'category', descending: false },
    },
    shape: { mark: 'line', panelOrder: { by: 'size', descending: true, keys: [] } },
    cues: [
      cueOf('extremes', ['milk'], 'week', {
        which: 'highest',
        scope: { kind: 'figure' },
        quiet: false,
        looks: { highest: look('brass', { label: 'value' }), lowest: look('slate') },
      }),
      cueOf('reference', ['milk'], 'week', {
        id: 'average',
        level: { is: 'stat', stat: 'average' },
        form: 'level',
        scope: { kind: 'panels' },
        labelled: false,
        line: 'slate',
      }),
    ],
  });

/** Actual beside its deviation from plan: two panels, one list of names, gains and losses apart (N10). */
export const wheelsBeside = (table: TableFacts): Figure =>
  figureOf(table, {
    id: 'wheels-beside',
    name: 'Wheels beside plan',
    title: 'As many huts beat their plan as missed it',
    subtitle: 'Cheese wheels made in 2031, and beside them how many more or fewer than planned',
    data: {
      measures: [
        plainMeasure('wheels', 'sum(wheels)'),
        { ...plainMeasure('wheels − wheels_planned', 'sum(wheels) - sum(wheels_planned)'), format: 'gain or loss' },
        { ...plainMeasure('wheels_planned', 'sum(wheels_planned)'), shape: 'none' },
      ],
      filters: [{ kind: 'formula', column: 'wheels', formula: 'wheels < 1000' }],
      order: { by: 'measure', measure: 'wheels', descending: true },
    },
    shape: { mark: 'bar', panels: 'measures' },
    cues: [
      cueOf('rule', ['wheels − wheels_planned'], 'hut', {
        id: 'beside',
        branches: [
          { name: 'gain', when: '"wheels − wheels_planned" > 0' },
          { name: 'loss', when: '"wheels − wheels_planned" < 0' },
        ],
        quiet: false,
        looks: { gain: look('pasture', { label: 'value' }), loss: look('clay', { label: 'value' }) },
      }),
      cueOf('extremes', ['wheels'], 'hut', {
        which: 'highest',
        quiet: false,
        looks: { highest: look('brass', { label: 'value' }), lowest: look('slate') },
      }),
    ],
  });
