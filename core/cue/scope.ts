import { addWindows, nameText } from 'core/formula';
import type { Frame, HelperScope } from 'core/frame';
import { choiceToken, type Option, type Token } from 'core/sentence';
import { cellAt, columnOf, textAt, type Column } from 'core/table';
import * as z from 'zod/mini';
import type { CueWords } from './kind';

/** Where a cue looks: the whole figure, within each value of a column (a series, a panel, any other), or along an order. */
export const scopeSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('figure') }),
  z.object({ kind: z.literal('within'), column: z.string() }),
  z.object({ kind: z.literal('along'), column: z.string(), descending: z.boolean(), within: z.nullable(z.string()) }),
]);

export type CueScope = z.infer<typeof scopeSchema>;

/** "partition by valley " for a scope within a column, else nothing; `more` are further partition keys. */
export function partitionOf(scope: CueScope, ...more: readonly string[]): string {
  const own = scope.kind === 'within' ? scope.column : scope.kind === 'along' ? scope.within : null;
  const keys = [...(own === null ? [] : [nameText(own)]), ...more];
  return keys.length ? `partition by ${keys.join(', ')} ` : '';
}

/** "order by week" for a scope along an order, else nothing. */
export const orderOf = (scope: CueScope): string =>
  scope.kind === 'along' ? `order by ${nameText(scope.column)}${scope.descending ? ' desc' : ''}` : '';

/** The scope as the window of a formula; along an order it looks at all rows up to there. `bounds` narrows it. */
export const windowOf = (scope: CueScope, bounds = ''): string => `over (${`${partitionOf(scope)}${orderOf(scope)} ${bounds}`.trim()})`;

/** A scope without its order: within the same column, or the whole figure. */
export const withoutOrder = (scope: CueScope): CueScope =>
  scope.kind !== 'along' ? scope : scope.within === null ? { kind: 'figure' } : { kind: 'within', column: scope.within };

/** A formula in which every aggregate that has no window of its own looks where the scope says. */
export const lookingIn = (scope: CueScope, formula: string): string => addWindows(formula, `${partitionOf(scope)}${orderOf(scope)}`.trim());

/** The scope as a helper column has it, whose orders always rise. */
export function helperScopeOf(scope: CueScope): HelperScope {
  return scope.kind === 'along' ? { kind: 'along', column: scope.column, within: scope.within } : scope;
}

/** A helper column's scope as a cue has it; one that was not changed stays as the cue has it. */
export function cueScopeOf(scope: HelperScope, before: CueScope): CueScope {
  if (scope.kind === 'own' || JSON.stringify(scope) === JSON.stringify(helperScopeOf(before))) return before;
  return scope.kind === 'along' ? { ...scope, descending: false } : scope;
}

/** The columns that a scope needs. */
export const scopeColumns = (scope: CueScope): string[] => {
  if (scope.kind === 'figure') return [];
  return scope.kind === 'within' ? [scope.column] : [scope.column, ...(scope.within === null ? [] : [scope.within])];
};

const alongWords = ({ column, descending, within }: Extract<CueScope, { kind: 'along' }>): string =>
  `along ${column}${descending ? ', falling,' : ''}${within === null ? '' : ` within each ${within}`}`;

function wordsOf(scope: CueScope): string {
  if (scope.kind === 'figure') return 'in the whole figure';
  return scope.kind === 'within' ? `within each ${scope.column}` : alongWords(scope);
}

/** Whether a cue may follow an order, must, or cannot. */
export type Orders = 'may' | 'must' | 'never';

/** Where to look; orders are offered as the cue can follow them. */
export function scopeToken(scope: CueScope, words: CueWords, orders: Orders): Token {
  const within = words.scopes.map((column): CueScope => ({ kind: 'within', column }));
  const along = [words.category, ...words.measures].flatMap(column =>
    [false, true].flatMap(descending =>
      [null, ...words.scopes].map((name): CueScope => ({ kind: 'along', column, descending, within: name })),
    ),
  );
  const unordered: CueScope[] = [{ kind: 'figure' }, ...within];
  const offered = orders === 'must' ? along : orders === 'never' ? unordered : [...unordered, ...along];
  const value = scopeValue(scope);
  const all = offered.some(item => scopeValue(item) === value) ? offered : [...offered, scope];
  const options = all.map((item): Option => ({ value: scopeValue(item), label: wordsOf(item) }));
  return choiceToken('scope', 'Where to look', value, options);
}

/** A scope as an option's value: names may hold any character. */
export const scopeValue = (scope: CueScope): string => JSON.stringify(scopeSchema.parse(scope));
export const readScope = (value: string): CueScope => scopeSchema.parse(JSON.parse(value));

/** Rows of the frame that a row is compared with: its partition, along an order up to the row itself. */
export function rowsInScope(scope: CueScope, frame: Frame, row: number): number[] {
  const all = Array.from({ length: frame.table.rowCount }, (_, i) => i);
  const name = scope.kind === 'within' ? scope.column : scope.kind === 'along' ? scope.within : null;
  const column = name === null ? undefined : columnOf(frame.table, name);
  const peers = column ? all.filter(other => column.data[other] === column.data[row]) : all;
  const order = scope.kind === 'along' ? columnOf(frame.table, scope.column) : undefined;
  return order ? peers.filter(other => comesUpTo(order, other, row, (scope as { descending: boolean }).descending)) : peers;
}

function comesUpTo(order: Column, other: number, row: number, descending: boolean): boolean {
  const [a, b] = [cellAt(order, other), cellAt(order, row)];
  if (a === null || b === null) return b === null;
  return descending ? a >= b : a <= b;
}

/** " in Tolm" for a scope within a column, " so far" along an order, nothing for the whole figure. */
export function scopeWords(scope: CueScope, frame: Frame, row: number): string {
  const name = scope.kind === 'within' ? scope.column : scope.kind === 'along' ? scope.within : null;
  const column = name === null ? undefined : columnOf(frame.table, name);
  const place = column ? ` in ${textAt(column, row) || 'rows without one'}` : '';
  return scope.kind === 'along' ? `${place} so far` : place;
}

/** " in each valley" for a scope within a column, " so far" along an order, nothing for the whole figure. */
export function legendScope(scope: CueScope): string {
  if (scope.kind === 'figure') return '';
  return scope.kind === 'within' ? ` in each ${scope.column}` : ' so far';
}
