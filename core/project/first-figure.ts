import { cueKinds } from 'core/cue';
import type { ColumnType } from 'core/table';
import type { TableWords } from './brief';
import { defaultTitle, ROWS, simpleMeasure } from './measure-names';
import { plainScales } from './plain-scales';
import type { Figure } from './schema';

/** A first sensible figure of a table: its first real measure by its first naming column, extremes marked. */
export function firstFigure(id: string, table: TableWords): Figure {
  const category = categoryOf(table);
  const measure = simpleMeasure('sum', measureColumnOf(table, category), [category]);
  const inTime = isMoment(table.columns.find(column => column.name === category)?.type);
  const title = defaultTitle(measure.name, category);
  return {
    id,
    name: title,
    data: {
      table: table.id,
      category,
      step: null,
      series: null,
      panel: null,
      measures: [measure],
      helpers: [],
      filters: [],
      order: inTime ? { by: 'category', descending: false } : { by: 'measure', measure: measure.name, descending: true },
      whatIfs: [],
    },
    shape: { mark: 'column', proportion: '16:9', arrange: 'side', panels: 'one' },
    cues: [
      cueKinds.extremes.create('cue-1', { category, measures: [measure.name], scopes: [], along: { column: category, descending: false } }),
    ],
    scales: plainScales,
    words: { title, subtitle: '' },
    view: 'cued',
  };
}

const isMoment = (type: ColumnType | undefined): boolean => type === 'date' || type === 'timestamp';

function categoryOf({ columns }: TableWords): string {
  const first = (...types: ColumnType[]) => columns.find(column => types.includes(column.type))?.name;
  return first('text') ?? first('date', 'timestamp') ?? first('boolean') ?? columns[0]?.name ?? '';
}

// Years, numbers and identifiers are numbers that nobody wants added up.
const IDENTIFIER = /(^|[\s_-])(id|key|no|nr|year|week|month|day|code|zip)([\s_-]|$)/i;

function measureColumnOf({ columns }: TableWords, category: string): string {
  const numbers = columns.filter(column => column.type === 'number' && column.name !== category);
  return (numbers.find(column => !IDENTIFIER.test(column.name)) ?? numbers[0])?.name ?? ROWS;
}
