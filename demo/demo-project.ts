import type { TableFacts } from 'core/brief';
import { plainFormat, plainTable, PROJECT_VERSION, type NumberFormat, type PageBlock, type Project } from 'core/document';
import { LADDERS } from 'core/format';
import type { Table } from 'core/table';
import * as cued from './cue-figures';
import * as labels from './label-figures';
import { clover, pastureFacts, pastures } from './pasture-figures';
import * as crosstabs from './table-figures';
import * as scales from './scale-figures';
import * as windows from './window-figures';

const UNITS: Readonly<Record<string, Readonly<Record<string, string>>>> = {
  deliveries: { milk: 'L', planned_milk: 'L', butterfat: 'kg' },
  huts: { altitude: 'm', coolest_night: '°C', warmest_night: '°C' },
  tanks: { morning_level: 'L', evening_level: 'L', litres_collected: 'L', expected_low: 'L', expected_high: 'L' },
  cellcounts: { cells: 'cells/mL' },
  grades: { first: '%', second: '%', rejected: '%' },
};

/** Tables that can be fetched anew from the server’s simulated feeds. */
const FEEDS: Readonly<Record<string, { readonly address: string; readonly minutes: null }>> = {
  deliveries: { address: '/feeds/deliveries.csv', minutes: null },
};

const FORMATS: NumberFormat[] = [
  plainFormat('volume', { suffix: ' L', decimals: 0 }),
  plainFormat('thousand litres', { suffix: ' kL', scale: 1000, decimals: 1 }),
  plainFormat('percent', { percent: true, decimals: 1 }),
  plainFormat('count', { decimals: 0 }),
  plainFormat('thousands and millions', { ladder: [...LADDERS.counts] }),
  plainFormat('gain or loss', { sign: 'always', decimals: 0 }),
  plainFormat('fat content', { percent: true, decimals: 2 }),
];

/** The sample project over the demo tables: finished figures, one or more for each need that can be met by now. */
export function demoProject(tables: readonly Table[]): Project {
  const [deliveries, huts, tanks, cellcounts, grades] = ['deliveries', 'huts', 'tanks', 'cellcounts', 'grades'].map(name =>
    wordsOf(tables, name),
  ) as [TableFacts, TableFacts, TableFacts, TableFacts, TableFacts];
  return withReport({
    version: PROJECT_VERSION,
    id: 'highmeadow',
    name: 'Highmeadow season',
    tables: [...tables.map(({ name }) => ({ ...plainTable(name, name), units: { ...UNITS[name] }, feed: FEEDS[name] ?? null })), pastures],
    figures: [
      windows.milkByHut(deliveries),
      cued.averageMilk(deliveries),
      cued.planOfWheels(huts),
      cued.wheelsAndBalance(huts),
      windows.wheelsByHut(huts),
      cued.belowAndAbovePlan(deliveries),
      cued.weeklyDirection(deliveries),
      cued.tankLevels(tanks),
      cued.expectedCollection(tanks),
      cued.nights(huts),
      cued.milkAndFat(deliveries),
      cued.valleyIndex(deliveries),
      windows.runningMilk(deliveries),
      windows.changeOfMilk(deliveries),
      windows.fatByQuarter(deliveries),
      scales.worstCounts(cellcounts),
      scales.cellCounts(cellcounts),
      scales.wheelsBroken(huts),
      scales.firstGrade(grades),
      labels.altitudes(huts),
      labels.balances(huts),
      labels.grades(grades),
      crosstabs.milkTable(deliveries),
      crosstabs.fatTable(deliveries),
      crosstabs.hutPanels(deliveries),
      crosstabs.wheelsBeside(huts),
      clover(pastureFacts(tables)),
    ],
    formats: FORMATS,
    pictures: [],
    liveries: [],
    looks: [
      { name: 'slack', colour: 'clay' },
      { name: 'full', colour: 'pasture' },
    ],
  });
}

function wordsOf(tables: readonly Table[], name: string): TableFacts {
  const table = tables.find(item => item.name === name) as Table;
  return { id: name, name, rowCount: table.rowCount, units: UNITS[name] ?? {}, columns: table.columns };
}

/** The season's report: three figures and what is said of them, with values that follow the rows. */
function withReport(project: Project): Project {
  const figure = (name: string, wide: boolean): PageBlock => {
    const found = project.figures.find(item => item.name === name);
    if (!found) throw new Error(`no figure is called ${name}`);
    return { kind: 'figure', figure: found.id, wide };
  };
  const text = (...paragraphs: readonly string[]): PageBlock => ({ kind: 'text', text: paragraphs.join('\n\n'), of: null });
  const blocks: PageBlock[] = [
    text(
      '# Milk brought down',
      'The union’s huts brought {sum(milk) as thousand litres} down to the valleys this season, {avg(milk) as volume} a hut. The fullest hut brought {max(milk) as volume}, the emptiest {min(milk) as volume}.',
    ),
    figure('Above average', true),
    text('# Against the plan', 'Two valleys from May to September, month by month: what was brought, and what was beyond the plan.'),
    figure('Milk against plan', false),
    figure('Direction', false),
  ];
  return { ...project, pages: [{ id: 'report', name: 'Report of the 2031 season', columns: 2, blocks }] };
}
