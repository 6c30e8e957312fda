import { plainMeasure, type Helper, type HelperScope } from 'core/frame';
import { firstFigure, PROJECT_VERSION, type Figure, type NumberFormat, type Project, type TableWords } from 'core/project';
import type { Table } from 'core/table';

const UNITS: Readonly<Record<string, Readonly<Record<string, string>>>> = {
  deliveries: { milk: 'L', planned_milk: 'L', butterfat: 'kg' },
  huts: { altitude: 'm', coolest_night: '°C', warmest_night: '°C' },
  tanks: { morning_level: 'L', evening_level: 'L', litres_collected: 'L', expected_low: 'L', expected_high: 'L' },
  cellcounts: { cells: 'cells/mL' },
  grades: { first: '%', second: '%', rejected: '%' },
};

const format = (name: string, change: Partial<NumberFormat>): NumberFormat => ({
  name,
  decimals: null,
  grouping: true,
  percent: false,
  prefix: '',
  suffix: '',
  scale: 1,
  ...change,
});

const FORMATS: NumberFormat[] = [
  format('volume', { suffix: ' L', decimals: 0 }),
  format('thousand litres', { suffix: ' kL', scale: 1000, decimals: 1 }),
  format('percent', { percent: true, decimals: 1 }),
  format('fat content', { percent: true, decimals: 2 }),
];

/** The sample project over the demo tables: finished figures, one or more for each need that can be met by now. */
export function demoProject(tables: readonly Table[]): Project {
  return {
    version: PROJECT_VERSION,
    id: 'highmeadow',
    name: 'Highmeadow season',
    tables: tables.map(({ name }) => ({ id: name, name, units: { ...UNITS[name] }, edits: [], derived: [] })),
    figures: [
      milkByHut(wordsOf(tables, 'deliveries')),
      wheelsByHut(wordsOf(tables, 'huts')),
      runningMilk(wordsOf(tables, 'deliveries')),
      changeOfMilk(wordsOf(tables, 'deliveries')),
      fatByQuarter(wordsOf(tables, 'deliveries')),
    ],
    formats: FORMATS,
  };
}

function wordsOf(tables: readonly Table[], name: string): TableWords {
  const table = tables.find(item => item.name === name) as Table;
  return { id: name, name, rowCount: table.rowCount, units: UNITS[name] ?? {}, columns: table.columns };
}

function milkByHut(table: TableWords): Figure {
  const figure = firstFigure('milk-by-hut', table);
  return { ...figure, words: { ...figure.words, subtitle: 'Highmeadow Dairy Union, litres brought down in the 2031 season' } };
}

function wheelsByHut(table: TableWords): Figure {
  const figure = firstFigure('wheels-by-hut', table);
  const measure = plainMeasure('wheels', 'sum(wheels)');
  return {
    ...figure,
    name: 'Wheels by hut',
    data: { ...figure.data, measures: [measure], order: { by: 'measure', measure: 'wheels', descending: true } },
    shape: { ...figure.shape, mark: 'bar', proportion: '4:3' },
    cues: figure.cues.flatMap(cue => [
      { ...cue, measure: 'wheels', which: 'highest' as const },
      {
        ...cue,
        id: 'cue-2',
        measure: 'wheels',
        which: 'lowest' as const,
        scope: { kind: 'within' as const, column: 'valley' },
        lowest: 'clay',
      },
    ]),
    words: {
      title: 'Wheels by hut',
      subtitle: 'Mossgate ripens for the whole union; the fewest wheels of each valley are marked, season 2031',
    },
  };
}

/** Window calculations within each valley, in panels that share the weeks (N13). */
function runningMilk(table: TableWords): Figure {
  const figure = firstFigure('running-milk', table);
  return {
    ...figure,
    name: 'Milk so far by valley',
    data: {
      ...figure.data,
      category: 'week',
      series: 'valley',
      measures: [{ ...plainMeasure('milk', 'sum(milk)'), shape: 'line', format: 'thousand litres' }],
      helpers: [
        helper('so far', 'sum(milk)', { kind: 'along', column: 'week', within: 'valley' }, 'line', 'thousand litres'),
        helper('share of the week', 'milk / sum(milk)', { kind: 'within', column: 'week' }, null, 'percent'),
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
    words: { title: 'Milk by valley, week by week and so far', subtitle: 'Each valley against its own season, 2031' },
  };
}

/** Difference and percent change from the month before; the first month has none (N15). */
function changeOfMilk(table: TableWords): Figure {
  const figure = firstFigure('change-of-milk', table);
  const along = { kind: 'along', column: 'week', within: null } as const;
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
        helper('percent change', '(milk - lag(milk)) / lag(milk)', along, 'line', 'percent'),
      ],
      order: { by: 'category', descending: false },
    },
    shape: { ...figure.shape, panels: 'measures' },
    cues: figure.cues.map(cue => ({ ...cue, which: 'both' as const, measure: 'percent change', highest: 'pasture', lowest: 'clay' })),
    words: {
      title: 'Milk by month and its change from the month before',
      subtitle: 'The steepest rise and the steepest fall are marked, season 2031',
    },
  };
}

/** A ratio of sums, never an average of ratios (N20). */
function fatByQuarter(table: TableWords): Figure {
  const figure = firstFigure('fat-by-quarter', table);
  return {
    ...figure,
    name: 'Fat content by quarter',
    data: {
      ...figure.data,
      category: 'week',
      step: { kind: 'grain', grain: 'quarter' },
      measures: [
        { ...plainMeasure('milk', 'sum(milk)'), format: 'thousand litres' },
        { ...plainMeasure('fat content', 'sum(butterfat) / sum(milk)'), shape: 'line', format: 'fat content' },
      ],
      order: { by: 'category', descending: false },
    },
    shape: { ...figure.shape, panels: 'measures' },
    cues: figure.cues.map(cue => ({ ...cue, measure: 'fat content', which: 'highest' as const })),
    words: { title: 'Fat content by quarter', subtitle: 'Butterfat of all milk together, kilograms per litre as a percentage' },
  };
}

const helper = (name: string, formula: string, scope: HelperScope, shape: Helper['shape'], format: string | null): Helper => ({
  name,
  formula,
  scope,
  shape,
  format,
});
