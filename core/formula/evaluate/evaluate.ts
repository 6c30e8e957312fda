import { keptPer, oncePer, runAll, type Stages } from 'core/stages';
import { MISSING_BOOLEAN, MISSING_TEXT, columnOf, isMissing, type Table, type Values } from 'core/table';
import { castVec } from './cast';
import { compareVecs, distinctVecs } from './compare';
import {
  aggregates,
  choose,
  chooseBy,
  extractField,
  joinTexts,
  likeTexts,
  scalars,
  shiftVec,
  similarTexts,
  type Aggregate,
  type Groups,
  type Scalar,
} from '../functions';
import { groupRows } from './groups';
import { isAmong } from './among';
import { isTruth, runArithmetic, runDaysBetween, runLogic, runNegate, runNot } from './operators';
import { firstHeld, pickEqual, pickMissing, pickWhere } from '../windows/pick';
import { sortWindow } from '../windows/sort-rows';
import { partsOf, type Typed, type TypedAggregate, type TypedWindow, type TypedWindowCall } from './typed';
import { constantVec, materialise, strideOf, varying, type BooleanVec, type NumericVec, type TextVec, type Vec } from './vec';
import { runWindowCall, slideAggregate, type WindowRun } from '../windows/windows';
import type { SortedWindow } from '../windows/frame-ranges';

const LIKES = { like: likeTexts, 'similar to': similarTexts };

/**
 * Evaluates checked formulas over one table. Every distinct sub-expression, partition and sort is computed once per evaluator, so the cues of a
 * figure share what they have in common.
 */
export class Evaluator {
  private readonly known = new Map<string, Vec>();
  private readonly partitions = new Map<string, ReturnType<typeof groupRows>>();
  private readonly sorts = new Map<string, SortedWindow>();
  private readonly lacks = new Map<string, number>();

  /**
   * @param groups set for a measure: aggregates give one value per group, and so does the whole formula
   * @param stages keeps partitions and sorts over an edit that leaves their columns as they are
   */
  constructor(
    private readonly table: Table,
    private readonly groups: Groups | null = null,
    private readonly stages: Stages = runAll,
  ) {}

  /** One value per row of the table, or per group for a measure. */
  values(formula: Typed): Values {
    return materialise(this.vec(formula), this.rowCount);
  }

  /** Makes a computed column readable by later formulas. */
  define(key: string, values: Values): void {
    this.known.set(key, varying(values));
  }

  /**
   * Number of rows without a value though all inputs have one: a division by zero, the logarithm of a negative number. Counts the formula's own parts
   * only.
   */
  withoutValue(formula: Typed): number {
    return suspectsOf(formula).reduce((sum, { part, inside }) => sum + (inside ? this.rowLevel() : this).lacking(part), 0);
  }

  private get rowCount(): number {
    return this.groups ? this.groups.count : this.table.rowCount;
  }

  private lacking(formula: Typed): number {
    let count = this.lacks.get(formula.key);
    // Formulas of one cue share most of their parts.
    if (count === undefined) this.lacks.set(formula.key, (count = this.countLacking(formula)));
    return count;
  }

  private countLacking(formula: Typed): number {
    const [result, parts] = [this.vec(formula), partsOf(formula).map(part => this.vec(part))];
    const numbers = result.type === 'number' ? result.data : null;
    let count = 0;
    for (let row = 0; row < result.data.length; row++) {
      const isThere = numbers ? numbers[row] === numbers[row] : !isMissing(result, row);
      if (!isThere && parts.every(part => !isMissing(part, row * strideOf(part)))) count++;
    }
    return result.constant ? count * this.rowCount : count;
  }

  private vec(formula: Typed): Vec {
    let vec = this.known.get(formula.key);
    if (!vec) this.known.set(formula.key, (vec = this.compute(formula)));
    return vec;
  }

