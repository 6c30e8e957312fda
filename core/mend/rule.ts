import { compileFormula, Evaluator, scopeOf } from 'core/formula';
import { failure, success, type Result } from 'core/result';
import { textToken, type Token } from 'core/sentence';
import type { Table } from 'core/table';

/** Which rows a rule holds for: a formula over the table's columns that is true or false; without one, every row. Problems: those of the formula. */
export function ruleOf(table: Table, where: string | null): Result<(row: number) => boolean> {
  if (where === null) return success(() => true);
  const typed = compileFormula(where, scopeOf(table), 'column');
  if (!typed.ok) return typed;
  const values = new Evaluator(table).values(typed.value);
  if (values.type !== 'boolean') return failure({ code: 'mend-no-rule', words: where });
  const { data } = values;
  return success(row => data[row] === 1);
}

/** The rule as a word that is typed. */
export const ruleWord = (where: string | null): Token => textToken('where', 'A formula that is true or false', where ?? '', 'always');

/** What was typed as a rule. */
export const ruleTyped = (text: string): string | null => (text.trim() === '' ? null : text.trim().slice(0, 10_000));
