import { addWindows, compileFormula, Evaluator, nameText, scopeOf, scopeWith } from 'core/formula';
import { success, type Result } from 'core/result';
import { named, withColumns, type Table } from 'core/table';
import type { Helper, HelperScope } from './schema';

/** The formula of a helper column with the window that its scope writes. */
export function helperFormula({ formula, scope }: Pick<Helper, 'formula' | 'scope'>): string {
  return scope.kind === 'own' ? formula : addWindows(formula, windowOfScope(scope));
}

function windowOfScope(scope: Exclude<HelperScope, { kind: 'own' }>): string {
  switch (scope.kind) {
    case 'figure':
      return '';
    case 'within':
      return `partition by ${nameText(scope.column)}`;
    case 'along':
      return `${scope.within === null ? '' : `partition by ${nameText(scope.within)} `}order by ${nameText(scope.column)}`;
  }
}

/** The frame's table with the helper columns by hand behind it, in order; later ones see earlier ones. */
export function withHelpers(table: Table, helpers: readonly Helper[]): Result<Table> {
  if (helpers.length === 0) return success(table);
  const evaluator = new Evaluator(table);
  let scope = scopeOf(table);
  const columns = [];
  for (const helper of helpers) {
    const compiled = compileFormula(helperFormula(helper), scope, 'column');
    if (!compiled.ok) return compiled;
    const values = evaluator.values(compiled.value);
    evaluator.define(nameText(helper.name), values);
    scope = scopeWith(scope, helper.name, values.type);
    columns.push(named(helper.name, values));
  }
  return success(withColumns(table, columns));
}
