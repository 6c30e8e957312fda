import type { Shown } from '../services/picture-store';
import { formatNumber } from 'core/format';
import { partsOfMeasure } from 'core/project';
import { helperFormula, type Frame } from 'core/frame';
import { rowNames, writerOf, type Picture, type ValueWriter } from 'core/plan';
import { cellAt, columnOf, textAt, type CellEdit, type Column } from 'core/table';
import type { CellMark, GridColumn } from './grid-column';

/** The ledger's columns: data first, then each cue's helper columns. */
export function ledgerColumns({ picture, ask }: Shown): GridColumn[] {
  if (!picture) return [];
  const { frame } = picture;
  const touched = rowsTouched(ask.table.edits);
  const write = writerOf(ask.figure, ask.writing);
  const names = [...new Set([frame.category, frame.panel, frame.series, ...frame.carried])].filter(name => name !== null);
  return [
    ...names.map(name => keyColumn({ picture, ask }, name, touched)),
    ...frame.measures.map(name => measureColumn({ picture, ask }, name, touched, write)),
    ...frame.helpers.map(name => handColumn({ picture, ask }, name, write)),
    ...helperColumns(picture, write),
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
  const derived = ask.table.derived.some(item => item.name === parts?.column);
  return parts && parts.summary !== 'count' && !derived ? parts.column : undefined;
}

type Touched = ReadonlyMap<string, ReadonlySet<number>>;

function rowsTouched(edits: readonly CellEdit[]): Touched {
  const touched = new Map<string, Set<number>>();
  for (const { column, row } of edits) touched.set(column, (touched.get(column) ?? new Set()).add(row));
  return touched;
}

type Written = (value: number) => string;

const asText = (column: Column, row: number, write: Written): string =>
  column.type === 'number' ? numberText(column.data[row] as number, write) : textAt(column, row);
const numberText = (value: number, write: Written): string => (Number.isNaN(value) ? '' : write(value));

function base(column: Column, write: Written = formatNumber): Pick<GridColumn, 'name' | 'numeric' | 'value' | 'text'> {
  return {
    name: column.name,
    numeric: column.type === 'number',
    value: row => cellAt(column, row),
    text: row => asText(column, row, write),
  };
}

interface From {
  readonly picture: Picture;
  readonly ask: Shown['ask'];
}

function keyColumn({ picture, ask }: From, name: string, touched: Touched): GridColumn {
  const { frame } = picture;
  const column = columnOf(frame.table, name) as Column;
  const isEdited = (row: number): boolean => touched.get(name)?.has(onlySource(frame, row) ?? -1) ?? false;
  const stepped = name === frame.category && ask.figure.data.step !== null;
  const names = stepped ? rowNames(frame, ask.figure.data) : null;
  const derived = ask.table.derived.some(item => item.name === name);
  return {
    ...base(column),
    ...(names ? { text: (row: number) => names[row] ?? '' } : {}),
    mark: row => (isEdited(row) ? 'edited' : null),
    editable: row => !stepped && !derived && onlySource(frame, row) !== undefined,
    opens: () => false,
  };
}

function measureColumn(shown: From, name: string, touched: Touched, write: ValueWriter): GridColumn {
  const { frame } = shown.picture;
  const rows = touched.get(editedColumn(shown, name) ?? '');
  const column = columnOf(frame.table, name) as Column;
  return {
    ...base(column, value => write.value(name, value)),
    mark: row => (frame.whatIfs[name]?.[row] ? 'what-if' : editMark(frame, row, rows)),
    editable: () => column.type === 'number',
    opens: row => sourceCount(frame, row) > 1,
  };
}

/** A helper column by hand: its formula stands with it as a cue's does. */
function handColumn({ picture, ask }: From, name: string, write: ValueWriter): GridColumn {
  const helper = ask.figure.data.helpers.find(item => item.name === name);
  return {
    ...base(columnOf(picture.frame.table, name) as Column, value => write.value(name, value)),
    mark: () => null,
    editable: () => false,
    opens: () => false,
    helper: { cue: null, colour: null, formula: helper ? helperFormula(helper) : '' },
  };
}

function editMark(frame: Frame, row: number, touched: ReadonlySet<number> | undefined): CellMark {
  if (!touched) return null;
  const [from, to] = [frame.offsets[row] as number, frame.offsets[row + 1] as number];
  if (!frame.rows.subarray(from, to).some(source => touched.has(source))) return null;
  return to - from === 1 ? 'edited' : 'edited-below';
}

function helperColumns({ applied }: Picture, write: ValueWriter): GridColumn[] {
  return applied.flatMap(({ cue, helpers, treatments, number }) =>
    helpers.map(({ column, part, formula }): GridColumn => ({
      ...base(column, value => write.value(cue.measure, value)),
      mark: () => null,
      editable: () => false,
      opens: () => false,
      helper: { cue: number, colour: treatments.find(treatment => treatment.part === part)?.colour ?? null, formula },
    })),
  );
}
