import type { Helper, HelperScope } from 'core/frame';
import { choiceToken, type Option, type Sentence } from 'core/sentence';
import { formatToken, type TableWords } from './brief';
import type { Figure, NumberFormat } from './schema';
import { LAYER_OPTIONS } from './shape-options';

/** "change: milk - lag(milk), along week, drawn as a line": a helper column by hand. */
export function helperSentence(
  helper: Helper,
  i: number,
  figure: Figure,
  table: TableWords | undefined,
  formats: readonly NumberFormat[],
): Sentence {
  return [
    'Compute ',
    {
      key: `helper:${i}`,
      about: 'Helper column',
      text: helper.name,
      input: { kind: 'formula', value: helper.formula, name: helper.name, place: 'helper' },
    },
    ' ',
    choiceToken(`helper-scope:${i}`, 'Where to look', scopeValue(helper.scope), helperScopeOptions(figure, table, helper.scope)),
    ', ',
    choiceToken(`helper-shape:${i}`, `Draw ${helper.name}`, helper.shape ?? '', [
      { value: '', label: 'in the ledger only' },
      ...LAYER_OPTIONS.slice(1),
    ]),
    ...(formats.length ? [', ', formatToken(`helper-format:${i}`, helper.name, helper.format, formats)] : []),
    '.',
  ];
}

/** Scopes that a helper column of this figure can have: whole, within what is one per row, along the category. */
export function helperScopeOptions({ data }: Figure, table: TableWords | undefined, now: HelperScope): Option[] {
  const splits = [data.series, data.panel].filter((name): name is string => name !== null);
  const texts = (table?.columns ?? []).filter(column => column.type === 'text' && column.name !== data.category).map(column => column.name);
  const within = [...new Set([...splits, ...texts, ...(now.kind === 'within' ? [now.column] : [])])];
  return [
    { value: 'own', label: 'just as written' },
    { value: 'figure', label: 'over the whole figure' },
    ...within.map(column => ({ value: `within:${column}`, label: `within each ${column}` })),
    { value: `along:${data.category}`, label: `along ${data.category}` },
    ...splits.map(column => ({ value: `along:${data.category}:${column}`, label: `along ${data.category} within each ${column}` })),
  ];
}

export function scopeValue(scope: HelperScope): string {
  switch (scope.kind) {
    case 'own':
    case 'figure':
      return scope.kind;
    case 'within':
      return `within:${scope.column}`;
    case 'along':
      return scope.within === null ? `along:${scope.column}` : `along:${scope.column}:${scope.within}`;
  }
}

export function readHelperScope(value: string): HelperScope {
  const [kind, column = '', within] = value.split(':');
  if (kind === 'within') return { kind, column };
  if (kind === 'along') return { kind, column, within: within ?? null };
  return { kind: kind === 'figure' ? 'figure' : 'own' };
}
