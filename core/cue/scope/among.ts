import type { Frame } from 'core/frame';
import { counted, several, type Sentence } from 'core/sentence';
import { columnOf, isMissing } from 'core/table';
import type { CueFacts, Surroundings } from './surroundings';
import { placeWords, rowsInScope, type Scope } from './scope';

/** The noun for a row of the frame: a value of the category, or, where the figure is split, "value". */
const nounOf = ({ category, series, panel }: Pick<Surroundings, 'category' | 'series' | 'panel'>): string =>
  series === null && panel === null ? category : 'value';

/** "over the 20 huts", "over the 18 huts with a value", "over the huts": the rows that a statistic of a scope used. */
export function amongWords(words: CueFacts, measure: string, scope: Scope): string {
  const noun = nounOf(words);
  const count = scope.kind === 'figure' ? words.counts?.(measure) : undefined;
  if (!count) return `over the ${several(noun)}`;
  return `over the ${counted(count.there, noun)}${count.there < count.all && noun !== 'value' ? ' with a value' : ''}`;
}

/** "Computed over the 18 huts with a value.", where the scope is the whole figure, so that there is one count. */
export const seenSentence = (words: CueFacts, measure: string, scope: Scope): Sentence[] =>
  scope.kind === 'figure' && words.counts?.(measure) ? [[`Computed ${amongWords(words, measure, scope)}.`]] : [];

/** The rows that a row was compared with: "20 huts in Tolm", and, where a statistic skipped missing values, "18 huts with a value in Tolm". */
export function peersOf(
  scope: Scope,
  frame: Frame,
  row: number,
  measure: string,
): { readonly rows: readonly number[]; readonly words: string; readonly seen: string } {
  const column = columnOf(frame.table, measure);
  const all = rowsInScope(scope, frame, row);
  const rows = column ? all.filter(other => !isMissing(column, other)) : all;
  const noun = nounOf(frame);
  const [count, place] = [counted(rows.length, noun), placeWords(scope, frame, row)];
  const there = rows.length < all.length && noun !== 'value' ? ' with a value' : '';
  return { rows, words: `${count}${place}`, seen: `${count}${there}${place}` };
}