  private compute(f: Typed): Vec {
    const rows = this.rowCount;
    switch (f.op) {
      case 'constant':
        return constantOf(f);
      case 'column':
        return this.column(f.name);
      case 'negate':
        return runNegate(this.vec(f.arg) as NumericVec);
      case 'not':
        return runNot(this.vec(f.arg) as BooleanVec);
      case 'arithmetic':
        return runArithmetic(f.sign, this.vec(f.left) as NumericVec, this.vec(f.right) as NumericVec, rows);
      case 'days-between':
        return runDaysBetween(this.vec(f.left) as NumericVec, this.vec(f.right) as NumericVec, rows);
      case 'shift':
        return shiftVec(this.vec(f.arg) as NumericVec, f.type as 'date' | 'timestamp', f.interval);
      case 'join':
        return joinTexts(this.ofType([f.left, f.right], 'text'), rows);
      case 'compare':
        return compareVecs(f.sign, ...this.sameType(f.left, f.right), rows);
      case 'and':
      case 'or':
        return runLogic(f.op, ...(this.ofType([f.left, f.right], 'boolean') as [BooleanVec, BooleanVec]), rows);
      case 'is-null':
        return this.isNull(this.vec(f.arg), f.negated);
      case 'is-truth':
        return isTruth(this.ofType([f.arg], 'boolean')[0] as BooleanVec, f.truth, f.negated);
      case 'in':
        return this.isIn(f, rows);
      case 'is-distinct':
        return distinctVecs(...this.sameType(f.left, f.right), rows, f.negated);
      case 'like':
        return LIKES[f.how](...(this.ofType([f.arg, f.pattern], 'text') as [TextVec, TextVec]), f.escape, rows);
      case 'case':
        return this.runCase(f, rows);
      case 'cast':
        return castVec(f.arg.type === 'null' ? constantVec(f.to.type, null) : this.vec(f.arg), f.to);
      case 'extract':
        return extractField(this.vec(f.arg) as NumericVec, f.field);
      case 'scalar':
        return this.scalar(f.name, f.args, f.type, rows);
      case 'aggregate':
        return this.aggregate(f);
      case 'window':
        return this.windowCall(f);
    }
  }

  private column(name: string): Vec {
    const column = columnOf(this.table, name);
    if (!column) throw new RangeError(`the table ${this.table.name} has no column ${name}`);
    return varying(column);
  }

  private scalar(name: string, args: readonly Typed[], type: Typed['type'], rows: number): Vec {
    const entry = scalars[name] as Scalar;
    const typeAt = (i: number): Typed['type'] =>
      entry.takes === 'same' ? type : (entry.takes[Math.min(i, entry.takes.length - 1)]?.[0] ?? 'number');
    return entry.run(
      args.map((arg, i) => (arg.type === 'null' ? constantVec(typeAt(i), null) : this.vec(arg))),
      rows,
    );
  }

  /** A bare missing value gets the type of the value beside it. */
  private ofType(formulas: readonly Typed[], type: Typed['type']): Vec[] {
    return formulas.map(formula => (formula.type === 'null' ? constantVec(type, null) : this.vec(formula)));
  }

  private sameType(left: Typed, right: Typed): [Vec, Vec] {
    const [a, b] = this.ofType([left, right], left.type === 'null' ? right.type : left.type);
    return [a as Vec, b as Vec];
  }

  private isIn(f: Extract<Typed, { op: 'in' }>, rows: number): Vec {
    const type = [f.arg, ...f.items].find(part => part.type !== 'null')?.type ?? 'number';
    const [arg, ...items] = this.ofType([f.arg, ...f.items], type) as [Vec, ...Vec[]];
    return isAmong(arg, items, rows);
  }

  private isNull(arg: Vec, negated: boolean): Vec {
    const there = Number(negated);
    const marker = arg.type === 'text' ? MISSING_TEXT : MISSING_BOOLEAN;
    const { data } = arg;
    const out = new Uint8Array(data.length);
    const numeric = data instanceof Float64Array;
    for (let i = 0; i < out.length; i++) out[i] = (numeric ? data[i] !== data[i] : data[i] === marker) ? 1 - there : there;
    return { type: 'boolean', data: out, constant: arg.constant };
  }

