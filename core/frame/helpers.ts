import { addWindows, placeWithoutWindows, compileFormula, Evaluator, nameText, scopeOf, scopeWith } from 'core/formula';
import { failure, type CueProblem, type FormulaProblem, type Problem } from 'core/result';
import { named, type Column, type Table } from 'core/table';
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
      return `partition by ${listOf(scope.columns)}`;
    case 'along':
      return `${scope.within.length ? `partition by ${listOf(scope.within)} ` : ''}order by ${nameText(scope.column)}`;
  }
}

const listOf = (names: readonly string[]): string => names.map(nameText).join(', ');

/** Whether a scope has any say in a formula: one that gives every window itself looks where it says. */
export const obeysScope = (formula: string): boolean => addWindows(formula, '') !== formula;

/** Helper columns that could be computed, and those that rest, each with the reason. */
export interface Helped extends Computed {
  readonly resting: readonly { readonly name: string; readonly problem: CueProblem }[];
}

/** The helper columns by hand over the frame's table, in order; later ones see earlier ones. One that does not compile rests alone. */
export function helperColumns(table: Table, helpers: readonly Helper[]): Helped {
  const evaluator = new Evaluator(table);
  let scope = scopeOf(table);
  const [columns, resting]: [Column[], { name: string; problem: CueProblem }[]] = [[], []];
  const withoutValue: Record<string, number> = {};
  for (const helper of helpers) {
    const compiled = scope.has(helper.name)
      ? failure({ code: 'figure-name-taken', name: helper.name })
      : compileFormula(helperFormula(helper), scope, 'column');
    if (!compiled.ok) {
      resting.push({ name: helper.name, problem: restsFor(helper.name, compiled.problems[0] as Problem) });
      continue;
    }
    const values = evaluator.values(compiled.value);
    evaluator.define(nameText(helper.name), values);
    scope = scopeWith(scope, helper.name, values.type);
    columns.push(named(helper.name, values));
    withoutValue[helper.name] = evaluator.withoutValue(compiled.value);
  }
  return { columns, withoutValue, resting };
}

const restsFor = (name: string, problem: Problem): CueProblem =>
  problem.code === 'figure-name-taken' ? problem : { code: 'helper-formula', name, problem: problem as FormulaProblem };
