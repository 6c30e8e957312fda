import { shapeOfFigure } from 'core/document';
import { isArea, shapes, type ShapeName } from 'core/shape';
import type { TreatmentOf } from 'core/cue';
import { DASHES, PLAIN_LINE, withPen, type Dash, type Frame, type Helper, type LayerShape, type Measure } from 'core/frame';
import type { Stages } from 'core/stages';
import { columnOf, type NumericValues } from 'core/table';
import { cueDataOf, treatmentsOf, type CueTreatment } from 'core/cue';
import { colourIn } from '../dress/livery';
import { dressOf, dressOfPart, type Dress } from './marks';
import type { LabelAsk, Layer } from '../plan';
import type { Drawn, LayoutRequest } from '../requests';
import { alongSlice, spreadOf, type Slice } from './slices';
import { withOwnLabels } from '../labels/own-labels';
import { stackedLayers } from './stacks';
import type { ValueWriter } from 'core/words';

/** The category axis and the layers along it. */
export interface Layout {
  readonly categories: readonly string[];
  /** For each category one row of the frame. */
  readonly firstRows: Int32Array;
  readonly panelTitles: readonly string[];
  readonly slices: readonly Slice[];
  readonly layers: readonly Layer[];
  /** The index of the panel that a measure is drawn in, where each measure has its own. */
  readonly panelOf: (measure: string, slice: Slice) => number;
}

/** Spreads the frame's rows into layers: one per drawn column and series, in their panels. Cues may replace a layer. */
export function layoutOf(request: LayoutRequest, stages: Stages): Layout {
  const { figure, frame } = request;
  const drawn = drawnColumns(request);
  const { categories, firstRows, slices, panelTitles } = spreadOf(frame, figure, stages);
  const perMeasure = figure.shape.panels === 'measures' && frame.panel === null && drawn.length > 1;
  const panelOf = (measure: string, slice: Slice): number =>
    perMeasure
      ? Math.max(
          0,
          drawn.findIndex(item => item.measure === measure),
        )
      : slice.panel;
  const own = drawn.flatMap((column, i) =>
    slices.flatMap(slice => {
      const several = slices.length > 1;
      const alike = drawn.filter(({ shape }) => shapes[shape].isLine === shapes[column.shape].isLine);
      const line = several ? slice.nth : perMeasure ? 0 : alike.indexOf(column);
      const placed = { ...slice, panel: panelOf(column.measure, slice), nth: several ? slice.nth : i, line };
      return layersOf(request, column, placed);
    }),
  );
  const spans = treatmentsOf(request.applied, 'span').flatMap(item => slices.map(slice => spanLayer(request, item, slice)));
  const series = treatmentsOf(request.applied, 'line')
    .filter(({ item }) => item.form !== 'level')
    .flatMap(item => slices.map(slice => seriesLayer(request, item, { ...slice, panel: panelOf(item.item.measure, slice) })));
  const layers = withOwnLabels(stackedLayers([...own, ...spans, ...series], figure.shape.arrange), request);
  return { categories, firstRows, slices, layers, panelTitles: perMeasure ? drawn.map(({ measure }) => measure) : panelTitles, panelOf };
}

/** Measures and helper columns with marks of their own: those that are neither hidden nor drawn by a cue in its own way. */
function drawnColumns({ figure: { data, shape }, frame: { table }, applied }: LayoutRequest): Drawn[] {
  // The bars of a crosstab are drawn in its cells.
  const own = shapeOfFigure(shape) ?? 'column';
  const taken = new Set([
    ...treatmentsOf(applied, 'span').flatMap(({ item }) => item.measures),
    ...applied.flatMap(({ treatments }) => treatments.flatMap(item => ('hides' in item ? (item.hides ?? []) : []))),
  ]);
  const drawn = ({ name, axis, pen }: Measure | Helper, shape: LayerShape): Drawn[] =>
    shape === 'none' ? [] : [{ measure: name, shape, axis: axis === 'second' ? 1 : 0, pen }];
  const measures = data.measures.flatMap(measure => drawn(measure, measure.shape ?? own));
  const helpers = data.helpers.flatMap(helper => drawn(helper, helper.shape ?? 'none'));
  return [...measures, ...helpers].filter(({ measure }) => columnOf(table, measure)?.type === 'number' && !taken.has(measure));
}

