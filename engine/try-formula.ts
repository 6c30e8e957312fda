import { compileFormula, Evaluator, groupRows, scopeOf, sqlTextOf, type FormulaPlace, type NamedFormula, type Typed } from 'core/formula';
import { frameOf } from 'core/frame';
import { rowNames } from 'core/words';
import type { Figure } from 'core/document';
import { success, type Result } from 'core/result';
import { messageFor } from 'core/result/words';
import { columnOf, isMissing, named, textAt, withColumns, type Column, type Table, type Values } from 'core/table';
import type { Trial, TrialAsk } from './api';

// Enough to see whether a formula does what is meant.
const FIRST_ROWS = 7;
const SPARKS = 240;

/** Compiles and runs a formula on what it would see, and shows the first of what it gives. */
export function tryFormula({ formula, place, figure, before }: TrialAsk, source: Table): Result<Trial> {
  if (place === 'helper') return tryOnFrame(formula, figure, source, before);
  if (place === 'measure') return tryMeasure(formula, figure, source);
  return tried({ formula, place, over: source, names: rowNumbers(source) });
}

interface Tried {
  readonly formula: string;
  readonly place: FormulaPlace;
  readonly over: Table;
  readonly names: (row: number) => string;
  readonly groups?: ReturnType<typeof groupRows>;
}

/** A helper column sees the bare frame; a cue's formula sees the helper columns and what is computed before it too. */
function tryOnFrame(formula: string, figure: Figure, source: Table, before: readonly NamedFormula[] | undefined): Result<Trial> {
  const framed = frameOf(source, before ? figure.data : { ...figure.data, helpers: [] });
  if (!framed.ok) return framed;
  const names = rowNames(framed.value, figure);
  const over = withFormulas(framed.value.table, before ?? []);
  return tried({ formula, place: 'column', over, names: row => names[row] ?? '' });
}

/** The table with formulas' columns behind its own; one that does not compile is left out. */
function withFormulas(table: Table, formulas: readonly NamedFormula[]): Table {
  return formulas.reduce((wide, { name, formula }) => {
    const compiled = compileFormula(formula, scopeOf(wide));
    return compiled.ok ? withColumns(wide, [named(name, new Evaluator(wide).values(compiled.value))]) : wide;
  }, table);
}

function tryMeasure(formula: string, figure: Figure, source: Table): Result<Trial> {
  const key = columnOf(source, figure.data.category) as Column;
  const groups = groupRows([key], source.rowCount);
  return tried({
    formula,
    place: 'measure',
    over: source,
    names: group => textAt(key, groups.firstRows[group] as number) || '(missing)',
    groups,
  });
}

function tried({ formula, place, over, names, groups }: Tried): Result<Trial> {
  const scope = scopeOf(over);
  const compiled = compileFormula(formula, scope, place);
  if (!compiled.ok) return compiled;
  const evaluator = new Evaluator(over, groups ?? null);
  const values = evaluator.values(compiled.value);
  const count = Math.min(FIRST_ROWS, values.data.length);
  const rows = Array.from({ length: count }, (_, row) => ({
    name: names(row),
    value: isMissing(values, row) ? null : textAt(values, row),
  }));
  const known = [...scope].map(([name, type]) => ({ name, type }));
  return success({
    type: compiled.value.type,
    sql: shownSql(compiled.value),
    rows,
    spark: sparkOf(values),
    withoutValue: evaluator.withoutValue(compiled.value),
    names: known,
  });
}

/** A formula's SQL, or why there is none: the formula itself works all the same. */
function shownSql(formula: Typed): string {
  const written = sqlTextOf(formula);
  return written.ok ? written.value : written.problems.map(messageFor).join(' ');
}

/** Evenly taken values of a number column. */
function sparkOf(values: Values): Float64Array {
  if (values.type !== 'number') return new Float64Array();
  const { data } = values;
  if (data.length <= SPARKS) return data.slice();
  return Float64Array.from({ length: SPARKS }, (_, i) => data[Math.round((i * (data.length - 1)) / (SPARKS - 1))] as number);
}

const rowNumbers =
  (table: Table) =>
  (row: number): string => {
    const first = table.columns.find(column => column.type === 'text') ?? table.columns[0];
    return first ? textAt(first, row) || `row ${row + 1}` : `row ${row + 1}`;
  };
