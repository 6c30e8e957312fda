import { addWindows, nameText } from 'core/formula';
import type { Frame, HelperScope } from 'core/frame';
import { choiceToken, listed, type Option, type Token } from 'core/sentence';
import { cellAt, columnOf, isMissing, textAt, type Column } from 'core/table';
import * as z from 'zod/mini';
import type { CueFacts, Surroundings } from './surroundings';

const columns = z.array(z.string());

/**
 * Where a cue looks, as it is saved. `panels`: within each panel, as the figure has them; `within`: within each value of columns; `along`: up to
 * each row of an order, within `split`: each series and panel, as the figure has them. `totals`: at the totals of a crosstab's rows, or of its columns, and at nothing else.
 */
export const scopeSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('figure') }),
  z.object({ kind: z.literal('panels') }),
  z.object({ kind: z.literal('within'), columns: columns.check(z.minLength(1)) }),
  z.object({ kind: z.literal('along'), column: z.string(), descending: z.boolean(), within: z.union([z.literal('split'), columns]) }),
  z.object({ kind: z.literal('totals'), of: z.enum(['rows', 'columns']) }),
]);

/** The rows that a cue looks at, as the analyst chose it. */
export type CueScope = z.infer<typeof scopeSchema>;

/** A scope with its columns named, from which formulas and sentences are written. */
export type Scope =
  | { readonly kind: 'figure' }
  | { readonly kind: 'totals'; readonly of: 'rows' | 'columns' }
  | { readonly kind: 'within'; readonly columns: readonly string[] }
  | { readonly kind: 'along'; readonly column: string; readonly descending: boolean; readonly within: readonly string[] };

/** Whether a cue may follow an order, must, or never does; `forward`: must, and only ascending. */
export type Orders = 'may' | 'must' | 'forward' | 'never';

const splitOf = ({ series, panel }: Pick<Surroundings, 'series' | 'panel'>): string[] => [
  ...new Set([series, panel].filter((name): name is string => name !== null)),
];

/** A scope resolved to columns of a figure. It loses its order where the cue cannot follow one. */
export function scopeIn(scope: CueScope, around: Pick<Surroundings, 'series' | 'panel'>, orders: Orders = 'may'): Scope {
  switch (scope.kind) {
    case 'figure':
    case 'totals':
      return scope;
    case 'panels':
      return withinOf(around.panel === null ? [] : [around.panel]);
    case 'within':
      return scope;
    case 'along': {
      const within = scope.within === 'split' ? splitOf(around).filter(name => name !== scope.column) : scope.within;
      return orders === 'never' ? withinOf(within) : { ...scope, within, descending: scope.descending && orders !== 'forward' };
    }
  }
}

/** The scope within each of some columns; the whole figure where there are none. */
const withinOf = (names: readonly string[]): Scope => (names.length ? { kind: 'within', columns: names } : { kind: 'figure' });

/** The columns whose values divide a scope into parts. */
export const partsOfScope = (scope: Scope): readonly string[] =>
  scope.kind === 'within' ? scope.columns : scope.kind === 'along' ? scope.within : [];

/** "partition by valley " for a scope within a column, else empty; `more`: further partition keys. */
export function partitionOf(scope: Scope, ...more: readonly string[]): string {
  const keys = [...partsOfScope(scope).map(nameText), ...more];
  return keys.length ? `partition by ${keys.join(', ')} ` : '';
}

/** "order by week" for a scope along an order, else empty. */
export const orderOf = (scope: Scope): string =>
  scope.kind === 'along' ? `order by ${nameText(scope.column)}${scope.descending ? ' desc' : ''}` : '';

/** The window clause of a scope; along an order it covers all rows up to the current one. `bounds` narrows it. */
export const windowOf = (scope: Scope, bounds = ''): string => `over (${`${partitionOf(scope)}${orderOf(scope)} ${bounds}`.trim()})`;

/** The window over all rows of a scope, regardless of order. */
export const wholeWindowOf = (scope: Scope): string => `over (${partitionOf(scope).trim()})`;

/** A formula in which every aggregate without a window gets the window of the scope. */
export const lookingIn = (scope: Scope, formula: string): string => addWindows(formula, `${partitionOf(scope)}${orderOf(scope)}`.trim());

/** The scope in the form of a helper column's, whose orders are always ascending. */
export function helperScopeOf(scope: Scope): HelperScope {
  if (scope.kind === 'figure' || scope.kind === 'totals') return { kind: 'figure' };
  if (scope.kind === 'within') return { kind: 'within', columns: [...scope.columns] };
  return { kind: 'along', column: scope.column, within: [...scope.within] };
}

/** A helper column's scope in the form of a cue's; if unchanged, the cue's own scope is given back. */
export function cueScopeOf(scope: HelperScope, before: CueScope, around: Pick<Surroundings, 'series' | 'panel'>): CueScope {
  if (scope.kind === 'own' || JSON.stringify(scope) === JSON.stringify(helperScopeOf(scopeIn(before, around)))) return before;
  return scope.kind === 'along' ? { ...scope, descending: false } : scope;
}

/** The columns that a scope needs. */
export const scopeColumns = (scope: Scope): string[] => [...(scope.kind === 'along' ? [scope.column] : []), ...partsOfScope(scope)];