/** The layers of a column: one, or its parts where a cue splits it. */
function layersOf(request: LayoutRequest, drawn: Drawn, slice: Slice): Layer[] {
  const split = treatmentsOf(request.applied, 'split').find(({ item }) => item.measure === drawn.measure);
  return split ? splitLayers(request, drawn, slice, split) : [ownLayer(request, drawn, slice)];
}

function ownLayer(request: LayoutRequest, drawn: Drawn, slice: Slice): Layer {
  const instead = treatmentsOf(request.applied, 'instead').find(({ item }) => item.measure === drawn.measure);
  const data = instead ? cueDataOf(instead.from, instead.item.part) : dataOf(request.frame, drawn.measure);
  const as = instead ? (instead.item.percent ? 'percent' : 'number') : null;
  return layerOf(
    drawn,
    slice,
    alongSlice(slice, data),
    { ...dressOf(request, drawn, slice), line: request.livery.line },
    { as, cue: instead?.from.cue.id ?? null },
  );
}

const dataOf = ({ table }: Frame, name: string): Float64Array => (columnOf(table, name) as NumericValues).data;

/** A layer before it has a slot and, in stacks, a base. */
function layerOf(
  drawn: Drawn,
  slice: Slice,
  values: Float64Array,
  { line, ...dress }: Dress & { readonly line?: number | undefined },
  more: Partial<Layer> = {},
): Layer {
  return {
    name: slice.series ?? drawn.measure,
    measure: drawn.measure,
    as: null,
    shape: drawn.shape,
    panel: slice.panel,
    axis: drawn.axis,
    slot: -1,
    slots: 1,
    values,
    ends: values,
    bases: null,
    // Lengths are compared from zero.
    base: 0,
    rows: slice.rows,
    beyond: [],
    stroke: strokeOf(drawn, slice, values.length, line),
    span: null,
    cue: null,
    ...dress,
    ...more,
  };
}

/** The stroke of a layer. Several lines or bars differ by more than colour: lines by a dash, bars by a dashed seam. */
function strokeOf({ shape, pen }: Drawn, { line = 0 }: Slice, points: number, times = 1): Layer['stroke'] {
  const { isLine, hasSeam } = shapes[shape];
  const dash: Dash = isLine || hasSeam ? (DASHES[line % DASHES.length] ?? 'solid') : 'solid';
  const stroke = { ...PLAIN_LINE, width: lineWidth(points) * times, dash };
  // A pen that the analyst chose is a line's.
  return hasSeam ? stroke : withPen(stroke, pen);
}

/** Width of a line in CSS pixels. A line of many points is thinner, so that it does not become a band. */
const lineWidth = (points: number): number => (points > 1000 ? 1 : points > 300 ? 1.5 : PLAIN_LINE.width);

const noDress = (colour: string, count: number): Dress => ({
  colour,
  colours: new Array<string>(count).fill(colour),
  marked: new Uint8Array(count),
  outlined: [],
  glyphs: [],
  labels: [],
});

/** Layers of parts, stacked in the place of a measure. Rows without parts keep the measure's own mark. */
function splitLayers(request: LayoutRequest, drawn: Drawn, slice: Slice, { item, from }: CueTreatment<'split'>): Layer[] {
  const { livery, write } = request;
  const shape: ShapeName = isArea(drawn) ? drawn.shape : 'column';
  const parts = item.parts.map(({ part }) => alongSlice(slice, cueDataOf(from, part)));
  const whole = alongSlice(slice, dataOf(request.frame, drawn.measure));
  const left = whole.map((value, at) => (parts.every(part => Number.isNaN(part[at])) ? value : NaN));
  const totals = item.total === null ? null : alongSlice(slice, cueDataOf(from, item.total));
  const layers = item.parts.map((piece, i) => {
    const values = parts[i] as Float64Array;
    const own = dressOfPart(request, { item: piece, from, measure: drawn.measure, totalled: totals !== null }, values, slice);
    const isLast = i === parts.length - 1;
    const onPlan = isLast && totals === null ? onPlanLabels(item, parts) : [];
    const top = totals && isLast ? labelled(totals, () => true, write, drawn.measure, 'end') : onPlan;
    const dress = { ...noDress(colourIn(livery, piece.look.colour), values.length), ...own, labels: [...own.labels, ...top] };
    return layerOf({ ...drawn, shape }, slice, values, dress, { name: piece.part, slot: 0, cue: from.cue.id });
  });
  const rest = left.some(value => value === value) ? [layerOf(drawn, slice, left, dressOf(request, drawn, slice), { slot: 0 })] : [];
  return [...layers, ...rest];
}

