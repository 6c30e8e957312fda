import type { Figure } from 'core/document';
import type { Frame } from 'core/frame';
import { columnOf, takeColumn, type Column, type NumericValues, type Table, type Values } from 'core/table';
import { columnsOf, type Across } from './columns';
import { MOST_CELLS, type Crosstab, type CrosstabColumn, type CrosstabRow } from './crosstab';
import { levelsOf, type Level } from './levels';
import { childrenOf, nodesOf, type Arrangement, type Nodes } from './row-tree';
import { pairsOf, Totals } from './totals';

/**
 * A frame as a crosstab: its rows nested in levels, its series as columns, subtotals and totals by the measures' own formulas over the table's rows.
 *
 * Missing: a combination without rows; a total of a helper column by hand. Cost: O(cells) and O(frame rows) per level of totals for sums, counts, averages and
 * extremes; O(rows of the table) for what cannot be merged.
 */
export function crosstabOf(frame: Frame, table: Table, figure: Pick<Figure, 'data' | 'crosstab'>): Crosstab {
  const build = new Build(frame, table, figure);
  return build.crosstab();
}

/** Nodes that are kept, and those that stand together as the others, under each node of the level above. */
interface Siblings {
  readonly kept: readonly number[];
  readonly folded: readonly number[];
}

class Build {
  private readonly levels: readonly Level[];
  private readonly nodes: readonly Nodes[];
  private readonly totals: Totals;
  private readonly measures: readonly string[];
  private readonly across: Across;
  /** By level, then by the node above. */
  private readonly siblings: readonly (readonly Siblings[])[];
  /** The others of each level: which of them each row of the frame is in. They are numbered by the node above. */
  private readonly others: readonly Int32Array[];
  private readonly rows: CrosstabRow[] = [];

  constructor(
    private readonly frame: Frame,
    table: Table,
    private readonly figure: Pick<Figure, 'data' | 'crosstab'>,
  ) {
    const { data, crosstab } = figure;
    this.levels = levelsOf(data);
    this.nodes = nodesOf(frame, this.levels);
    this.totals = new Totals(frame, table, data.measures);
    this.measures = shownMeasures(figure, frame);
    this.across = columnsOf(frame, this.totals, crosstab, data);
    this.siblings = this.levels.map((_, depth) => this.siblingsAt(depth));
    this.others = this.levels.map((_, depth) => this.othersAt(depth));
  }

  crosstab(): Crosstab {
    if (this.frame.table.rowCount) this.walk(0, 0, 0);
    const { totals } = this.figure.crosstab;
    const whole: CrosstabRow[] =
      totals.columns === 'none' || this.rows.length === 0 ? [] : [{ kind: 'total', depth: -1, of: 0, folded: 0 }];
    const all = totals.columns === 'first' ? [...whole, ...this.rows] : [...this.rows, ...whole];
    const columns = this.columns();
    const most = Math.max(1, Math.floor(MOST_CELLS / Math.max(1, columns.length * this.measures.length)));
    const rows = all.length > most ? [...all.slice(0, most - whole.length), ...(totals.columns === 'last' ? whole : [])] : all;
    return {
      levels: this.levels,
      across: this.frame.series,
      measures: this.measures,
      rows,
      columns,
      ...this.cells(rows, columns),
      left: { rows: all.length - rows.length, columns: this.across.left },
    };
  }

  /** Rows of a level below a node, each outer one with its total. */
  private walk(depth: number, above: number, from: number): void {
    const nodes = this.nodes[depth] as Nodes;
    const { kept, folded } = this.siblings[depth]?.[above] as Siblings;
    const place = this.figure.crosstab.totals.parts[depth] ?? 'none';
    for (const node of kept) {
      const of = nodes.firstRows[node] as number;
      if (depth === this.levels.length - 1) {
        this.rows.push({ kind: 'cells', depth, of, folded: 0 });
        continue;
      }
      const part: CrosstabRow = { kind: 'part', depth, of, folded: 0 };
      if (place === 'first') this.rows.push(part);
      this.walk(depth + 1, node, of);
      if (place === 'last') this.rows.push(part);
    }
    const [first] = folded;
    if (first !== undefined) this.rows.push({ kind: 'others', depth, of: nodes.firstRows[first] ?? from, folded: folded.length });
  }

