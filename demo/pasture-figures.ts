import type { TableFacts } from 'core/brief';
import { plainTable, plainScales, type Figure, type TableDoc } from 'core/document';
import { madeOf } from 'core/making';
import { plainMeasure, type Pen } from 'core/frame';
import type { Table } from 'core/table';
import { cueOf, look } from './cues';
import { axesWith, figureOf, inTime } from './sketch';

// What a pasture should have of grass for each part of clover; made up, as all of the sample is.
const AIM = 2.2;

/** The two pasture lists on one year, whatever years either has (N08). */
export const pastures: TableDoc = {
  ...plainTable('pastures', 'pastures'),
  made: {
    kind: 'align',
    lists: ['pasture_a', 'pasture_b'].map(table => ({ table, keys: ['year'] })),
    how: 'any',
    nearest: null,
    same: 'refuse',
  },
};

/** What is known of the aligned lists. Throws where they cannot be aligned. */
export function pastureFacts(tables: readonly Table[]): TableFacts {
  const tableOf = (id: string): Table | undefined => tables.find(({ name }) => name === id);
  const made = pastures.made && madeOf(pastures.made, id => ({ name: id, table: tableOf(id) as Table }));
  if (!made?.ok) throw new Error('the pasture lists cannot be aligned');
  const { rowCount, columns } = made.value.table;
  return { id: pastures.id, name: pastures.name, rowCount, units: {}, columns };
}

const pen = (dash: Pen['dash'], marker: Pen['marker']): Pen => ({ width: null, dash, marker });

/** Lists whose years do not coincide, on one axis: gaps stay gaps, each with its own value axis, beside a constant (N08). */
export const clover = (table: TableFacts): Figure =>
  figureOf(table, {
    id: 'clover',
    name: 'Clover and grass',
    title: 'The two pasture lists meet in five of twenty-one years',
    subtitle: 'Clover cover index of the first pasture, grass to clover of the second, and the grass to clover that is aimed at',
    data: {
      category: 'year',
      measures: [
        { ...plainMeasure('clover cover', 'sum(clover_cover)'), shape: 'line', pen: pen('solid', 'dot'), format: 'count' },
        { ...plainMeasure('grass to clover', 'sum(grass_to_clover)'), shape: 'line', axis: 'second', pen: pen('solid', 'diamond') },
        { ...plainMeasure('aim', `max(${AIM})`), shape: 'line', axis: 'second', pen: pen('dashed', '') },
      ],
      order: inTime,
    },
    shape: { mark: 'line' },
    scales: {
      axes: axesWith(
        { zero: 'kept', low: -10_000, step: { as: 'by', amount: 50_000 }, power: 5, title: 'clover cover index, ×10⁵' },
        { zero: 'kept', low: -0.1, step: { as: 'by', amount: 0.5 }, title: 'grass to clover' },
      ),
      along: { ...plainScales.along, spacing: 'scaled' },
    },
    cues: [
      cueOf('extremes', ['clover cover'], 'year', {
        which: 'highest',
        quiet: false,
        looks: { highest: look('brass', { label: 'value' }), lowest: look('') },
      }),
    ],
  });
