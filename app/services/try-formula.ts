import { compileFormula, Evaluator, groupRows, scopeOf, sqlOf, type FormulaPlace } from 'core/formula';
import { frameOf } from 'core/frame';
import { rowNames } from 'core/plan';
import type { Figure } from 'core/project';
import { success, type Result } from 'core/result';
import { columnOf, isMissing, textAt, type Column, type Table, type Values } from 'core/table';
import type { Trial, TrialAsk } from './engine-api';

// Enough to see whether a formula does what is meant.
const FIRST_ROWS = 7;
const SPARKS = 240;

/** Compiles and runs a formula on what it would see, and shows the first of what it gives. */
export function tryFormula({ formula, place, figure }: TrialAsk, source: Table): Result<Trial> {
  if (place === 'helper') return tryOnFrame(formula, figure, source);
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

function tryOnFrame(formula: string, figure: Figure, source: Table): Result<Trial> {
  const framed = frameOf(source, { ...figure.data, helpers: [] });
  if (!framed.ok) return framed;
  const names = rowNames(framed.value, figure.data);
  return tried({ formula, place: 'column', over: framed.value.table, names: row => names[row] ?? '' });
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
    sql: sqlOf(compiled.value),
    rows,
    spark: sparkOf(values),
    withoutValue: evaluator.withoutValue(compiled.value),
    names: known,
  });
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
