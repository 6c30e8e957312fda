import { compileFormula, Evaluator, nameText, namesIn, scopeWith, type Scope, type Typed } from 'core/formula';
import { failure, type Problem, type Result } from 'core/result';
import { named, withColumns, type Column, type Table } from 'core/table';
import type { Derived } from './table-schema';

/** Derived columns sorted so that each comes after those it reads, and the faults of the others. */
export interface OrderedColumns {
  readonly ordered: readonly { readonly column: Derived; readonly typed: Typed }[];
  readonly problems: readonly { readonly name: string; readonly problem: Problem }[];
}

/** Sorts derived columns by what they read. Those in a cycle, and those that do not compile, are left out and named. */
export function orderDerived(columns: Scope, derived: readonly Derived[]): OrderedColumns {
  const ordered: { column: Derived; typed: Typed }[] = [];
  let [scope, waiting] = [columns, derived];
  while (waiting.length) {
    const tried = waiting.map(column => ({ column, typed: compiledIn(column, scope) }));
    const ready = tried.flatMap(({ column, typed }) => (typed.ok ? [{ column, typed: typed.value }] : []));
    if (ready.length === 0)
      return { ordered, problems: tried.flatMap(({ column, typed }) => (typed.ok ? [] : faultOf(column, waiting, typed.problems))) };
    for (const { column, typed } of ready) scope = scopeWith(scope, column.name, typed.type === 'null' ? 'number' : typed.type);
    ordered.push(...ready);
    waiting = waiting.filter(column => !ready.some(item => item.column === column));
  }
  return { ordered, problems: [] };
}

/** A table with its derived columns, and for each the number of rows without a value though all inputs have one. */
export interface DerivedTable {
  readonly table: Table;
  readonly withoutValue: Readonly<Record<string, number>>;
}

/** Computes a table's derived columns; faulty ones are left out. */
export function deriveColumns(table: Table, derived: readonly Derived[]): DerivedTable {
  if (derived.length === 0) return { table, withoutValue: {} };
  const withoutValue: Record<string, number> = {};
  const scope = new Map(table.columns.map(column => [column.name, column.type]));
  const evaluator = new Evaluator(table);
  const columns = orderDerived(scope, derived).ordered.map(({ column, typed }): Column => {
    const values = evaluator.values(typed);
    evaluator.define(nameText(column.name), values);
    withoutValue[column.name] = evaluator.withoutValue(typed);
    return named(column.name, values);
  });
  return { table: withColumns(table, columns), withoutValue };
}

function compiledIn({ name, formula }: Derived, scope: Scope): Result<Typed> {
  if (scope.has(name)) return failure({ code: 'figure-name-taken', name });
  const compiled = compileFormula(formula, scope, 'column');
  return compiled.ok && namesIn(compiled.value).has(name) ? failure({ code: 'column-cycle', names: [name] }) : compiled;
}

/** The fault of a derived column that could not be placed: a cycle where it reads another such column, else its own. */
function faultOf(column: Derived, waiting: readonly Derived[], problems: readonly Problem[]): OrderedColumns['problems'] {
  const [problem] = problems;
  if (!problem) return [];
  const missing = problem.code === 'unknown-name' ? problem.words.replaceAll('"', '').toLowerCase() : undefined;
  const other = waiting.find(item => item.name.toLowerCase() === missing);
  const names = other === column ? [column.name] : [column.name, other?.name ?? ''];
  return [{ name: column.name, problem: other ? { code: 'column-cycle', names } : problem }];
}
