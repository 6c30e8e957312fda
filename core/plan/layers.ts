import type { AppliedCue, Winners } from 'core/cue';
import { keyOf, type Frame, type LayerShape } from 'core/frame';
import { groupRows } from 'core/formula';
import type { Figure } from 'core/project';
import { columnOf, rowsWithValue, type Column, type NumericValues } from 'core/table';
import { rowNames } from './category-names';
import { colourIn, type Livery } from './livery';
import type { LabelAsk, Layer } from './plan';
import type { ValueWriter } from './value-writer';

/** The category axis and the layers along it. */
export interface Layout {
  readonly categories: readonly string[];
  readonly panelTitles: readonly string[];
  readonly layers: readonly Layer[];
}

export interface LayoutRequest {
  readonly figure: Figure;
  readonly frame: Frame;
  readonly applied: readonly AppliedCue[];
  readonly winners: Winners;
  readonly livery: Livery;
  readonly write: ValueWriter;
}

/** One stretch of the frame that a layer draws: its rows along the category axis, its series and panel. */
interface Slice {
  readonly rows: Int32Array;
  readonly series: string | null;
  readonly panel: number;
  /** Place among the series, for its colour. */
  readonly place: number;
}

interface Drawn {
  readonly measure: string;
  readonly shape: LayerShape;
}

/** Spreads the frame's rows out into layers: one per drawn column and series, in their panels. */
export function layoutOf(request: LayoutRequest): Layout {
  const { figure, frame } = request;
  const drawn = drawnColumns(figure, frame);
  const { categories, slices, panels } = slicesOf(frame, figure);
  const perMeasure = figure.shape.panels === 'measures' && frame.panel === null && drawn.length > 1;
  const layers = drawn.flatMap((column, i) =>
    slices.map(slice =>
      layerOf(request, column, { ...slice, panel: perMeasure ? i : slice.panel, place: slices.length > 1 ? slice.place : i }),
    ),
  );
  return { categories, layers, panelTitles: perMeasure ? drawn.map(({ measure }) => measure) : panels };
}

function drawnColumns({ data, shape }: Figure, { table }: Frame): Drawn[] {
  const own: LayerShape = shape.mark === 'bar' ? 'column' : shape.mark;
  const measures = data.measures.map(({ name, shape }): Drawn => ({ measure: name, shape: shape ?? own }));
  const helpers = data.helpers.flatMap(({ name, shape }): Drawn[] => (shape ? [{ measure: name, shape }] : []));
  return [...measures, ...helpers].filter(({ measure }) => columnOf(table, measure)?.type === 'number');
}

function slicesOf(frame: Frame, { data }: Figure): { categories: string[]; slices: Slice[]; panels: string[] } {
  const names = rowNames(frame, data);
  if (frame.series === null && frame.panel === null) {
    const rows = new Int32Array(names.length);
    for (let row = 0; row < rows.length; row++) rows[row] = row;
    return { categories: names, slices: [{ rows, series: null, panel: 0, place: 0 }], panels: [''] };
  }
  return splitSlices(frame, names);
}

function splitSlices(frame: Frame, names: readonly string[]): { categories: string[]; slices: Slice[]; panels: string[] } {
  const { table } = frame;
  const groups = (name: string | null) => groupRows(name === null ? [] : [columnOf(table, name) as Column], table.rowCount);
  const [along, series, panels] = [groups(frame.category), groups(frame.series), groups(frame.panel)];
  const slices = new Map<number, Slice>();
  for (let row = 0; row < table.rowCount; row++) {
    const [place, panel] = [idOf(series.ids, row), idOf(panels.ids, row)];
    const key = panel * series.count + place;
    let slice = slices.get(key);
    if (!slice) {
      slice = { rows: new Int32Array(along.count).fill(-1), series: nameAt(frame, frame.series, row), panel, place };
      slices.set(key, slice);
    }
    slice.rows[idOf(along.ids, row)] = row;
  }
  const titles = Array.from(panels.firstRows, row => nameAt(frame, frame.panel, row) ?? '');
  const inOrder = [...slices.values()].sort((a, b) => a.panel - b.panel || a.place - b.place);
  return { categories: Array.from(along.firstRows, row => names[row] as string), slices: inOrder, panels: titles };
}

const idOf = (ids: Int32Array | null, row: number): number => (ids ? (ids[row] as number) : 0);

function nameAt({ table }: Frame, column: string | null, row: number): string | null {
  return column === null ? null : (keyOf(columnOf(table, column) as Column, row) ?? '(missing)');
}

function layerOf({ frame, applied, winners, livery, write }: LayoutRequest, { measure, shape }: Drawn, slice: Slice): Layer {
  const { data } = columnOf(frame.table, measure) as NumericValues;
  const { rows, place } = slice;
  const quiet = applied.some(cue => cue.quietsRest);
  const own = livery.series[place % livery.series.length] ?? livery.base;
  const unmarked = quiet ? livery.quiet : own;
  // A cue colours the marks of the measure that it is about.
  const palette = applied.map(({ cue, treatments }) =>
    cue.measure === measure ? treatments.map(({ colour }) => colourIn(livery, colour)) : [],
  );
  const values = new Float64Array(rows.length);
  const colours = new Array<string>(rows.length);
  const marked = new Uint8Array(rows.length);
  for (let at = 0; at < rows.length; at++) {
    const row = rows[at] as number;
    values[at] = row === -1 ? NaN : (data[row] as number);
    const cue = row === -1 ? -1 : (winners.cue[row] as number);
    const colour = cue === -1 ? undefined : palette[cue]?.[winners.treatment[row] as number];
    colours[at] = colour ?? unmarked;
    if (colour !== undefined) marked[at] = 1;
  }
  const name = slice.series === null ? measure : slice.series;
  return {
    name,
    measure,
    shape,
    panel: slice.panel,
    values,
    rows,
    colour: unmarked,
    colours,
    marked,
    labels: labelsOf(applied, measure, slice, data, write),
  };
}

/** A mark is labelled once, whichever of its cues asks. */
function labelsOf(applied: readonly AppliedCue[], measure: string, { rows }: Slice, data: Float64Array, write: ValueWriter): LabelAsk[] {
  const wanted = new Uint8Array(data.length);
  let any = false;
  for (const { cue, helpers, treatments } of applied) {
    if (cue.measure !== measure) continue;
    for (const { part, label } of treatments) {
      const column = label ? helpers.find(helper => helper.part === part)?.column : undefined;
      if (!column) continue;
      any = true;
      for (const row of rowsWithValue(column)) wanted[row] = 1;
    }
  }
  const labels: LabelAsk[] = [];
  if (!any) return labels;
  for (let at = 0; at < rows.length; at++) {
    const row = rows[at] as number;
    if (wanted[row] === 1) labels.push({ at, text: write.value(measure, data[row] as number) });
  }
  return labels;
}
