import { compileFormula, namesIn, nameText, scopeWith, sqlOf, type NamedFormula, type Scope } from 'core/formula';

/**
 * One SQL statement that gives every row of `source` with the last of the columns behind it, and whichever of the others it is computed
 * from. Each stands in a step of its own, since none may read a column of the same step. Throws on a formula that does not compile.
 */
export function statementOf(source: string, scope: Scope, columns: readonly NamedFormula[]): string {
  const steps = neededSteps(scope, columns);
  const from = (i: number): string => (i === 0 ? nameText(source) : `step_${i}`);
  const withs = steps.map(({ name, sql }, i) => `step_${i + 1} as (select *, ${sql} as ${nameText(name)} from ${from(i)})`);
  return `with ${withs.join(',\n')}\nselect * from ${from(steps.length)}`;
}

/** The last column and those that it is computed from, in their order. */
function neededSteps(scope: Scope, columns: readonly NamedFormula[]): { name: string; sql: string }[] {
  let seen = scope;
  const compiled = columns.map(({ name, formula }) => {
    const read = compileFormula(formula, seen);
    if (!read.ok) throw new RangeError(`the formula of ${name} does not compile: ${formula}`);
    seen = scopeWith(seen, name, read.value.type === 'null' ? 'number' : read.value.type);
    return { name, typed: read.value };
  });
  const needed = new Set([columns.at(-1)?.name]);
  for (const { name, typed } of [...compiled].reverse()) if (needed.has(name)) for (const other of namesIn(typed)) needed.add(other);
  return compiled.filter(({ name }) => needed.has(name)).map(({ name, typed }) => ({ name, sql: sqlOf(typed) }));
}
