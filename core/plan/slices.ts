import { groupRows } from 'core/formula';
import { keyOf, type Frame } from 'core/frame';
import type { Figure } from 'core/document';
import type { Stages } from 'core/stages';
import { columnOf, type Column } from 'core/table';
import { axisNames } from 'core/words';

/** One stretch of the frame that a layer draws: its rows along the category axis, its series and panel. */
export interface Slice {
  readonly rows: Int32Array;
  readonly series: string | null;
  readonly panel: number;
  /** Place among the series, for its colour. */
  readonly nth: number;
  /** Place among the lines, or bars, that stand in one panel, for its dash; none where it is alone. */
  readonly line?: number;
  /** The slice is the frame, row by row: the commonest one. */
  readonly whole: boolean;
}

/** The category axis, and the frame spread out along it. */
export interface Spread {
  readonly categories: readonly string[];
  /** A row of the frame for each of them. */
  readonly firstRows: Int32Array;
  readonly slices: readonly Slice[];
  readonly panelTitles: readonly string[];
}

/** Spreads the frame's rows along the category axis: one slice per series and panel. */
export function spreadOf(frame: Frame, figure: Figure, stages: Stages): Spread {
  const { data, scales } = figure;
  const asked = [columnOf(frame.table, frame.category), data.step, scales.along.language];
  const names = stages('named', asked, () => axisNames(frame, figure));
  if (frame.series !== null || frame.panel !== null) return splitSpread(frame, names);
  const rows = stages('rows along', [names.length], () => Int32Array.from(names, (_, row) => row));
  return { categories: names, firstRows: rows, slices: [{ rows, series: null, panel: 0, nth: 0, whole: true }], panelTitles: [''] };
}

function splitSpread(frame: Frame, names: readonly string[]): Spread {
  const { table } = frame;
  const groups = (name: string | null) => groupRows(name === null ? [] : [columnOf(table, name) as Column], table.rowCount);
  const [along, series, panels] = [groups(frame.category), groups(frame.series), groups(frame.panel)];
  const slices = new Map<number, Slice>();
  for (let row = 0; row < table.rowCount; row++) {
    const [nth, panel] = [idOf(series.ids, row), idOf(panels.ids, row)];
    const key = panel * series.count + nth;
    let slice = slices.get(key);
    if (!slice) {
      slice = { rows: new Int32Array(along.count).fill(-1), series: nameAt(frame, frame.series, row), panel, nth, whole: false };
      slices.set(key, slice);
    }
    slice.rows[idOf(along.ids, row)] = row;
  }
  const titles = Array.from(panels.firstRows, row => nameAt(frame, frame.panel, row) ?? '');
  const inOrder = [...slices.values()].sort((a, b) => a.panel - b.panel || a.nth - b.nth);
  const { firstRows } = along;
  return { categories: Array.from(firstRows, row => names[row] as string), firstRows, slices: inOrder, panelTitles: titles };
}

const idOf = (ids: Int32Array | null, row: number): number => (ids ? (ids[row] as number) : 0);

function nameAt({ table }: Frame, column: string | null, row: number): string | null {
  return column === null ? null : (keyOf(columnOf(table, column) as Column, row) ?? '(missing)');
}

/** A column's numbers along the category axis; missing where the slice has no row. */
export function alongSlice({ rows, whole }: Slice, data: Float64Array): Float64Array {
  if (whole && data.length === rows.length) return data;
  const values = new Float64Array(rows.length);
  for (let at = 0; at < rows.length; at++) values[at] = rows[at] === -1 ? NaN : (data[rows[at] as number] as number);
  return values;
}
