import type { Shown } from '../services/picture-store';
import { formatNumber } from 'core/format';
import { partsOfMeasure } from 'core/project';
import type { Frame } from 'core/frame';
import type { Picture } from 'core/plan';
import { cellAt, columnOf, isNumeric, textAt, type CellEdit, type Column } from 'core/table';
import type { CellMark, GridColumn } from './grid-column';

/** The ledger's columns: data first, then each cue's helper columns. */
export function ledgerColumns({ picture, ask }: Shown): GridColumn[] {
  if (!picture) return [];
  const { frame } = picture;
  const touched = rowsTouched(ask.edits);
  const names = [frame.category, ...frame.carried];
  return [
    ...names.map(name => keyColumn(frame, name, touched)),
    ...frame.measures.map(name => measureColumn({ picture, ask }, name, touched)),
    ...helperColumns(picture),
  ];
}

/** Number of source rows behind a row of the frame. */
export const sourceCount = ({ offsets }: Frame, row: number): number => (offsets[row + 1] ?? 0) - (offsets[row] ?? 0);

/** The source row behind a row of the frame, or undefined when there are several. */
export const onlySource = (frame: Frame, row: number): number | undefined =>
  sourceCount(frame, row) === 1 ? frame.rows[frame.offsets[row] as number] : undefined;

/** The source column that editing a measure's cell would edit: that of a simple measure, unless it counts. */
export function editedColumn({ ask }: Pick<Shown, 'ask'>, measure: string): string | undefined {
  const found = ask.figure.data.measures.find(item => item.name === measure);
  const parts = found && partsOfMeasure(found);
  return parts && parts.summary !== 'count' ? parts.column : undefined;
}

type Touched = ReadonlyMap<string, ReadonlySet<number>>;

function rowsTouched(edits: readonly CellEdit[]): Touched {
  const touched = new Map<string, Set<number>>();
  for (const { column, row } of edits) touched.set(column, (touched.get(column) ?? new Set()).add(row));
  return touched;
}

const asText = (column: Column, row: number): string =>
  column.type === 'number' ? numberText(column.data[row] as number) : textAt(column, row);
const numberText = (value: number): string => (Number.isNaN(value) ? '' : formatNumber(value));

function base(column: Column): Pick<GridColumn, 'name' | 'numeric' | 'value' | 'text'> {
  return { name: column.name, numeric: isNumeric(column), value: row => cellAt(column, row), text: row => asText(column, row) };
}

function keyColumn(frame: Frame, name: string, touched: Touched): GridColumn {
  const column = columnOf(frame.table, name) as Column;
  const isEdited = (row: number): boolean => touched.get(name)?.has(onlySource(frame, row) ?? -1) ?? false;
  return {
    ...base(column),
    mark: row => (isEdited(row) ? 'edited' : null),
    editable: row => onlySource(frame, row) !== undefined,
    opens: () => false,
  };
}

function measureColumn(shown: { picture: Picture; ask: Shown['ask'] }, name: string, touched: Touched): GridColumn {
  const { frame } = shown.picture;
  const rows = touched.get(editedColumn(shown, name) ?? '');
  return {
    ...base(columnOf(frame.table, name) as Column),
    mark: row => (frame.whatIfs[name]?.[row] ? 'what-if' : editMark(frame, row, rows)),
    editable: () => true,
    opens: row => sourceCount(frame, row) > 1,
  };
}

function editMark(frame: Frame, row: number, touched: ReadonlySet<number> | undefined): CellMark {
  if (!touched) return null;
  const [from, to] = [frame.offsets[row] as number, frame.offsets[row + 1] as number];
  if (!frame.rows.subarray(from, to).some(source => touched.has(source))) return null;
  return to - from === 1 ? 'edited' : 'edited-below';
}

function helperColumns({ applied }: Picture): GridColumn[] {
  return applied.flatMap(({ helpers, treatments, number }) =>
    helpers.map(({ column, part, formula }): GridColumn => ({
      ...base(column),
      mark: () => null,
      editable: () => false,
      opens: () => false,
      helper: { cue: number, colour: treatments.find(treatment => treatment.part === part)?.colour ?? null, formula },
    })),
  );
}