  private siblingsAt(depth: number): Siblings[] {
    const nodes = this.nodes[depth] as Nodes;
    const above = depth === 0 ? null : (this.nodes[depth - 1] as Nodes);
    const inside = childrenOf(above, nodes, this.arrangement(depth, nodes));
    const n = this.figure.crosstab.top.find(({ level }) => level === depth)?.n;
    // One alone needs no row for others.
    return inside.map(all => (n === undefined || all.length <= n + 1 ? { kept: all, folded: [] } : this.largest(all, n, nodes)));
  }

  /** The largest of the first measure, in the order that all stand in. */
  private largest(all: readonly number[], n: number, nodes: Nodes): Siblings {
    const sizes = this.totals.values(this.measures[0] ?? '', nodes);
    const size = (node: number): number => (Number.isNaN(sizes[node]) ? -Infinity : (sizes[node] as number));
    const kept = new Set([...all].sort((a, b) => size(b) - size(a) || a - b).slice(0, n));
    return { kept: all.filter(node => kept.has(node)), folded: all.filter(node => !kept.has(node)) };
  }

  /** By a measure each level stands by its own totals, by category the outer ones rise; else as the frame has them. */
  private arrangement(depth: number, nodes: Nodes): Arrangement {
    const { order, measures } = this.figure.data;
    const isInnermost = depth === this.levels.length - 1;
    if (order.by === 'measure' && measures.some(({ name }) => name === order.measure))
      return { by: { type: 'number', data: this.totals.values(order.measure, nodes) }, descending: order.descending };
    if (order.by === 'category' && !isInnermost) return { by: this.namesAt(depth, nodes), descending: false };
    return { by: null, descending: false };
  }

  private namesAt(depth: number, { firstRows }: Nodes): Values {
    return takeColumn(columnOf(this.frame.table, this.levels[depth]?.column ?? '') as Column, firstRows);
  }

  private othersAt(depth: number): Int32Array {
    const nodes = this.nodes[depth] as Nodes;
    const folded = new Map<number, number>();
    this.siblings[depth]?.forEach((item, above) => item.folded.forEach(node => folded.set(node, above)));
    return nodes.ids.map(node => folded.get(node) ?? -1);
  }

  private columns(): CrosstabColumn[] {
    const { rows } = this.figure.crosstab.totals;
    const cells = this.across.order.map((group): CrosstabColumn => ({ kind: 'cells', of: this.across.firstRows[group] as number }));
    if (rows === 'none' || this.frame.series === null) return cells;
    const total: CrosstabColumn = { kind: 'total', of: -1 };
    return rows === 'first' ? [total, ...cells] : [...cells, total];
  }

  /** Values of all cells: the frame's own, and those of totals, one pass for each level of them. */
  private cells(rows: readonly CrosstabRow[], columns: readonly CrosstabColumn[]): Pick<Crosstab, 'values' | 'frameRows'> {
    const size = rows.length * columns.length;
    const values = Object.fromEntries(this.measures.map(name => [name, new Float64Array(size).fill(NaN)]));
    const frameRows = new Int32Array(size).fill(-1);
    const grid = new Grid(rows, columns, this.across);
    this.fillCells(grid, frameRows, values);
    const depths = new Set(rows.map(({ kind, depth }) => `${kind} ${depth}`));
    for (const key of depths) {
      const [kind = '', depth = ''] = key.split(' ');
      this.fillTotals(grid, kind as CrosstabRow['kind'], Number(depth), values);
    }
    return { values, frameRows };
  }

