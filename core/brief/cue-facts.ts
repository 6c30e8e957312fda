import { levelsOf, totalsIn } from 'core/crosstab';
import type { CueFacts } from 'core/cue';
import { isTable, type Figure } from 'core/document';
import { isAdditive, type Frame } from 'core/frame';
import { columnOf, rowsWithValue, type ColumnType } from 'core/table';
import { candidatesOf, rangeOf } from './data/candidates';
import type { Subject } from './setting';

/** The context of a figure's cues: the figure, its frame when it has one, and the project's names. */
export interface CueSubject {
  readonly figure: Figure | null;
  readonly frame: Frame | undefined;
  readonly subject: Subject | null;
  readonly pictures: readonly string[];
  readonly looks: readonly string[];
}

/** What the sentences of a figure's cues need to know. */
export function cueFactsIn({ figure, frame, subject, pictures, looks }: CueSubject): CueFacts {
  const data = figure?.data;
  const rows = figure && isTable(figure) && data ? levelsOf(data).map(({ column }) => column) : [];
  const scopes = [frame?.series, frame?.panel, ...rows, ...(frame?.carried ?? []), ...(frame?.helpers ?? [])].filter(
    name => typeof name === 'string',
  );
  const names = [...(data?.measures ?? []), ...(data?.helpers ?? [])].map(column => column.name);
  const typeOf = (name: string) =>
    (frame && columnOf(frame.table, name)?.type) ?? subject?.table?.columns.find(column => column.name === name)?.type;
  const candidates = subject ? candidatesOf(subject) : [];
  return {
    candidates,
    rangeOf: name => (subject ? rangeOf(subject, candidates, name) : undefined),
    category: data?.category ?? '',
    series: data?.series ?? null,
    panel: data?.panel ?? null,
    typeOf,
    measures: names,
    ratios: (data?.measures ?? []).filter(({ formula }) => !isAdditive(formula)).map(({ name }) => name),
    scopes: [...new Set(scopes)],
    rows,
    totals: figure && isTable(figure) ? totalsIn(figure) : [],
    along: alongOf(data, typeOf(data?.category ?? '')),
    counts: name => {
      const column = frame && columnOf(frame.table, name);
      return column && { there: rowsWithValue(column).length, all: column.data.length };
    },
    pictures,
    looks,
  };
}

/** The default order of cues: ascending in time, else the order of the figure. */
function alongOf(data: Figure['data'] | undefined, type: ColumnType | undefined): CueFacts['along'] {
  const category = data?.category ?? '';
  const order = data?.order;
  if (type === 'date' || type === 'timestamp' || !order) return { column: category, descending: false };
  if (order.by === 'measure') return { column: order.measure, descending: order.descending };
  return { column: category, descending: order.by === 'category' && order.descending };
}
