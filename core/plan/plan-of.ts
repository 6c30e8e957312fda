import { winnersOf, type AppliedCue, type Winners } from 'core/cue';
import type { Frame } from 'core/frame';
import { formatNumber } from 'core/format';
import type { Figure } from 'core/project';
import { linearScale } from 'core/scale';
import { columnOf, isMissing, rowsWithValue, textAt, type Column, type NumericValues } from 'core/table';
import { describeFigure } from './describe-figure';
import { colourIn, type Livery } from './livery';
import type { BarLayer, LabelAsk, LegendEntry, Plan } from './plan';
import { writerOf, type ValueWriter } from './value-writer';

/** What a plan is made from. `applied` is empty for the figure without its cues. */
export interface PlanRequest {
  readonly figure: Figure;
  readonly frame: Frame;
  readonly applied: readonly AppliedCue[];
  readonly units: Readonly<Record<string, string>>;
  readonly livery: Livery;
  /** Keep room for labels though these cues ask for none, so that plain and cued share one scale. */
  readonly roomForLabels?: boolean;
}

// Room beyond the tallest bar for a value written at its end, as a share of the axis.
const LABEL_HEADROOM = 0.1;

/** The drawing of a figure: colours from the cues' helper columns, labels asked for, a scale around the values. */
export function planOf(request: PlanRequest): Plan {
  const { figure, frame, applied, livery } = request;
  const write = writerOf(figure, request.units);
  const winners = winnersOf(applied, frame.table.rowCount);
  const bars = frame.measures.slice(0, 1).map(measure => barLayer(request, measure, winners, write));
  const labelled = request.roomForLabels ?? bars.some(layer => layer.labels.length > 0);
  const scale = linearScale(bars[0]?.values ?? [], { headroom: labelled ? LABEL_HEADROOM : 0 });
  const measure = frame.measures[0] ?? '';
  return {
    title: figure.words.title,
    subtitle: figure.words.subtitle,
    axisNote: axisNote(measure, write.unit(measure), frame.category),
    legend: legendOf(applied, livery),
    categories: categoriesOf(frame),
    scale,
    tickLabels: scale.ticks.map(tick => formatNumber(tick)),
    gridlines: figure.scales.gridlines,
    lying: figure.shape.mark === 'bar',
    bars,
    description: describeFigure(request, write),
    livery,
  };
}

const axisNote = (measure: string, unit: string | undefined, category: string): string =>
  `${measure}${unit ? ` (${unit})` : ''} by ${category}`;

const MISSING_NAME = '(missing)';

function categoriesOf({ table, category }: Frame): string[] {
  const column = columnOf(table, category) as Column;
  const names = new Array<string>(table.rowCount);
  if (column.type === 'text')
    for (let row = 0; row < names.length; row++) names[row] = column.dictionary[column.data[row] as number] ?? MISSING_NAME;
  else for (let row = 0; row < names.length; row++) names[row] = isMissing(column, row) ? MISSING_NAME : textAt(column, row);
  return names;
}

function barLayer({ frame, applied, livery }: PlanRequest, measure: string, winners: Winners, write: ValueWriter): BarLayer {
  const { data } = columnOf(frame.table, measure) as NumericValues;
  const quiet = applied.some(cue => cue.quietsRest);
  const palette = applied.map(({ treatments }) => treatments.map(({ colour }) => colourIn(livery, colour)));
  const unmarked = quiet ? livery.quiet : livery.base;
  const colours = new Array<string>(data.length);
  for (let row = 0; row < colours.length; row++) {
    const cue = winners.cue[row] as number;
    colours[row] = cue === -1 ? unmarked : (palette[cue]?.[winners.treatment[row] as number] ?? unmarked);
  }
  return { measure, values: data, colours, labels: labelsOf(applied, measure, data, write) };
}

/** A row is labelled once, whichever of its cues asks. */
function labelsOf(applied: readonly AppliedCue[], measure: string, data: Float64Array, write: ValueWriter): LabelAsk[] {
  const rows = new Set<number>();
  for (const { helpers, treatments } of applied)
    for (const { part, label } of treatments) {
      const column = label ? helpers.find(helper => helper.part === part)?.column : undefined;
      if (column) for (const row of rowsWithValue(column)) rows.add(row);
    }
  return [...rows].sort((a, b) => a - b).map(row => ({ row, text: write.value(measure, data[row] as number) }));
}

/** Only treatments that show somewhere are explained. */
function legendOf(applied: readonly AppliedCue[], livery: Livery): LegendEntry[] {
  const shown = applied.flatMap(({ helpers, treatments }) =>
    treatments.filter(({ part }) => {
      const column = helpers.find(helper => helper.part === part)?.column;
      return column !== undefined && rowsWithValue(column).length > 0;
    }),
  );
  const entries = shown.map(({ legend, colour }): LegendEntry => ({ text: legend, colour: colourIn(livery, colour), shape: 'bar' }));
  const unique = entries.filter((entry, i) => entries.findIndex(other => other.text === entry.text && other.colour === entry.colour) === i);
  const rest: LegendEntry[] = applied.some(cue => cue.quietsRest) ? [{ text: 'the rest', colour: livery.quiet, shape: 'bar' }] : [];
  return [...unique, ...rest];
}