/** Labels of marks that meet the plan exactly: where labelled parts would say the distance and all parts are zero, the mark says so. */
function onPlanLabels({ parts: asked }: TreatmentOf<'split'>, parts: readonly Float64Array[]): LabelAsk[] {
  const signed = asked.flatMap(({ sign, look }, i) => (sign === undefined ? [] : [{ look, values: parts[i] as Float64Array }]));
  if (!signed.some(({ look }) => look.label !== 'none' && look.label !== 'glyph')) return [];
  const [first] = signed;
  return Array.from(first?.values ?? []).flatMap((_, at): LabelAsk[] =>
    signed.every(({ values }) => values[at] === 0) ? [{ at, text: '±0', where: 'end' }] : [],
  );
}

/** One label per value. A missing value or a part of zero has no mark to label. */
function labelled(
  values: Float64Array,
  keeps: (value: number) => boolean,
  write: ValueWriter,
  measure: string,
  where: LabelAsk['where'],
): LabelAsk[] {
  const labels: LabelAsk[] = [];
  values.forEach((value, at) => {
    if (value === value && keeps(value)) labels.push({ at, text: write.value(measure, value), where });
  });
  return labels;
}

function spanLayer(request: LayoutRequest, { item, from }: CueTreatment<'span'>, slice: Slice): Layer {
  const { livery, write } = request;
  const [low, high] = [alongSlice(slice, cueDataOf(from, item.low)), alongSlice(slice, cueDataOf(from, item.high))];
  const [lowName = '', highName = lowName] = item.measures;
  const labels = item.labels
    ? [...labelled(high, () => true, write, highName, 'end'), ...labelled(low, () => true, write, lowName, 'base')]
    : [];
  const drawn: Drawn = { measure: lowName, shape: 'span', axis: 0 };
  const look = { deep: item.deep === null ? null : colourIn(livery, item.deep), connectors: item.connectors, whiskers: item.whiskers };
  const dress = { ...noDress(colourIn(livery, item.colour), low.length), labels };
  return layerOf(drawn, slice, high, dress, { bases: low, span: look, name: slice.series ?? item.legend, cue: from.cue.id });
}

const FORMS: Readonly<Record<Exclude<TreatmentOf<'line'>['form'], 'level'>, ShapeName>> = {
  joined: 'line',
  stepped: 'step',
  points: 'points',
  columns: 'column',
};

/** The layer of a cue's values as a series. */
function seriesLayer({ livery, write }: LayoutRequest, { item, from }: CueTreatment<'line'>, slice: Slice): Layer {
  const values = alongSlice(slice, cueDataOf(from, item.part));
  const drawn: Drawn = { measure: item.measure, shape: FORMS[item.form as 'joined'], axis: item.axis === 'second' ? 1 : 0 };
  const last = values.findLastIndex(value => value === value);
  const as = from.helpers.find(helper => helper.part === item.part)?.as;
  const labels: LabelAsk[] =
    item.label && last >= 0 ? [{ at: last, text: write.as(as, item.measure, values[last] as number), where: 'end' }] : [];
  return layerOf(
    drawn,
    slice,
    values,
    { ...noDress(colourIn(livery, item.colour), values.length), labels },
    {
      name: item.legend,
      as: as ?? null,
      cue: from.cue.id,
      stroke: { width: item.width, dash: item.dash, marker: item.marker },
    },
  );
}