  private runCase(f: Extract<Typed, { op: 'case' }>, rows: number): Vec {
    const quick = this.pickDirectly(f, rows);
    if (quick) return quick;
    const results = this.ofType([...f.branches.map(branch => branch.then), ...(f.otherwise ? [f.otherwise] : [])], f.type);
    const whens = this.ofType(
      f.branches.map(branch => branch.when),
      'boolean',
    ) as BooleanVec[];
    const constant = [...results, ...whens].every(vec => vec.constant);
    if (whens.length === 1 && !f.otherwise && !constant && results[0] && results[0].data instanceof Float64Array)
      return pickWhere(whens[0] as BooleanVec, results[0] as NumericVec, rows);
    return chooseBy(results, firstHeld(whens, f.otherwise ? whens.length : -1, constant ? 1 : rows));
  }

  /**
   * `case when a = b then number end` and `case when a is null then number end`, the forms of most helper columns, in one pass without computing the
   * condition as a column.
   */
  private pickDirectly({ branches, otherwise }: Extract<Typed, { op: 'case' }>, rows: number): Vec | null {
    const [branch] = branches;
    if (branches.length !== 1 || otherwise || !branch || this.known.has(branch.when.key)) return null;
    const { when, then } = branch;
    if (then.type !== 'number') return null;
    if (when.op === 'is-null' && !when.negated && when.arg.type === 'number')
      return pickMissing(this.vec(when.arg) as NumericVec, this.vec(then) as NumericVec, rows);
    if (when.op !== 'compare' || when.sign !== '=' || when.left.type !== 'number' || when.right.type !== 'number') return null;
    return pickEqual([this.vec(when.left), this.vec(when.right), this.vec(then)] as [NumericVec, NumericVec, NumericVec], rows);
  }

  private aggregate(f: TypedAggregate): Vec {
    // Inside an aggregate of a measure, formulas run over the table's rows.
    const rows = f.window ? this : this.rowLevel();
    const entry = aggregates[f.name] as Aggregate;
    const args = f.args.length ? f.args.map(arg => rows.vec(arg)) : [constantVec('boolean', true)];
    const condition = f.filter && rows.vec(f.filter);
    const kept = condition ? args.map(arg => choose([arg], this.table.rowCount, keepWhere(condition))) : args;
    const options = f.within ?? { fraction: 0.5, descending: false };
    if (!f.window) return entry.run(this.distinctIn(kept, f, this.groups as Groups), this.groups as Groups, options);
    if (f.window.order.length || f.window.bounds) return slideAggregate(this.windowRun(f.window), f, entry, kept);
    const groups = this.partitionOf(f.window.partition);
    return spread(entry.run(this.distinctIn(kept, f, groups), groups, options), groups);
  }

  /** For `distinct`: leaves out all but the first of equal values within a group. */
  private distinctIn(args: readonly Vec[], { distinct }: TypedAggregate, groups: Groups): readonly Vec[] {
    const [arg] = args;
    if (!distinct || !arg) return args;
    const rows = this.table.rowCount;
    const ids: Values = { type: 'number', data: Float64Array.from(groups.ids ?? new Int32Array(rows)) };
    const { firstRows } = groupRows([ids, materialise(arg, rows)], rows);
    const first = new Uint8Array(rows);
    for (const row of firstRows) first[row] = 1;
    return [choose([arg], rows, row => (first[row] ? 0 : -1))];
  }

  private windowCall(f: TypedWindowCall & { readonly type: Typed['type'] }): Vec {
    const [first, ...rest] = f.args;
    // What stands where no row is found takes the type of the value.
    const args = first ? [this.vec(first), ...this.ofType(rest, f.type)] : [];
    return runWindowCall(this.windowRun(f.window), f, args);
  }

  private windowRun(window: TypedWindow): WindowRun {
    return { window, sorted: this.sortOf(window), rows: this.table.rowCount };
  }

  /** One sort for all functions with the same partition and order. */
  private sortOf(window: TypedWindow): SortedWindow {
    const { partition, order } = window;
    const key = sortKeyOf(window);
    let sorted = this.sorts.get(key);
    if (!sorted) {
      const keys = order.map(({ by, ...rest }) => ({ ...rest, values: this.laidOut(by) }));
      const ids = partition.length ? this.partitionOf(partition).ids : null;
      const { rowCount } = this.table;
      // An edit moves few rows: the order before is where the next one begins.
      sorted = this.stages<SortedWindow>(`sort ${key}`, [rowCount, ids, ...keys.map(({ values }) => values.data)], before =>
        sortWindow(ids, keys, rowCount, before?.rows),
      );
      this.sorts.set(key, sorted);
    }
    return sorted;
  }

