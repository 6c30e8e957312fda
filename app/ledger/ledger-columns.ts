import type { Shown } from '../services/engine/picture-store';
import { formatNumber } from 'core/format';
import { partsOfMeasure } from 'core/frame';
import type { Treatment } from 'core/cue';
import { helperFormula, type Frame } from 'core/frame';
import type { DrawnColumn, Picture } from 'core/plan';
import { partName, rowNames, writerOf, type ValueWriter } from 'core/words';
import { cellAt, columnOf, isMissing, textAt, type CellEdit, type Column } from 'core/table';
import type { CellMark, GridColumn } from './grid-column';

/** The ledger's columns: data first, then each cue's helper columns. */
export function ledgerColumns({ picture, ask }: Shown): GridColumn[] {
  if (!picture) return [];
  const { frame } = picture;
  const touched = rowsTouched(ask.table.edits);
  const write = writerOf(ask.figure, ask.writing);
  const names = [...new Set([frame.category, frame.panel, frame.series, ...frame.outer, ...frame.carried])].filter(name => name !== null);
  return [
    ...names.map(name => keyColumn({ picture, ask }, name, touched)),
    ...frame.measures.map(name => measureColumn({ picture, ask }, name, touched, write)),
    ...frame.overall.map(name => overallColumn({ picture, ask }, name, write)),
    ...frame.helpers.map(name => handColumn({ picture, ask }, name, write)),
    ...picture.drawn.map(drawnColumn),
    ...helperColumns(picture, write),
  ];
}

/** Number of source rows behind a row of the frame. */
export const sourceCount = ({ source: { offsets } }: Frame, row: number): number => (offsets[row + 1] ?? 0) - (offsets[row] ?? 0);

/** The source row behind a row of the frame, or undefined when there are several. */
export const onlySource = (frame: Frame, row: number): number | undefined =>
  sourceCount(frame, row) === 1 ? frame.source.rows[frame.source.offsets[row] as number] : undefined;

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

/** One column has one number of decimals. */
const alike = (write: ValueWriter, measure: string, column: Column, as?: 'percent' | 'number'): Written =>
  write.alike(measure, column.type === 'text' ? [] : column.data, as);

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
  const isCategory = name === frame.category;
  const stepped = isStepped(ask.figure, frame, name);
  const names = stepped && isCategory ? rowNames(frame, ask.figure) : null;
  const derived = ask.table.derived.some(item => item.name === name);
  return {
    // Years and codes are names here: they are not grouped.
    ...base(column, String),
    ...(names ? { text: (row: number) => names[row] ?? '' } : {}),
    ...(stepped && !isCategory ? { text: (row: number) => (isMissing(column, row) ? '' : partName(frame, ask.figure, name, row)) } : {}),
    mark: row => (isEdited(row) ? 'edited' : null),
    editable: row => !stepped && !derived && onlySource(frame, row) !== undefined,
    opens: () => false,
  };
}

/** Whether a column of names shows periods or bins, not values of the rows. */
function isStepped({ data }: Shown['ask']['figure'], frame: Frame, name: string): boolean {
  if (name === frame.category) return data.step !== null;
  const outer = data.outer.find(level => level.column === name);
  return outer && frame.outer.includes(name) ? outer.step !== null : name === frame.series && data.seriesStep !== null;
}

function measureColumn(shown: From, name: string, touched: Touched, write: ValueWriter): GridColumn {
  const { frame } = shown.picture;
  const rows = touched.get(editedColumn(shown, name) ?? '');
  const column = columnOf(frame.table, name) as Column;
  return {
    ...base(column, alike(write, name, column)),
    mark: row => (frame.whatIfs[name]?.[row] ? 'what-if' : editMark(frame, row, rows)),
    editable: () => column.type === 'number',
    opens: row => sourceCount(frame, row) > 1,
  };
}

/** A measure over all rows behind the figure, written as the measure is. */
function overallColumn({ picture: { frame } }: From, name: string, write: ValueWriter): GridColumn {
  const measure = frame.measures.find(item => name.startsWith(`${item} over all rows`)) ?? name;
  return {
    ...base(columnOf(frame.table, name) as Column, alike(write, measure, columnOf(frame.table, name) as Column)),
    mark: () => null,
    editable: () => false,
    opens: () => false,
  };
}

/** A helper column by hand: its formula stands with it as a cue's does. */
function handColumn({ picture, ask }: From, name: string, write: ValueWriter): GridColumn {
  const helper = ask.figure.data.helpers.find(item => item.name === name);
  return {
    ...base(columnOf(picture.frame.table, name) as Column, alike(write, name, columnOf(picture.frame.table, name) as Column)),
    mark: () => null,
    editable: () => false,
    opens: () => false,
    helper: {
      cue: null,
      colour: null,
      formula: helper ? helperFormula(helper) : '',
    },
  };
}

const PERCENT_OF_AXIS = { decimals: 1, suffix: ' %' };

/** The column of values that a broken axis draws, with the scale as its formula. */
function drawnColumn({ formula, column }: DrawnColumn): GridColumn {
  return {
    ...base(column, value => formatNumber(value, PERCENT_OF_AXIS)),
    mark: () => null,
    editable: () => false,
    opens: () => false,
    helper: { cue: null, colour: null, formula },
  };
}

function editMark(frame: Frame, row: number, touched: ReadonlySet<number> | undefined): CellMark {
  if (!touched) return null;
  const [from, to] = [frame.source.offsets[row] as number, frame.source.offsets[row + 1] as number];
  if (!frame.source.rows.subarray(from, to).some(source => touched.has(source))) return null;
  return to - from === 1 ? 'edited' : 'edited-below';
}

function helperColumns({ applied, frame }: Picture, write: ValueWriter): GridColumn[] {
  return applied.flatMap(({ cue, helpers, treatments, number }) =>
    helpers.map(({ column, part, formula, as }): GridColumn => ({
      ...base(column, alike(write, cue.measure, sourceOf(column, columnOf(frame.table, cue.measure)), as)),
      mark: () => null,
      editable: () => false,
      opens: () => false,
      helper: {
        cue: { number, kind: cue.kind },
        colour: colourOf(treatments, part),
        formula,
      },
    })),
  );
}

/** Values that a helper column takes over from its measure are written like them, be they few or many. */
const sourceOf = (helper: Column, measure: Column | undefined): Column =>
  measure && helper.type === 'number' && helper.data.every((value: number, row: number) => value !== value || value === measure.data[row])
    ? measure
    : helper;

/** The colour in which a part shows; null when it has none. */
function colourOf(treatments: readonly Treatment[], part: string): string | null {
  for (const item of treatments) {
    if (item.show === 'mark' && item.part === part) return item.look.colour || null;
    if (item.show === 'line' && item.part === part) return item.colour;
    if ((item.show === 'band' || item.show === 'span') && (item.low === part || item.high === part)) return item.colour;
    const found = item.show === 'split' ? item.parts.find(other => other.part === part) : undefined;
    if (found) return found.look.colour || null;
  }
  return null;
}
