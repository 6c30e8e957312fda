import { plainMeasure } from 'core/frame';
import type { TableFacts } from 'core/brief';
import type { Figure } from 'core/document';
import { cueOf, look } from './cues';
import { axesWith, figureOf, inTime } from './sketch';
import { helper } from './window-figures';

/** A dashed average with its value, above-average bars in a second colour, labels inside the base (N12). */
export const averageMilk = (table: TableFacts): Figure =>
  figureOf(table, {
    id: 'average-milk',
    name: 'Above average',
    title: 'Which huts bring more than the average',
    subtitle: 'Litres of the 2031 season; bars at or above the average of {avg(milk)} L stand out',
    data: {},
    labels: { what: 'all', place: 'base' },
    words: { finding: { cue: 'typical-1', wording: 'number' }, source: 'Highmeadow Dairy Union, deliveries of 2031' },
    cues: [cueOf('typical', ['milk'], 'hut', { looks: { above: look('brass'), below: look('') } })],
  });

/** Reached, short by, beyond, per hut (N07). */
export const planOfWheels = (table: TableFacts): Figure =>
  figureOf(table, {
    id: 'plan-of-wheels',
    name: 'Plan of wheels',
    title: 'Wheels made against the plan',
    subtitle: 'Valley huts, season 2031: what was reached, what is missing, what went beyond',
    data: {
      measures: [plainMeasure('wheels', 'sum(wheels)'), plainMeasure('wheels planned', 'sum(wheels_planned)')],
      filters: [{ kind: 'formula', column: 'wheels', formula: 'wheels < 1000' }],
      order: { by: 'measure', measure: 'wheels planned', descending: true },
    },
    cues: [
      cueOf('plan', ['wheels', 'wheels planned'], 'hut', {
        looks: { reached: look('slate'), 'short by': look('clay', { label: 'value' }), beyond: look('pasture', { label: 'value' }) },
      }),
    ],
  });

/** Actual and deviation in two panels that share the huts; a formula drives the colour of the second (N10). */
export const wheelsAndBalance = (table: TableFacts): Figure =>
  figureOf(table, {
    id: 'wheels-and-balance',
    name: 'Actual and deviation',
    title: 'Wheels made, and how far from the plan',
    subtitle: 'Huts in table order; gains and losses of more than a twentieth of the plan stand out',
    data: {
      measures: [plainMeasure('wheels', 'sum(wheels)'), { ...plainMeasure('planned', 'sum(wheels_planned)'), shape: 'none' }],
      helpers: [{ ...helper('deviation', 'wheels - planned', { kind: 'own' }, 'column', null) }],
      filters: [{ kind: 'formula', column: 'wheels', formula: 'wheels < 1000' }],
      order: { by: 'table' },
    },
    shape: { panels: 'measures' },
    cues: [
      cueOf('extremes', ['wheels'], 'hut', { which: 'highest', quiet: true }),
      cueOf('rule', ['deviation'], 'hut', {
        branches: [
          { name: 'gain', when: 'deviation > 0.05 * planned' },
          { name: 'loss', when: 'deviation < -0.05 * planned' },
        ],
        looks: { gain: look('pasture', { label: 'value' }), loss: look('clay', { label: 'value' }) },
      }),
    ],
  });

/** Below and above the plan, the plan as a line, the whole on top (N17). */
export const belowAndAbovePlan = (table: TableFacts): Figure =>
  figureOf(table, {
    id: 'below-and-above-plan',
    name: 'Milk against plan',
    title: 'Milk of each month against its plan',
    subtitle: 'What came within the plan, what came on top of it; kilolitres of Tolm and Siddel, summer 2031',
    data: {
      category: 'week',
      step: { kind: 'grain', grain: 'month' },
      measures: [
        { ...plainMeasure('milk', 'sum(milk)'), format: 'thousand litres' },
        { ...plainMeasure('planned milk', 'sum(planned_milk)'), format: 'thousand litres' },
      ],
      filters: [
        { kind: 'values', column: 'valley', keep: ['Tolm', 'Siddel'] },
        { kind: 'range', column: 'week', low: '2031-05-01', high: '2031-09-30' },
      ],
      order: inTime,
    },
    cues: [
      cueOf('plan', ['milk', 'planned milk'], 'week', {
        way: 'line',
        total: true,
        looks: { reached: look('slate'), beyond: look('brass') },
      }),
    ],
  });

/** Arrows at the points, coloured by where the milk goes (N16). */
export const weeklyDirection = (table: TableFacts): Figure =>
  figureOf(table, {
    id: 'weekly-direction',
    name: 'Direction',
    title: 'Week by week, up or down',
    subtitle: 'Milk of all valleys against the week before; kilolitres, season 2031',
    data: {
      category: 'week',
      measures: [{ ...plainMeasure('milk', 'sum(milk)'), format: 'thousand litres' }],
      order: inTime,
    },
    shape: { mark: 'line' },
    cues: [
      cueOf('change', ['milk'], 'week', {
        quiet: true,
        looks: { rise: look('pasture', { glyph: 'up' }), fall: look('clay', { glyph: 'down' }) },
      }),
    ],
  });