  private laidOut(formula: Typed): Values {
    return materialise(this.vec(formula), this.table.rowCount);
  }

  private rowEvaluator: Evaluator | undefined;

  private rowLevel(): Evaluator {
    return this.groups ? (this.rowEvaluator ??= new Evaluator(this.table)) : this;
  }

  private partitionOf(partition: readonly Typed[]): Groups {
    const key = partition.map(part => part.key).join(', ');
    let groups = this.partitions.get(key);
    if (!groups) {
      const columns = partition.map(part => this.laidOut(part));
      const { rowCount } = this.table;
      groups = this.stages(`partition ${key}`, [rowCount, ...columns.map(({ data }) => data)], () => groupRows(columns, rowCount));
      this.partitions.set(key, groups);
    }
    return groups;
  }
}

/** A constant of a formula as a vector; made once, since edits of data leave formulas unchanged. */
const constantOf = oncePer(({ type, value }: Extract<Typed, { op: 'constant' }>): Vec => constantVec(type, value));

/** The key of a sort; made once per window of a formula. */
const sortKeyOf = oncePer(({ partition, order }: TypedWindow): string =>
  JSON.stringify([partition.map(part => part.key), order.map(({ by, ...rest }) => [by.key, rest])]),
);

/** Whether an operation can give no value for inputs that have one. */
const mayLackValue = (f: Typed): boolean =>
  (f.op === 'arithmetic' && f.left.type !== 'null' && f.right.type !== 'null') ||
  (f.op === 'scalar' && (scalars[f.name]?.group === 'number' || scalars[f.name]?.lacks === true)) ||
  f.op === 'join' ||
  f.op === 'shift' ||
  (f.op === 'cast' && (f.arg.type === 'text' || f.to.digits !== null));

/** The parts of a formula that may lack a value; `inside`: over the rows behind a measure's groups. Found once per formula. */
function suspectsOf(formula: Typed): readonly Suspect[] {
  let found = suspects.get(formula);
  if (!found) {
    const seen = new Map<Typed, Set<boolean>>();
    suspects.set(formula, (found = findSuspects(formula, false, seen)));
  }
  return found;
}

interface Suspect {
  readonly part: Typed;
  readonly inside: boolean;
}

const suspects = keptPer<Typed, readonly Suspect[]>();

function findSuspects(part: Typed, inside: boolean, seen: Map<Typed, Set<boolean>>): Suspect[] {
  const known = seen.get(part);
  if (known?.has(inside)) return [];
  seen.set(part, new Set([...(known ?? []), inside]));
  // Inside an aggregate of a measure, the rows behind the groups count.
  const deeper = inside || (part.op === 'aggregate' && !part.window);
  return [...(mayLackValue(part) ? [{ part, inside }] : []), ...partsOf(part).flatMap(item => findSuspects(item, deeper, seen))];
}

const isHeld = (condition: Vec, row: number): boolean => condition.data[condition.constant ? 0 : row] === 1;

const keepWhere =
  (condition: Vec) =>
  (row: number): number =>
    isHeld(condition, row) ? 0 : -1;

/** Values per group as values per row; a single group stays a constant. */
function spread(perGroup: Vec, { ids, rows }: Groups): Vec {
  if (ids === null) return { ...perGroup, constant: true };
  const from = perGroup.data;
  if (from instanceof Float64Array) return { ...perGroup, data: spreadNumbers(from, ids, rows) } as Vec;
  const data = from instanceof Int32Array ? new Int32Array(rows) : new Uint8Array(rows);
  for (let row = 0; row < rows; row++) data[row] = from[ids[row] as number] as number;
  return { ...perGroup, data } as Vec;
}

// One kind of array in the loop: it runs for every scope within groups at each edit.
function spreadNumbers(from: Float64Array, ids: Int32Array, rows: number): Float64Array {
  const data = new Float64Array(rows);
  for (let row = 0; row < rows; row++) data[row] = from[ids[row] as number] as number;
  return data;
}
