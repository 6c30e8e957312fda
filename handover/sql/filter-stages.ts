import { literalText, nameText, type Scope } from 'core/formula';
import type { Filter } from 'core/frame';
import { filterWords } from 'core/words';
import { parseIsoDate, parseIsoTimestamp, type Cell, type ColumnType } from 'core/table';
import type { Stages } from './stages';

type RowFilter = Exclude<Filter, { kind: 'top' }>;
type TopFilter = Extract<Filter, { kind: 'top' }>;

/** The stages that keep the rows which a figure shows: all filters of single rows at once, then each that keeps the largest or smallest. */
export function filterStages(stages: Stages, from: string, scope: Scope, filters: readonly Filter[]): string {
  const rows = filters.filter((filter): filter is RowFilter => filter.kind !== 'top').flatMap(filter => conditionOf(stages, filter, scope));
  const words = filters.filter(({ kind }) => kind !== 'top').map(filter => filterWords(filter));
  let at = from;
  if (rows.length)
    at = stages.add('kept', `Kept: ${words.join('; ')}`, () => `select * from ${nameText(from)}\nwhere ${rows.join('\n  and ')}`);
  for (const filter of filters) if (filter.kind === 'top') at = topStages(stages, at, scope, filter);
  return at;
}

/** What a row must hold to be kept, as SQL; nothing for a filter of a column that is not there. */
export function conditionOf(stages: Stages, filter: RowFilter, scope: Scope): string[] {
  if (filter.kind === 'formula') return [`(${stages.sql(filter.formula, scope, 'filter').text})`];
  const type = scope.get(filter.column);
  if (type === undefined) return [];
  const name = nameText(filter.column);
  switch (filter.kind) {
    case 'missing':
      return [`${name} is ${filter.keep === 'missing' ? '' : 'not '}null`];
    case 'range':
      return rangeOf(name, type, filter.low, filter.high);
    case 'values':
      return [valuesOf(name, type, filter.keep)];
  }
}

function rangeOf(name: string, type: ColumnType, low: Cell, high: Cell): string[] {
  if (type === 'text' || type === 'boolean') return [];
  return [
    ...(low === null ? [] : [`${name} >= ${literalText(type, low)}`]),
    ...(high === null ? [] : [`${name} <= ${literalText(type, high)}`]),
  ];
}

function valuesOf(name: string, type: ColumnType, keep: readonly (string | null)[]): string {
  const literals = keep.flatMap(text => (text === null ? [] : literalOf(type, text)));
  const among = literals.length ? [`${name} in (${literals.join(', ')})`] : [];
  const parts = [...among, ...(keep.includes(null) ? [`${name} is null`] : [])];
  return parts.length ? `(${parts.join(' or ')})` : '1 = 0';
}

/** The literal of a value that is told by its text; none where no value of the type reads so. */
export function literalOf(type: ColumnType, text: string): string[] {
  if (type === 'number') return text.trim() !== '' && Number.isFinite(Number(text)) ? [literalText(type, Number(text))] : [];
  if (type === 'boolean') return text === 'true' || text === 'false' ? [text] : [];
  const reads = type === 'text' || !Number.isNaN(type === 'date' ? parseIsoDate(text) : parseIsoTimestamp(text));
  return reads ? [literalText(type, text)] : [];
}

/** The values with the largest or smallest of a measure among the rows left so far, ties with the last one kept. */
function topStages(stages: Stages, from: string, scope: Scope, filter: TopFilter): string {
  const { column, n, measure, end } = filter;
  if (!scope.has(column)) return from;
  const { text, typed } = stages.sql(measure, scope, 'measure');
  if (typed.type === 'text' || typed.type === 'boolean') return from;
  const name = nameText(column);
  const sized = stages.add('sized', '', () => `select ${name} as value, ${text} as size\nfrom ${nameText(from)}\ngroup by ${name}`);
  const ranked = stages.add(
    'ranked',
    '',
    () =>
      `select value, rank() over (order by size${end === 'largest' ? ' desc' : ''}) as place\nfrom ${nameText(sized)}\nwhere size is not null`,
  );
  const most = Math.max(1, Math.floor(n));
  const there = `select 1 from ${nameText(ranked)} as best where best.place <= ${most} and best.value is not distinct from own.${name}`;
  return stages.add('largest', `Kept: ${filterWords(filter)}`, () => `select own.* from ${nameText(from)} as own\nwhere exists (${there})`);
}
