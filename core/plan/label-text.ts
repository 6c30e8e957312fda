import { compileFormula, Evaluator, scopeOf } from 'core/formula';
import { isMissing, textAt, withColumns, type Column, type Values } from 'core/table';
import type { LayoutRequest } from './requests';

/**
 * Words with computed values in braces, such as `{milk} L, {milk / sum(milk) over () as percent}`: one text per row of the frame. Formulas
 * see the frame and the helper columns of all cues, the cue's own first; `as` names one of the project's formats. What does not compute stays as it was written.
 */
export function labelTexts(template: string, { frame, write }: LayoutRequest, helpers: readonly Column[]): (row: number) => string {
  const names = new Set(frame.table.columns.map(({ name }) => name));
  // Of two of one name the first counts.
  const table = withColumns(
    frame.table,
    helpers.filter(({ name }) => !names.has(name) && names.add(name)),
  );
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

function cellText(values: Values, row: number, write: (value: number) => string): string {
  if (isMissing(values, row)) return '–';
  return values.type === 'number' ? write(values.data[row] as number) : textAt(values, row);
}
