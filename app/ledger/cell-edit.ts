import { parseCell, type TypedColumn } from 'core/io';
import { keyOf, type WhatIf } from 'core/frame';
import type { Edit } from 'core/document/edits';
import type { TableDoc } from 'core/document';
import { success, type Result } from 'core/result';
import { messageFor } from 'core/result/words';
import { columnOf, type Cell, type CellEdit, type Column } from 'core/table';
import type { Shown } from '../services/engine/picture-store';
import type { SourceInfo } from 'engine';
import type { CellAddress, CellText, RefusedText } from './grid-column';
import { editedColumn, onlySource } from './ledger-columns';

/** The meaning of typed ledger cells: edits of source rows, what-if values, and texts that could not be read. */
export interface CellChanges {
  readonly edit: Edit | null;
  readonly refused: readonly RefusedText[];
}

/** Turns typed or pasted cells into one edit. Cells that cannot take a value are passed over; unreadable ones are told. */
export function changesFor(shown: Shown, source: SourceInfo, cells: readonly CellText[], table?: TableDoc): CellChanges {
  const targets = cells.flatMap(cell => {
    const target = targetOf(shown, cell);
    return target ? [{ cell, target, value: valueFor(target, { shown, source, table }, cell.text) }] : [];
  });
  const edits: CellEdit[] = [];
  const whatIfs: WhatIf[] = [];
  const refused: RefusedText[] = [];
  for (const { cell, target, value } of targets) {
    if (!value.ok) refused.push({ ...cell, words: value.problems.map(messageFor).join(' ') });
    else if (target.kind === 'source' && table?.made) refused.push({ ...cell, words: MADE_OF_OTHERS });
    else if (target.kind === 'source') edits.push({ row: target.row, column: target.column, value: value.value });
    else
      whatIfs.push({
        by: target.by,
        category: target.category,
        split: target.split,
        measure: target.measure,
        value: value.value as number | null,
      });
  }
  return { edit: editOf(shown, edits, whatIfs), refused };
}

/** Rows of a table that is made of others come and go with those: an edit would soon stand in another row. */
export const MADE_OF_OTHERS = 'This table is made of others. Edit the cell in the table that it comes from.';

/** Takes a cell's edit or what-if value back. */
export function resetFor(shown: Shown, cell: CellAddress): Edit | null {
  const target = targetOf(shown, cell);
  if (!target) return null;
  if (target.kind === 'what-if') {
    const { by, category, split, measure } = target;
    return { kind: 'reset-what-ifs', figure: shown.ask.figure.id, whatIfs: [{ by, category, split, measure }] };
  }
  return { kind: 'reset-cells', table: shown.ask.figure.data.table, cells: [{ row: target.row, column: target.column }] };
}

type Target =
  | { readonly kind: 'source'; readonly row: number; readonly column: string }
  | {
      readonly kind: 'what-if';
      readonly by: string;
      readonly category: string | null;
      readonly split: (string | null)[];
      readonly measure: string;
    };

/** A cell that stands for one row edits that row; one that sums up several takes a what-if value. */
function targetOf(shown: Shown, { row, column }: CellAddress): Target | null {
  const frame = shown.picture?.frame;
  if (!frame || row >= frame.table.rowCount) return null;
  const source = onlySource(frame, row);
  if (frame.measures.includes(column)) {
    const edited = editedColumn(shown, column);
    const hasWhatIf = frame.whatIfs[column]?.[row] === 1;
    if (source !== undefined && edited !== undefined && !hasWhatIf) return { kind: 'source', row: source, column: edited };
    const keyAt = (name: string): string | null => keyOf(columnOf(frame.table, name) as Column, row);
    const split = [...new Set([frame.panel, frame.series, ...frame.outer])]
      .filter(name => name !== null && name !== frame.category)
      .map(name => keyAt(name as string));
    return { kind: 'what-if', by: frame.category, category: keyAt(frame.category), split, measure: column };
  }
  const isKey = [frame.category, frame.panel, frame.series, ...frame.outer, ...frame.carried].includes(column);
  const isComputed =
    shown.ask.table.derived.some(item => item.name === column) || (column === frame.category && shown.ask.figure.data.step !== null);
  return isKey && !isComputed && source !== undefined ? { kind: 'source', row: source, column } : null;
}

/** A column with how its file was read, so that the same text means the same value. */
export const typedColumn = (column: SourceInfo['columns'][number], table: TableDoc | undefined): TypedColumn => ({
  ...column,
  reading: table?.readings[column.name],
  unit: table?.units[column.name],
});

/** Where a text is typed: the figure, its source, and how its file was read. */
interface Typing {
  readonly shown: Shown;
  readonly source: SourceInfo;
  readonly table: TableDoc | undefined;
}

function valueFor(target: Target, { shown, source, table }: Typing, text: string): Result<Cell> {
  const name = target.kind === 'what-if' ? editedColumn(shown, target.measure) : target.column;
  const column = source.columns.find(item => item.name.toLowerCase() === name?.toLowerCase());
  // A what-if value is a number whatever its column holds, and is read as that column's numbers are.
  if (target.kind === 'what-if')
    return parseCell(text, { ...(column && typedColumn(column, table)), name: target.measure, type: 'number' });
  return column ? parseCell(text, typedColumn(column, table)) : success(text);
}

function editOf({ ask }: Shown, edits: readonly CellEdit[], whatIfs: readonly WhatIf[]): Edit | null {
  const steps: Edit[] = [];
  if (edits.length) steps.push({ kind: 'edit-cells', table: ask.figure.data.table, cells: edits });
  if (whatIfs.length) steps.push({ kind: 'set-what-ifs', figure: ask.figure.id, whatIfs });
  if (steps.length === 0) return null;
  return steps.length === 1 ? (steps[0] as Edit) : { kind: 'all', edits: steps };
}
