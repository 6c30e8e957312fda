import { groupRows, sortRows } from 'core/formula';
import type { Frame } from 'core/frame';
import { columnOf, type Column, type Values } from 'core/table';
import type { Level } from './levels';

/** The nodes of one level: which one each row of the frame is in, and a row of the frame for each. */
export interface Nodes {
  readonly ids: Int32Array;
  readonly count: number;
  readonly firstRows: Int32Array;
}

/** The nodes of every level, outermost first; those of the next lie within them. */
export function nodesOf({ table }: Frame, levels: readonly Level[]): readonly Nodes[] {
  return levels.map((_, depth) => {
    const keys = levels.slice(0, depth + 1).map(({ column }) => columnOf(table, column) as Column);
    const { ids, count, firstRows } = groupRows(keys, table.rowCount);
    return { ids: ids ?? new Int32Array(table.rowCount), count, firstRows };
  });
}

/** How the nodes of one level stand within the one above: by a value of each, or as they come. */
export interface Arrangement {
  readonly by: Values | null;
  readonly descending: boolean;
}

/** The nodes of a level within each node of the one above, in their order. */
export function childrenOf(above: Nodes | null, nodes: Nodes, { by, descending }: Arrangement): readonly (readonly number[])[] {
  const inside: number[][] = Array.from({ length: above?.count ?? 1 }, () => []);
  const order = by ? sortRows([{ values: by, descending }], nodes.count) : nodes.firstRows.map((_, node) => node);
  for (const node of order) inside[above ? (above.ids[nodes.firstRows[node] as number] as number) : 0]?.push(node);
  return inside;
}
