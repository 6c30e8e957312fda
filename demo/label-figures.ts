import type { TableFacts } from 'core/brief';
import { plainScales, type Figure } from 'core/document';
import { plainMeasure } from 'core/frame';
import { cueOf, look } from './cues';
import { axesWith, figureOf } from './sketch';

/** Ranked stems with another measure at each head, coloured by value (N09). */
export const altitudes = (table: TableFacts): Figure =>
  figureOf(table, {
    id: 'altitudes',
    name: 'Altitudes',
    title: 'The higher the hut, the smaller the herd',
    subtitle: 'Altitude of each hut in metres; at each head the cows that graze there, season 2031',
    data: {
      measures: [plainMeasure('altitude', 'max(altitude)'), { ...plainMeasure('cows', 'max(herd)'), shape: 'none' }],
      order: { by: 'measure', measure: 'altitude', descending: true },
    },
    shape: { mark: 'stem' },
    scales: { axes: axesWith({ low: 0 }) },
    cues: [cueOf('gradient', ['altitude'], 'hut', { low: 'pasture', high: 'slate' })],
    labels: { what: 'all', measure: 'cows' },
    dress: { livery: 'Haystack' },
  });

/** Bars that go both ways, each name on the side where its bar is not (N14). */
export const balances = (table: TableFacts): Figure =>
  figureOf(table, {
    id: 'balances',
    name: 'Balance against plan',
    title: 'Gains and losses against the plan',
    subtitle: 'Wheels made less wheels planned, by hut, season 2031',
    data: {
      measures: [{ ...plainMeasure('balance', 'sum(balance)'), format: 'gain or loss' }],
      filters: [{ kind: 'formula', column: 'wheels', formula: 'wheels < 1000' }],
      order: { by: 'measure', measure: 'balance', descending: true },
    },
    shape: { mark: 'bar', proportion: '4:3' },
    scales: {
      gridlines: false,
      zeroLine: 'bold',
      axes: axesWith({ numbers: false }),
      along: { ...plainScales.along, beside: 'bars' },
    },
    cues: [
      cueOf('rule', ['balance'], 'hut', {
        branches: [
          { name: 'gain', when: 'balance > 0' },
          { name: 'loss', when: 'balance < 0' },
        ],
        quiet: false,
        looks: { gain: look('pasture'), loss: look('clay') },
      }),
    ],
    labels: { what: 'all' },
  });

/** A stack with empty parts: a part of zero has no label, and neither has a missing one (N21); grey, for print. */
export const grades = (table: TableFacts): Figure =>
  figureOf(table, {
    id: 'grades',
    name: 'Grades',
    title: 'Grades of each variety, worst month',
    subtitle: 'Smallest first grade, largest second grade and rejects of any month, as shares of the three together',
    data: {
      category: 'variety',
      measures: [plainMeasure('first', 'min(first)'), plainMeasure('second', 'max(second)'), plainMeasure('rejected', 'max(rejected)')],
      order: { by: 'measure', measure: 'first', descending: true },
    },
    shape: { mark: 'bar', arrange: 'full' },
    cues: [],
    labels: { what: 'all', says: 'part', place: 'middle' },
    dress: { livery: 'Ink on paper', legend: 'side' },
  });