  private fillCells(grid: Grid, frameRows: Int32Array, values: Record<string, Float64Array>): void {
    const depth = this.levels.length - 1;
    const innermost = this.nodes[depth] as Nodes;
    const at = grid.rowsBy('cells', depth, innermost.ids);
    const data = this.measures.map(name => columnOf(this.frame.table, name) as NumericValues | undefined);
    for (let row = 0; row < this.frame.table.rowCount; row++) {
      const down = at[innermost.ids[row] as number] ?? -1;
      const across = grid.columnOf(this.across.ids[row] as number);
      if (down === -1 || across === -1) continue;
      const cell = grid.cell(down, across);
      frameRows[cell] = row;
      this.measures.forEach((name, nth) => ((values[name] as Float64Array)[cell] = data[nth]?.data[row] ?? NaN));
    }
  }

  private fillTotals(grid: Grid, kind: CrosstabRow['kind'], depth: number, values: Record<string, Float64Array>): void {
    const down = this.unionsOf(kind, depth);
    const at = grid.rowsBy(kind, depth, down);
    const put = (name: string, totals: Float64Array, places: (union: number) => number): void =>
      totals.forEach((total, union) => {
        const cell = places(union);
        if (cell !== -1) (values[name] as Float64Array)[cell] = total;
      });
    for (const name of this.measures) {
      const count = at.length;
      if (grid.total !== -1) put(name, this.totals.values(name, { ids: down, count }), union => grid.cellAt(at[union] ?? -1, grid.total));
      if (kind === 'cells') continue;
      const pairs = pairsOf(down, this.across);
      put(name, this.totals.values(name, pairs), union => {
        const [left, right] = pairs.of[union] as readonly [number, number];
        return grid.cellAt(at[left] ?? -1, grid.columnOf(right));
      });
    }
  }

  /** Which row of a kind each row of the frame is summed up in. */
  private unionsOf(kind: CrosstabRow['kind'], depth: number): Int32Array {
    if (kind === 'total') return new Int32Array(this.frame.table.rowCount);
    if (kind === 'others') return this.others[depth] as Int32Array;
    return (this.nodes[depth] as Nodes).ids;
  }
}

/** Where unions of frame rows stand among the rows and columns. */
class Grid {
  /** The column of row totals; −1 where there is none. */
  readonly total: number;
  private readonly placeOf: Int32Array;

  constructor(
    private readonly rows: readonly CrosstabRow[],
    private readonly columns: readonly CrosstabColumn[],
    across: Across,
  ) {
    this.total = columns.findIndex(({ kind }) => kind === 'total');
    this.placeOf = new Int32Array(across.count).fill(-1);
    const first = this.total === 0 ? 1 : 0;
    across.order.forEach((group, place) => (this.placeOf[group] = place + first));
  }

  columnOf(group: number): number {
    return this.placeOf[group] ?? -1;
  }

  cell(row: number, column: number): number {
    return row * this.columns.length + column;
  }

  cellAt(row: number, column: number): number {
    return row === -1 || column === -1 ? -1 : this.cell(row, column);
  }

  /** By union: the row of a kind that stands for it, −1 where none does. */
  rowsBy(kind: CrosstabRow['kind'], depth: number, unions: Int32Array): Int32Array {
    let most = 0;
    for (const union of unions) if (union > most) most = union;
    const at = new Int32Array(most + 1).fill(-1);
    this.rows.forEach((row, place) => {
      if (row.kind !== kind || row.depth !== depth) return;
      const union = unions[row.of] as number;
      if (union !== -1 && union !== undefined) at[union] = place;
    });
    return at;
  }
}

/** Measures and drawn helper columns, those in the ledger only left out. */
function shownMeasures({ data }: Pick<Figure, 'data'>, { table }: Frame): readonly string[] {
  const measures = data.measures.filter(({ shape }) => shape !== 'none').map(({ name }) => name);
  const helpers = data.helpers.filter(({ shape }) => shape !== null && shape !== 'none').map(({ name }) => name);
  return [...measures, ...helpers].filter(name => columnOf(table, name)?.type === 'number');
}
