import { MISSING_BOOLEAN, MISSING_TEXT, columnOf, type Table, type Values } from 'core/table';
import { compareVecs, distinctVecs } from './compare';
import { aggregates, choose, ranks, scalars, type Aggregate, type Groups } from './functions';
import { groupRows } from './groups';
import { runArithmetic, runLogic, runNegate, runNot } from './operators';
import { sortWindow } from './sort-rows';
import type { Typed, TypedAggregate, TypedRank } from './typed';
import { constantVec, lengthFor, materialise, strideOf, varying, type BooleanVec, type NumericVec, type Vec } from './vec';

/**
 * Evaluates checked formulas over one table. Every distinct sub-expression, partition and sort is computed once per
 * evaluator and shared by all formulas given to it, so the cues of a figure pay once for what they have in common.
 */
export class Evaluator {
  private readonly known = new Map<string, Vec>();
  private readonly partitions = new Map<string, ReturnType<typeof groupRows>>();

  /** @param groups set for a measure: aggregates give one value per group, and so does the whole formula */
  constructor(
    private readonly table: Table,
    private readonly groups: Groups | null = null,
  ) {}

  /** One value per row of the table, or per group for a measure. */
  values(formula: Typed): Values {
    return materialise(this.vec(formula), this.groups ? this.groups.count : this.table.rowCount);
  }

  /** Makes a computed column visible to later formulas under a name's key. */
  define(key: string, values: Values): void {
    this.known.set(key, varying(values));
  }

  private vec(formula: Typed): Vec {
    let vec = this.known.get(formula.key);
    if (!vec) this.known.set(formula.key, (vec = this.compute(formula)));
    return vec;
  }

  private compute(f: Typed): Vec {
    const rows = this.groups ? this.groups.count : this.table.rowCount;
    switch (f.op) {
      case 'constant':
        return constantVec(f.type, f.value);
      case 'column':
        return this.column(f.name);
      case 'negate':
        return runNegate(this.vec(f.arg) as NumericVec);
      case 'not':
        return runNot(this.vec(f.arg) as BooleanVec);
      case 'arithmetic':
        return runArithmetic(f.sign, this.vec(f.left) as NumericVec, this.vec(f.right) as NumericVec, rows);
      case 'compare':
        return compareVecs(f.sign, ...this.sameType(f.left, f.right), rows);
      case 'and':
      case 'or':
        return runLogic(f.op, this.vec(f.left) as BooleanVec, this.vec(f.right) as BooleanVec, rows);
      case 'is-null':
        return this.isNull(this.vec(f.arg), f.negated);
      case 'is-distinct':
        return distinctVecs(...this.sameType(f.left, f.right), rows, f.negated);
      case 'case':
        return this.runCase(f, rows);
      case 'scalar':
        return scalars[f.name].run(this.ofType(f.args, f.type), rows);
      case 'aggregate':
        return this.aggregate(f);
      case 'rank':
        return this.rank(f);
    }
  }

  private column(name: string): Vec {
    const column = columnOf(this.table, name);
    if (!column) throw new RangeError(`the table ${this.table.name} has no column ${name}`);
    return varying(column);
  }

  /** A bare missing value takes the type of its neighbours. */
  private ofType(formulas: readonly Typed[], type: Typed['type']): Vec[] {
    return formulas.map(formula => (formula.type === 'null' ? constantVec(type, null) : this.vec(formula)));
  }

  private sameType(left: Typed, right: Typed): [Vec, Vec] {
    const [a, b] = this.ofType([left, right], left.type === 'null' ? right.type : left.type);
    return [a as Vec, b as Vec];
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
    const whens = f.branches.map(branch => this.vec(branch.when) as BooleanVec);
    const constant = [...results, ...whens].every(vec => vec.constant);
    if (whens.length === 1 && !f.otherwise && !constant && results[0] && results[0].data instanceof Float64Array)
      return pickWhere(whens[0] as BooleanVec, results[0] as NumericVec, rows);
    const otherwise = f.otherwise ? whens.length : -1;
    return choose(results, constant ? 1 : rows, row => {
      const hit = whens.findIndex(when => when.data[row * strideOf(when)] === 1);
      return hit === -1 ? otherwise : hit;
    });
  }

