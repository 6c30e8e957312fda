import { groupRows, sortRows } from 'core/formula';
import { isAdditive, keyOf, type Frame } from 'core/frame';
import type { Figure } from 'core/document';
import type { Stages } from 'core/stages';
import { columnOf, takeColumn, type Column, type Values } from 'core/table';
import { axisNames } from 'core/words';

/** The rows of the frame that one layer draws, along the category axis, with their series and panel. */
export interface Slice {
  readonly rows: Int32Array;
  readonly series: string | null;
  readonly panel: number;
  /** Index among the series, which decides the colour. */
  readonly nth: number;
  /** Index among the lines, or bars, of one panel, which decides the dash; undefined where it is the only one. */
  readonly line?: number;
  /** The slice is the whole frame, row by row: the most frequent case. */
  readonly whole: boolean;
}

/** The category axis, and the frame spread out along it. */
export interface Spread {
  readonly categories: readonly string[];
  /** For each category one row of the frame. */
  readonly firstRows: Int32Array;
  readonly slices: readonly Slice[];
  readonly panelTitles: readonly string[];
}

/** Spreads the frame's rows along the category axis: one slice per series and panel. */
export function spreadOf(frame: Frame, figure: Figure, stages: Stages): Spread {
  const { data, scales } = figure;
  const asked = [columnOf(frame.table, frame.category), data.step, scales.along.language];
  const names = stages('named', asked, () => axisNames(frame, figure));
  if (frame.series !== null || frame.panel !== null) return splitSpread(frame, figure, names);
  const rows = stages('rows along', [names.length], () => Int32Array.from(names, (_, row) => row));
  return { categories: names, firstRows: rows, slices: [{ rows, series: null, panel: 0, nth: 0, whole: true }], panelTitles: [''] };
}

function splitSpread(frame: Frame, figure: Figure, names: readonly string[]): Spread {
  const { table } = frame;
  const groups = (name: string | null) => groupRows(name === null ? [] : [columnOf(table, name) as Column], table.rowCount);
  const [along, series, panels] = [groups(frame.category), groups(frame.series), groups(frame.panel)];
  const places = panelPlaces(frame, figure, panels);
  const slices = new Map<number, Slice>();
  for (let row = 0; row < table.rowCount; row++) {
    const [nth, panel] = [idOf(series.ids, row), places[idOf(panels.ids, row)] as number];
    const key = panel * series.count + nth;
    let slice = slices.get(key);
    if (!slice) {
      slice = { rows: new Int32Array(along.count).fill(-1), series: nameAt(frame, frame.series, row), panel, nth, whole: false };
      slices.set(key, slice);
    }
    slice.rows[idOf(along.ids, row)] = row;
  }
  const titles: string[] = [];
  panels.firstRows.forEach((row, group) => (titles[places[group] as number] = nameAt(frame, frame.panel, row) ?? ''));
  const inOrder = [...slices.values()].sort((a, b) => a.panel - b.panel || a.nth - b.nth);
  const { firstRows } = along;
  return { categories: Array.from(firstRows, row => names[row] as string), firstRows, slices: inOrder, panelTitles: titles };
}

/** The order of the panels: as in the table, by name, by the size of the first measure, or as listed. */
function panelPlaces(frame: Frame, { data, shape }: Figure, panels: PanelGroups): Int32Array {
  const { count, firstRows } = panels;
  const keys = panelKeys(frame, data, shape.panelOrder, panels);
  const order = keys ? sortRows([{ values: keys, descending: shape.panelOrder.descending }], count) : firstRows.map((_, group) => group);
  const places = new Int32Array(count);
  order.forEach((group, place) => (places[group] = place));
  return places;
}

type PanelGroups = ReturnType<typeof groupRows>;

function panelKeys(frame: Frame, data: Figure['data'], { by, keys }: Figure['shape']['panelOrder'], panels: PanelGroups): Values | null {
  const column = frame.panel === null ? undefined : columnOf(frame.table, frame.panel);
  if (!column || by === 'table') return null;
  if (by === 'name') return takeColumn(column, panels.firstRows);
  if (by === 'size') return { type: 'number', data: sizesOf(frame, data, panels) };
  const places = new Map(keys.map((key, place) => [key, place]));
  return { type: 'number', data: Float64Array.from(panels.firstRows, row => places.get(keyOf(column, row)) ?? keys.length) };
}

/** The size of each panel by the first measure: the total where the measure adds up, else the mean. */
function sizesOf({ table }: Frame, { measures }: Figure['data'], { ids, count }: PanelGroups): Float64Array {
  const [measure] = measures;
  const values = measure && columnOf(table, measure.name);
  const [totals, there] = [new Float64Array(count), new Float64Array(count)];
  if (values?.type !== 'number') return totals;
  values.data.forEach((value, row) => {
    const panel = idOf(ids, row);
    if (value !== value) return;
    totals[panel] = (totals[panel] as number) + value;
    there[panel] = (there[panel] as number) + 1;
  });
  const adds = isAdditive(measure?.formula ?? '');
  return totals.map((total, panel) => (there[panel] ? (adds ? total : total / there[panel]) : NaN));
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
