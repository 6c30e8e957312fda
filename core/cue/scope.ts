import { nameText } from 'core/formula';
import type { Frame } from 'core/frame';
import { choiceToken, type Option, type Token } from 'core/sentence';
import { columnOf, textAt } from 'core/table';
import * as z from 'zod/mini';
import type { CueWords } from './kind';

/** Where a cue looks: the whole figure, or within each value of a column. */
export const scopeSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('figure') }),
  z.object({ kind: z.literal('within'), column: z.string() }),
]);

export type CueScope = z.infer<typeof scopeSchema>;

/** The scope as the window of a formula. */
export const windowOf = (scope: CueScope): string =>
  scope.kind === 'figure' ? 'over ()' : `over (partition by ${nameText(scope.column)})`;

const FIGURE = 'figure';

export function scopeToken(scope: CueScope, words: CueWords): Token {
  const chosen = scope.kind === 'figure' ? FIGURE : `within:${scope.column}`;
  const columns = scope.kind === 'within' && !words.scopes.includes(scope.column) ? [...words.scopes, scope.column] : words.scopes;
  const options: Option[] = [
    { value: FIGURE, label: 'in the whole figure' },
    ...columns.map(column => ({ value: `within:${column}`, label: `within each ${column}` })),
  ];
  return choiceToken('scope', 'Where to look', chosen, options);
}

export const readScope = (value: string): CueScope =>
  value === FIGURE ? { kind: 'figure' } : { kind: 'within', column: value.slice('within:'.length) };

/** Rows of the frame in the same scope as the given row. */
export function rowsInScope(scope: CueScope, frame: Frame, row: number): number[] {
  const all = Array.from({ length: frame.table.rowCount }, (_, i) => i);
  const column = scope.kind === 'within' ? columnOf(frame.table, scope.column) : undefined;
  return column ? all.filter(other => column.data[other] === column.data[row]) : all;
}

/** " in Tolm" for a scope within a column, nothing for the whole figure. */
export function scopeWords(scope: CueScope, frame: Frame, row: number): string {
  const column = scope.kind === 'within' ? columnOf(frame.table, scope.column) : undefined;
  return column ? ` in ${textAt(column, row) || 'rows without one'}` : '';
}

/** " in each valley" for a scope within a column, nothing for the whole figure. */
export const legendScope = (scope: CueScope): string => (scope.kind === 'within' ? ` in each ${scope.column}` : '');
