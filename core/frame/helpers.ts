import { addWindows, placeWithoutWindows, compileFormula, Evaluator, nameText, scopeOf, scopeWith } from 'core/formula';
import { success, type Result } from 'core/result';
import { named, type Table } from 'core/table';
import type { Computed } from './measures';
import type { Helper, HelperScope } from './schema';

/** The formula of a helper column with the window that its scope writes. */
export function helperFormula({ formula, scope }: Pick<Helper, 'formula' | 'scope'>): string {
  return scope.kind === 'own' ? formula : addWindows(formula, windowOfScope(scope));
}

/** A place in `helperFormula`'s text as a place in the formula as written. */
export function placeInHelper({ formula, scope }: Pick<Helper, 'formula' | 'scope'>, offset: number): number {
  return scope.kind === 'own' ? offset : placeWithoutWindows(formula, windowOfScope(scope), offset);
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

/** The helper columns by hand over the frame's table, in order; later ones see earlier ones. */
export function helperColumns(table: Table, helpers: readonly Helper[]): Result<Computed> {
  const evaluator = new Evaluator(table);
  let scope = scopeOf(table);
  const columns = [];
  const withoutValue: Record<string, number> = {};
  for (const helper of helpers) {
    const compiled = compileFormula(helperFormula(helper), scope, 'column');
    if (!compiled.ok) return compiled;
    const values = evaluator.values(compiled.value);
    evaluator.define(nameText(helper.name), values);
    scope = scopeWith(scope, helper.name, values.type);
    columns.push(named(helper.name, values));
    withoutValue[helper.name] = evaluator.withoutValue(compiled.value);
  }
  return success({ columns, withoutValue });
}
