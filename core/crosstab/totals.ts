import { compileFormula, groupRows, RollUp, scopeOf } from 'core/formula';
import type { Frame, Measure } from 'core/frame';
import { columnOf, type Table, type Values } from 'core/table';

/** Frame rows put together: which union each is in (−1 for none), and how many there are. */
export interface Unions {
  readonly ids: Int32Array;
  readonly count: number;
}

/** Measures over the table's rows behind frame rows, put together in any way: each by its own formula, never from the values of cells. */
export class Totals {
  private readonly rollUp: RollUp;

  /** @param table the figure's table, edits laid over it: what the frame was made from */
  constructor(
    frame: Frame,
    private readonly table: Table,
    private readonly measures: readonly Measure[],
  ) {
    const fine = () => ({ ids: frameRowsOf(frame, table.rowCount), count: frame.table.rowCount + 1, rows: table.rowCount });
    this.rollUp = new RollUp(table, fine, this.knownIn(frame));
  }

  /** Totals that the frame has computed already: measures that are a single aggregate, by its key. What-if values are not the table's. */
  private knownIn({ table, whatIfs }: Frame): ReadonlyMap<string, Float64Array> {
    return new Map(
      this.measures.flatMap(({ name, formula }) => {
        const compiled = compileFormula(formula, scopeOf(this.table), 'measure');
        const column = columnOf(table, name);
        const isKnown = compiled.ok && compiled.value.op === 'aggregate' && column?.type === 'number' && !whatIfs[name];
        return isKnown ? [[compiled.value.key, column.data] as const] : [];
      }),
    );
  }

  /** A value for each union; missing for a helper column by hand, which has no formula over rows. */
  values(measure: string, { ids, count }: Unions): Float64Array {
    const found = this.measures.find(({ name }) => name === measure);
    const compiled = found && compileFormula(found.formula, scopeOf(this.table), 'measure');
    if (!compiled?.ok) return new Float64Array(count).fill(NaN);
    // Rows that the filters leave out stand behind the last one.
    const unions = new Int32Array(ids.length + 1);
    unions.set(ids);
    unions[ids.length] = -1;
    const values: Values = this.rollUp.values(compiled.value, unions, count);
    return values.data instanceof Float64Array ? values.data : new Float64Array(count).fill(NaN);
  }
}

/** The row of the frame that each row of the table stands behind; one more than there are where it is filtered out. */
function frameRowsOf({ source: { offsets, rows }, table }: Frame, count: number): Int32Array {
  const frameRows = new Int32Array(count).fill(table.rowCount);
  for (let row = 0; row < table.rowCount; row++) {
    const end = offsets[row + 1] as number;
    for (let at = offsets[row] as number; at < end; at++) frameRows[rows[at] as number] = row;
  }
  return frameRows;
}

/** Pairs of two kinds of unions; −1 in either is −1 in the pair. `of`: what each pair is made of. */
export function pairsOf(left: Int32Array, right: Unions): Unions & { readonly of: readonly (readonly [left: number, right: number])[] } {
  const codes = (data: Int32Array): Values => ({ type: 'number', data: Float64Array.from(data) });
  const there = left.map((id, row) => (id === -1 || right.ids[row] === -1 ? -1 : id));
  const { ids, firstRows } = groupRows([codes(there), codes(right.ids.map((id, row) => (there[row] === -1 ? -1 : id)))], left.length);
  // The pair of what is nowhere is no pair.
  const places = new Int32Array(firstRows.length).fill(-1);
  const of: [number, number][] = [];
  firstRows.forEach((row, pair) => {
    if (there[row] !== -1) places[pair] = of.push([there[row] as number, right.ids[row] as number]) - 1;
  });
  return { ids: left.map((_, row) => places[ids ? (ids[row] as number) : 0] as number), count: of.length, of };
}
