import { firstFigure, type Figure, type Project, type TableWords } from 'core/project';
import type { Table } from 'core/table';

const UNITS: Readonly<Record<string, Readonly<Record<string, string>>>> = {
  deliveries: { milk: 'L', planned_milk: 'L', butterfat: 'kg' },
  huts: { altitude: 'm', coolest_night: '°C', warmest_night: '°C' },
  tanks: { morning_level: 'L', evening_level: 'L', litres_collected: 'L', expected_low: 'L', expected_high: 'L' },
  cellcounts: { cells: 'cells/mL' },
  grades: { first: '%', second: '%', rejected: '%' },
};

/** The sample project over the demo tables: two finished figures. */
export function demoProject(tables: readonly Table[]): Project {
  return {
    version: 1,
    id: 'highmeadow',
    name: 'Highmeadow season',
    tables: tables.map(({ name }) => ({ id: name, name, units: { ...UNITS[name] }, edits: [] })),
    figures: [milkByHut(wordsOf(tables, 'deliveries')), wheelsByHut(wordsOf(tables, 'huts'))],
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
  const measure = { name: 'wheels', formula: 'sum(wheels)' };
  return {
    ...figure,
    name: 'Wheels by hut',
    data: { ...figure.data, measures: [measure], order: { by: 'measure', measure: 'wheels', descending: true } },
    shape: { mark: 'bar', proportion: '4:3' },
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
