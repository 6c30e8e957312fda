import type { ColDef, ColGroupDef } from 'ag-grid-community';
import type { GridColumn } from './grid-column';

/** Columns as the grid takes them; helper columns stand under the name of their cue. */
export function underCues<Row>(
  columns: readonly GridColumn[],
  define: (column: GridColumn, index: number) => ColDef<Row>,
): (ColDef<Row> | ColGroupDef<Row>)[] {
  const groups: (ColDef<Row> | ColGroupDef<Row>)[] = [];
  let last: { readonly number: number; readonly children: ColDef<Row>[] } | null = null;
  columns.forEach((column, i) => {
    const cue = column.helper?.cue;
    const definition = define(column, i);
    if (!cue) return groups.push(definition);
    if (last?.number === cue.number) return last.children.push(definition);
    last = { number: cue.number, children: [definition] };
    return groups.push({
      groupId: `cue ${cue.number}`,
      headerName: `Cue ${cue.number}: ${cue.kind}`,
      headerClass: 'ledger-group',
      marryChildren: true,
      children: last.children,
    });
  });
  return groups;
}