/** A glyph on every highest and lowest point, nothing elsewhere (N11). */
export const tankLevels = (table: TableFacts): Figure =>
  figureOf(table, {
    id: 'tank-levels',
    name: 'Tank levels',
    title: 'Highest and lowest morning levels of each month',
    subtitle: 'Level of the union tank at five in the morning, season 2031',
    data: {
      category: 'day',
      measures: [plainMeasure('morning level', 'sum(morning_level)')],
      helpers: [helper('month', 'extract(month from day)', { kind: 'own' }, null, null)],
      order: inTime,
    },
    shape: { mark: 'line' },
    cues: [
      cueOf('extremes', ['morning level'], 'day', {
        scope: { kind: 'within', columns: ['month'] },
        looks: { highest: look('brass', { glyph: 'diamond', label: 'value' }), lowest: look('slate', { glyph: 'down', label: 'value' }) },
      }),
    ],
  });

/** An expected range behind the measure, what lies outside it marked (N19). */
export const expectedCollection = (table: TableFacts): Figure =>
  figureOf(table, {
    id: 'expected-collection',
    name: 'Expected range',
    title: 'Days outside the expected collection',
    subtitle: 'Litres collected per day against the range that was expected, and their moving average',
    data: {
      category: 'day',
      measures: [
        plainMeasure('litres collected', 'sum(litres_collected)'),
        plainMeasure('expected low', 'sum(expected_low)'),
        plainMeasure('expected high', 'sum(expected_high)'),
      ],
      order: inTime,
    },
    shape: { mark: 'line' },
    cues: [
      cueOf('band', ['litres collected', 'expected low', 'expected high'], 'day', { quiet: true, colour: 'lake' }),
      cueOf('running', ['litres collected'], 'day', { n: 7, line: 'ink', dash: 'dotted', quiet: false }),
    ],
  });

/** Spans from the coolest to the warmest night, ends labelled, average ends as lines (N04). */
export const nights = (table: TableFacts): Figure =>
  figureOf(table, {
    id: 'nights',
    name: 'Nights',
    title: 'From the coolest to the warmest night',
    subtitle: 'Degrees Celsius at the huts, season 2031; the dashed lines are the average low and high',
    data: {
      measures: [plainMeasure('coolest night', 'min(coolest_night)'), plainMeasure('warmest night', 'max(warmest_night)')],
      order: { by: 'measure', measure: 'warmest night', descending: true },
    },
    scales: { unit: '°C', decimals: 1 },
    cues: [cueOf('span', ['coolest night', 'warmest night'], 'hut', { colour: 'slate', deep: 'clay', connectors: true })],
  });

/** Two measures of very different size, each at its own axis; columns coloured by a comparison (N03). */
export const milkAndFat = (table: TableFacts): Figure =>
  figureOf(table, {
    id: 'milk-and-fat',
    name: 'Milk and fat',
    title: 'Weeks above plan, and the fat in the milk',
    subtitle: 'Milk with zero on the left; fat content, zero left out, on the right',
    data: {
      category: 'week',
      measures: [
        { ...plainMeasure('milk', 'sum(milk)'), format: 'thousand litres' },
        { ...plainMeasure('planned milk', 'sum(planned_milk)'), shape: 'none', format: 'thousand litres' },
        { ...plainMeasure('fat content', 'sum(butterfat) / sum(milk)'), shape: 'step', axis: 'second', format: 'fat content' },
      ],
      order: inTime,
    },
    scales: { axes: axesWith({}, { zero: 'out', low: 0.035 }) },
    cues: [cueOf('compare', ['milk', 'planned milk'], 'week', { looks: { more: look('pasture'), less: look('clay') } })],
  });

/** Measures that do not compare, as an index (N23). */
export const valleyIndex = (table: TableFacts): Figure =>
  figureOf(table, {
    id: 'valley-index',
    name: 'Index of the valleys',
    title: 'How far each valley rises above its first week',
    subtitle: 'First week of the season = 100; the highest week of each valley is labelled',
    data: { category: 'week', series: 'valley', measures: [plainMeasure('milk', 'sum(milk)')], order: inTime },
    shape: { mark: 'line' },
    cues: [
      cueOf('rescale', ['milk'], 'week', {}),
      cueOf('extremes', ['milk'], 'week', {
        which: 'highest',
        scope: { kind: 'within', columns: ['valley'] },
        quiet: false,
        looks: { highest: look('', { label: 'value', glyph: 'dot' }), lowest: look('') },
      }),
    ],
  });