/** The scope after a column was renamed. */
export function renamedScope(scope: CueScope, from: string, to: string): CueScope {
  const follow = (name: string): string => (name === from ? to : name);
  if (scope.kind === 'within') return { ...scope, columns: scope.columns.map(follow) };
  if (scope.kind !== 'along') return scope;
  return { ...scope, column: follow(scope.column), within: scope.within === 'split' ? 'split' : scope.within.map(follow) };
}

/** "in the whole figure", "within each valley", "along week within each hut and valley". */
export function scopeWords(scope: Scope): string {
  if (scope.kind === 'figure') return 'in the whole figure';
  if (scope.kind === 'totals') return `among the totals of ${scope.of}`;
  if (scope.kind === 'within') return `within each ${listed(scope.columns)}`;
  const within = scope.within.length ? ` within each ${listed(scope.within)}` : '';
  return `along ${scope.column}${scope.descending ? ' falling' : ''}${within}`;
}

/** The token for a scope; orders are offered as far as the cue can follow them. */
export function scopeToken(scope: CueScope, words: CueFacts, orders: Orders): Token {
  const offered = offeredScopes(scope, words, orders);
  const value = scopeValue(orders === 'never' && scope.kind === 'along' ? unordered(scope, words) : scope);
  const all = offered.some(item => scopeValue(item) === value) ? offered : [...offered, readScope(value)];
  const options = all.map((item): Option => ({ value: scopeValue(item), label: scopeWords(scopeIn(item, words, orders)) }));
  return choiceToken('scope', 'Where to look', value, options);
}

function offeredScopes(now: CueScope, words: CueFacts, orders: Orders): CueScope[] {
  const split = splitOf(words);
  const both: CueScope[] = [split, words.rows ?? []].flatMap(columns =>
    columns.length > 1 ? [{ kind: 'within', columns: [...columns] }] : [],
  );
  const within = words.scopes.filter(name => name !== words.panel).map((column): CueScope => ({ kind: 'within', columns: [column] }));
  // Without panels the two mean the same.
  const whole: CueScope[] =
    words.panel !== null ? [{ kind: 'panels' }, { kind: 'figure' }] : [now.kind === 'figure' ? now : { kind: 'panels' }];
  const totals = (words.totals ?? []).map((of): CueScope => ({ kind: 'totals', of }));
  const still: CueScope[] = [...whole, ...within, ...both, ...totals];
  if (orders === 'never') return still;
  const ways = orders === 'forward' ? [false] : [false, true];
  const single = words.scopes.filter(name => split.length > 1 || name !== split[0]).map(name => [name]);
  const inside: ('split' | string[])[] = ['split', ...(split.length ? [[]] : []), ...single];
  const along = [...new Set([words.category, ...words.measures])].flatMap(column =>
    ways.flatMap(descending => inside.map((names): CueScope => ({ kind: 'along', column, descending, within: names }))),
  );
  return orders === 'may' ? [...still, ...along] : along;
}

/** The scope without its order: all rows of the same parts. */
export function unordered(scope: CueScope, around: Pick<Surroundings, 'series' | 'panel'>): CueScope {
  const still = scopeIn(scope, around, 'never');
  return still.kind === 'within' ? { kind: 'within', columns: [...still.columns] } : { kind: 'panels' };
}

/** A scope as the value of an option; names may contain any character. */
export const scopeValue = (scope: CueScope): string => JSON.stringify(scopeSchema.parse(scope));
/** The scope of an option's value. Throws a RangeError for an unknown value. */
export const readScope = (value: string): CueScope => scopeSchema.parse(JSON.parse(value));

/** Rows of the frame that a row is compared with: its part, along an order up to the row itself. */
export function rowsInScope(scope: Scope, frame: Frame, row: number): number[] {
  const parts = partsOfScope(scope).flatMap(name => columnOf(frame.table, name) ?? []);
  const order = scope.kind === 'along' ? columnOf(frame.table, scope.column) : undefined;
  const rows: number[] = [];
  for (let other = 0; other < frame.table.rowCount; other++) {
    if (!parts.every(column => sameCell(column, other, row))) continue;
    if (!order || comesUpTo(order, other, row, (scope as { descending: boolean }).descending)) rows.push(other);
  }
  return rows;
}

const sameCell = (column: Column, a: number, b: number): boolean =>
  column.data[a] === column.data[b] || (isMissing(column, a) && isMissing(column, b));

function comesUpTo(order: Column, other: number, row: number, descending: boolean): boolean {
  const [a, b] = [cellAt(order, other), cellAt(order, row)];
  if (a === null || b === null) return b === null;
  return descending ? a >= b : a <= b;
}

/** " in Tolm" for a scope within a column, " so far" along an order, empty for the whole figure. */
export function placeWords(scope: Scope, frame: Frame, row: number): string {
  const names = partsOfScope(scope).flatMap(name => {
    const column = columnOf(frame.table, name);
    return column ? [textAt(column, row) || `rows without ${name}`] : [];
  });
  return `${names.length ? ` in ${names.join(', ')}` : ''}${scope.kind === 'along' ? ' so far' : ''}`;
}

/** " in each valley" for a scope within a column, " so far" along an order, empty for the whole figure. */
export function legendScope(scope: Scope): string {
  if (scope.kind === 'figure') return '';
  if (scope.kind === 'totals') return ` of the totals of ${scope.of}`;
  return scope.kind === 'within' ? ` in each ${listed(scope.columns)}` : ' so far';
}
