import type { TableFacts } from 'core/brief';
import type { Figure } from 'core/document';
import { plainMeasure } from 'core/frame';
import { cueOf, look } from './cues';
import { axesWith, figureOf, inTime } from './sketch';

// Milk above it is not taken; made up, as all of the sample is.
const LIMIT = 400_000;

/** From thousands to millions on a log axis, with a line at a limit and the fortnights beyond it marked (N01). */
export const cellCounts = (table: TableFacts): Figure =>
  figureOf(table, {
    id: 'cell-counts',
    name: 'Cell counts',
    title: 'The worst hut passes the limit in eleven of twelve fortnights',
    subtitle: 'Somatic cells per millilitre by fortnight, 2031: the worst, the middle and the best of twenty huts',
    data: {
      category: 'fortnight',
      measures: [
        { ...plainMeasure('worst hut', 'max(cells)'), format: 'count' },
        { ...plainMeasure('middle', 'median(cells)'), format: 'count' },
        { ...plainMeasure('best hut', 'min(cells)'), format: 'count' },
      ],
      order: inTime,
    },
    shape: { mark: 'line' },
    scales: { unit: 'cells/mL', axes: axesWith({ scale: 'log', low: 1_000, high: 10_000_000, written: 'powers' }) },
    cues: [
      cueOf('extremes', ['worst hut'], 'fortnight', {
        quiet: false,
        looks: { highest: look('clay', { label: 'value', glyph: 'dot' }), lowest: look('') },
        which: 'highest',
      }),
      cueOf('reference', ['worst hut'], 'fortnight', {
        level: { is: 'number', value: LIMIT },
        name: 'limit',
        line: 'clay',
      }),
    ],
  });

/** One hut that dwarfs the rest: a break through its bar leaves the others to be compared (N22). */
export const wheelsBroken = (table: TableFacts): Figure =>
  figureOf(table, {
    id: 'wheels-broken',
    name: 'Wheels, with a break',
    title: 'Mossgate ripens for the whole union; among the others Kettlemoor leads',
    subtitle: 'Wheels by hut, season 2031; the axis leaves out what no hut reaches but one',
    data: { measures: [plainMeasure('wheels', 'sum(wheels)')], order: { by: 'measure', measure: 'wheels', descending: true } },
    scales: { axes: axesWith({ breaks: [{ from: 200, to: 2_000 }], shares: [75, 25] }) },
    cues: [cueOf('rank', ['wheels'], 'hut', {})],
  });

/** Shares that headroom never takes past a hundred (N18). */
export const firstGrade = (table: TableFacts): Figure =>
  figureOf(table, {
    id: 'first-grade',
    name: 'First grade',
    title: 'Only Bell had a month without a single second-grade fruit',
    subtitle: 'Share of first grade in the best month of each variety, season 2031',
    data: {
      category: 'variety',
      measures: [plainMeasure('best month', 'max(first)')],
      order: { by: 'measure', measure: 'best month', descending: true },
    },
    scales: { unit: '%', decimals: 1, axes: axesWith({ ceiling: 100, headroom: { as: 'share', amount: 0.2 } }) },
    cues: [
      cueOf('extremes', ['best month'], 'variety', {
        which: 'highest',
        looks: { highest: look('pasture', { label: 'value' }), lowest: look('') },
      }),
    ],
  });

/** Counts from thousands to millions, each in the unit that fits it; no grid, no numbers at the axis (N02). */
export const worstCounts = (table: TableFacts): Figure =>
  figureOf(table, {
    id: 'worst-counts',
    name: 'Worst counts',
    title: 'Kettlemoor counted 3 M cells, more than three times any other hut',
    subtitle: 'Highest somatic cell count per millilitre of each hut, season 2031; the limit is 400 K',
    data: {
      category: 'hut',
      measures: [{ ...plainMeasure('worst count', 'max(cells)'), format: 'thousands and millions' }],
      order: { by: 'measure', measure: 'worst count', descending: true },
    },
    shape: { mark: 'bar', proportion: '4:3' },
    scales: { gridlines: false, zeroLine: 'bold', axes: axesWith({ numbers: false }) },
    dress: { livery: 'Night barn' },
    cues: [
      cueOf('threshold', ['worst count'], 'hut', {
        steps: [
          { name: 'below the limit', upTo: { is: 'number', value: LIMIT } },
          { name: 'above the limit', upTo: null },
        ],
        edge: 'lower',
        lines: false,
        quiet: false,
        looks: { 'below the limit': look('', { label: 'value' }), 'above the limit': look('clay', { label: 'value' }) },
      }),
    ],
  });
