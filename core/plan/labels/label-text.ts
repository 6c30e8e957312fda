import type { AppliedCue } from 'core/cue';
import { compileFormula, Evaluator, scopeOf } from 'core/formula';
import { isMissing, textAt, withColumns, type Column, type Table, type Values } from 'core/table';
import type { LayoutRequest } from '../requests';

/**
 * Words with computed values in braces, such as `{milk} L, {milk / sum(milk) over () as percent}`: one text per row of the frame. Formulas
 * see the frame and the helper columns of all cues, the cue's own first; `as` names one of the project's formats. What does not compute stays as it was written.
 */
export function labelTexts(template: string, { frame, write }: LayoutRequest, helpers: readonly Column[]): (row: number) => string {
  const table = withEach(frame.table, helpers);
  const [evaluator, scope] = [new Evaluator(table), scopeOf(table)];
  const parts = template.split(/(\{[^{}]*\})/).map((part): ((row: number) => string) => {
    const [, formula = '', , format] = /^\{(.*?)(\s+as\s+([\p{L}\p{N}_ ]+?))?\s*\}$/u.exec(part) ?? [];
    const compiled = formula ? compileFormula(formula, scope) : undefined;
    if (!compiled?.ok) return () => part;
    const values = evaluator.values(compiled.value);
    return row => cellText(values, row, value => write.format(format, formula.trim(), value));
  });
  return row => parts.map(part => part(row)).join('');
}

/** A frame's table with the helper columns of all its cues. */
export const withHelpers = (table: Table, applied: readonly AppliedCue[]): Table =>
  withEach(
    table,
    applied.flatMap(({ helpers }) => helpers.map(({ column }) => column)),
  );

/** The columns of both lists; of two columns with one name the first is kept. */
function withEach(table: Table, more: readonly Column[]): Table {
  const names = new Set(table.columns.map(({ name }) => name));
  return withColumns(
    table,
    more.filter(({ name }) => !names.has(name) && names.add(name)),
  );
}

function cellText(values: Values, row: number, write: (value: number) => string): string {
  if (isMissing(values, row)) return '–';
  return values.type === 'number' ? write(values.data[row] as number) : textAt(values, row);
}
