import { type NumericValues, type Table, type Values } from 'core/table';
import { Evaluator } from './evaluate';
import type { Groups } from '../functions';
import { partsOf, type Typed, type TypedAggregate } from './typed';

/** How the values of groups give the value of their union, for aggregates that allow it. */
type Merge = 'sum' | 'count' | 'min' | 'max';
const MERGES: Readonly<Record<string, Merge>> = { sum: 'sum', count: 'count', min: 'min', max: 'max' };

/**
 * Measures over unions of groups, by their own formulas. Sums, counts, averages and extremes are merged from the groups' own, so that a union costs
 * O(groups); where a formula has anything else in it (a median, a distinct count), all of it is computed from the rows again.
 */
export class RollUp {
  private own: { readonly groups: Groups; readonly evaluator: Evaluator } | null = null;

  /**
   * @param fine groups of the table's rows; asked for only where they are needed
   * @param known values of groups that are there already, by the aggregate's key; theirs alone costs no pass over the rows
   */
  constructor(
    private readonly table: Table,
    private readonly fine: () => Groups,
    private readonly known: ReadonlyMap<string, Float64Array> = new Map(),
  ) {}

  /** One value per union: `unions[g]` is the union of group g, −1 for none. */
  values(formula: Typed, unions: Int32Array, count: number): Values {
    const found = aggregatesIn(formula);
    return found?.every(isMergeable) ? this.merged(formula, found, unions, count) : this.overRows(formula, unions, count);
  }

  private merged(formula: Typed, found: readonly Part[], unions: Int32Array, count: number): Values {
    const evaluator = new Evaluator(this.table, { ids: null, count, rows: 0 });
    for (const part of found) {
      const whole = part.name === 'avg' ? this.average(part, unions, count) : this.union(part, part.name, unions, count);
      evaluator.define(part.key, { type: part.type, data: whole } as NumericValues);
    }
    return evaluator.values(formula);
  }

  private average(part: Part, unions: Int32Array, count: number): Float64Array {
    const [totals, there] = [this.union(part, 'sum', unions, count), this.union(part, 'count', unions, count)];
    return totals.map((total, at) => total / (there[at] as number));
  }

  private union(part: Part, name: string, unions: Int32Array, count: number): Float64Array {
    const key = name === part.name ? part.key : `${name} in ${part.key}`;
    const values = this.known.get(key) ?? (this.parts().evaluator.values({ ...part, name, key }) as NumericValues).data;
    return mergedValues(MERGES[name] as Merge, values, unions, count);
  }

  private parts() {
    if (!this.own) {
      const groups = this.fine();
      this.own = { groups, evaluator: new Evaluator(this.table, groups) };
    }
    return this.own;
  }

  /** Groups of rows by union; rows of no union form one that is left out. */
  private overRows(formula: Typed, unions: Int32Array, count: number): Values {
    const { ids, rows } = this.parts().groups;
    const unionOf = new Int32Array(rows);
    for (let row = 0; row < rows; row++) {
      const union = unions[ids ? (ids[row] as number) : 0] as number;
      unionOf[row] = union === -1 ? count : union;
    }
    const values = new Evaluator(this.table, { ids: unionOf, count: count + 1, rows }).values(formula);
    return { ...values, data: values.data.slice(0, count) } as Values;
  }
}

type Part = Extract<Typed, { op: 'aggregate' }>;

/** The outermost aggregates of a measure; null where the formula uses a window. */
function aggregatesIn(formula: Typed): readonly Part[] | null {
  if (formula.op === 'window') return null;
  if (formula.op === 'aggregate') return formula.window ? null : [formula];
  const inside = partsOf(formula).map(aggregatesIn);
  return inside.some(parts => parts === null) ? null : inside.flatMap(parts => parts ?? []);
}

/** Whether an aggregate can be merged. A distinct minimum is a minimum; no other distinct aggregate can. Texts are compared by their rows. */
function isMergeable(part: TypedAggregate & Pick<Typed, 'type'>): boolean {
  if (part.name === 'avg') return !part.distinct;
  const merge = MERGES[part.name];
  if (merge === undefined) return false;
  return merge === 'sum' || merge === 'count' ? !part.distinct : part.type !== 'text' && part.type !== 'boolean';
}

/** Merged values. The count of nothing is 0, everything else of nothing is missing. */
function mergedValues(merge: Merge, parts: Float64Array, unions: Int32Array, count: number): Float64Array {
  const whole = new Float64Array(count).fill(merge === 'count' ? 0 : NaN);
  for (let at = 0; at < unions.length; at++) {
    const [union, part] = [unions[at] as number, parts[at] as number];
    if (union === -1 || part !== part) continue;
    const before = whole[union] as number;
    if (before !== before) whole[union] = part;
    else if (merge === 'min') whole[union] = Math.min(before, part);
    else if (merge === 'max') whole[union] = Math.max(before, part);
    else whole[union] = before + part;
  }
  // What no number can hold has no value, as over the rows.
  return whole.map(value => (Number.isFinite(value) ? value : NaN));
}