  /**
   * `case when a = b then number end` and `case when a is null then number end`, the shapes of most helper columns, in one
   * flat pass that never lays out the condition.
   */
  private pickDirectly({ branches, otherwise }: Extract<Typed, { op: 'case' }>, rows: number): Vec | null {
    const [branch] = branches;
    if (branches.length !== 1 || otherwise || !branch || this.known.has(branch.when.key)) return null;
    const { when, then } = branch;
    if (!isNumber(then)) return null;
    if (when.op === 'is-null' && !when.negated && isNumber(when.arg))
      return pickMissing(this.vec(when.arg) as NumericVec, this.vec(then) as NumericVec, rows);
    if (when.op !== 'compare' || when.sign !== '=' || !isNumber(when.left) || !isNumber(when.right)) return null;
    return pickEqual([this.vec(when.left), this.vec(when.right), this.vec(then)] as [NumericVec, NumericVec, NumericVec], rows);
  }

  private aggregate(f: TypedAggregate): Vec {
    const rows = this.rowLevel();
    const entry: Aggregate = aggregates[f.name];
    const arg = f.arg ? rows.vec(f.arg) : constantVec('boolean', true);
    const counted = f.filter ? choose([arg], this.table.rowCount, keepWhere(rows.vec(f.filter))) : arg;
    if (!f.partition) return entry.run(counted, this.groups as Groups);
    const groups = this.partitionOf(f.partition);
    return spread(entry.run(counted, groups), groups);
  }

  private rank(f: TypedRank): Vec {
    const partition = f.partition.map(part => materialise(this.vec(part), this.table.rowCount));
    const keys = f.order.map(({ by, ...rest }) => ({ ...rest, values: materialise(this.vec(by), this.table.rowCount) }));
    return { type: 'number', data: ranks[f.name].run(sortWindow(partition, keys, this.table.rowCount)), constant: false };
  }

  private rowEvaluator: Evaluator | undefined;

  /** Inside an aggregate of a measure, formulas run over the table's rows. */
  private rowLevel(): Evaluator {
    return this.groups ? (this.rowEvaluator ??= new Evaluator(this.table)) : this;
  }

  private partitionOf(partition: readonly Typed[]): Groups {
    const key = partition.map(part => part.key).join(', ');
    let groups = this.partitions.get(key);
    if (!groups) {
      const keys = partition.map(part => materialise(this.vec(part), this.table.rowCount));
      this.partitions.set(key, (groups = groupRows(keys, this.table.rowCount)));
    }
    return groups;
  }
}

const keepWhere =
  (condition: Vec) =>
  (row: number): number =>
    condition.data[row * strideOf(condition)] === 1 ? 0 : -1;

const isNumber = (formula: Typed): boolean => formula.type === 'number';

function pickEqual([left, right, then]: readonly [NumericVec, NumericVec, NumericVec], rows: number): Vec {
  const data = new Float64Array(lengthFor(rows, left, right, then));
  const [a, b, c] = [left.data, right.data, then.data];
  const [as, bs, cs] = [strideOf(left), strideOf(right), strideOf(then)];
  // A missing operand is NaN, which equals nothing.
  for (let row = 0; row < data.length; row++) data[row] = a[row * as] === b[row * bs] ? (c[row * cs] as number) : NaN;
  return { type: 'number', data, constant: left.constant && right.constant && then.constant };
}

function pickMissing(tested: NumericVec, then: NumericVec, rows: number): Vec {
  const data = new Float64Array(lengthFor(rows, tested, then));
  const [a, c] = [tested.data, then.data];
  const [as, cs] = [strideOf(tested), strideOf(then)];
  for (let row = 0; row < data.length; row++) {
    const value = a[row * as] as number;
    data[row] = value !== value ? (c[row * cs] as number) : NaN;
  }
  return { type: 'number', data, constant: tested.constant && then.constant };
}

/** `case when … then number end` in one flat pass. */
function pickWhere(when: BooleanVec, then: NumericVec, rows: number): Vec {
  const data = new Float64Array(rows);
  const [ws, ts] = [strideOf(when), strideOf(then)];
  for (let row = 0; row < rows; row++) data[row] = when.data[row * ws] === 1 ? (then.data[row * ts] as number) : NaN;
  return { type: then.type, data, constant: false };
}

/** One value per group, laid out again over the rows; a single group stays a constant. */
function spread(perGroup: Vec, { ids, rows }: Groups): Vec {
  if (ids === null) return { ...perGroup, constant: true };
  const from = perGroup.data;
  const data =
    from instanceof Float64Array ? new Float64Array(rows) : from instanceof Int32Array ? new Int32Array(rows) : new Uint8Array(rows);
  for (let row = 0; row < rows; row++) data[row] = from[ids[row] as number] as number;
  return { ...perGroup, data } as Vec;
}
