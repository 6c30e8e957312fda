import { helperScopeSchema, type Helper, type HelperScope } from 'core/frame';
import { choiceToken, type Option, type Sentence } from 'core/sentence';
import { formatToken, isLine, penToken, type TableWords } from './brief';
import type { Figure, NumberFormat } from './schema';
import { AXIS_OPTIONS } from './scales-sentence';
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
      ...LAYER_OPTIONS.slice(1).filter(option => option.value !== 'none'),
    ]),
    ...(helper.shape === null ? [] : [' ', choiceToken(`helper-axis:${i}`, `Axis of ${helper.name}`, helper.axis, AXIS_OPTIONS)]),
    ...(isLine(helper.shape) ? [', ', penToken(`helper-pen:${i}`, helper)] : []),
    ...(formats.length ? [', ', formatToken(`helper-format:${i}`, helper.name, helper.format, formats)] : []),
    '.',
  ];
}

/** Scopes that a helper column of this figure can have: whole, within what is one per row, along the category or any other column. */
export function helperScopeOptions({ data }: Figure, table: TableWords | undefined, now: HelperScope): Option[] {
  const splits = [data.series, data.panel].filter((name): name is string => name !== null);
  const texts = (table?.columns ?? []).filter(column => column.type === 'text' && column.name !== data.category).map(column => column.name);
  const within = [...new Set([...splits, ...texts, ...(now.kind === 'within' ? [now.column] : [])])];
  const numbers = [...data.measures, ...data.helpers].map(column => column.name);
  const orders = [...new Set([data.category, ...splits, ...texts, ...numbers, ...(now.kind === 'along' ? [now.column] : [])])];
  return [
    { value: scopeValue({ kind: 'own' }), label: 'just as written' },
    { value: scopeValue({ kind: 'figure' }), label: 'over the whole figure' },
    ...within.map(column => ({ value: scopeValue({ kind: 'within', column }), label: `within each ${column}` })),
    ...orders.flatMap(column => [
      along(column, null),
      ...[...new Set([...splits, ...texts])].filter(name => name !== column).map(name => along(column, name)),
    ]),
  ];
}

const along = (column: string, within: string | null): Option => ({
  value: scopeValue({ kind: 'along', column, within }),
  label: `along ${column}${within === null ? '' : ` within each ${within}`}`,
});

/** A scope as an option's value: column names may hold any character. */
export const scopeValue = (scope: HelperScope): string => JSON.stringify(scope);

/** The scope behind an option's value. Throws on a value that no option has. */
export const readHelperScope = (value: string): HelperScope => helperScopeSchema.parse(JSON.parse(value));
