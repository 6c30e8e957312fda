import { winnersOf, type AppliedCue } from 'core/cue';
import type { Frame } from 'core/frame';
import type { Figure } from 'core/project';
import { linearScale } from 'core/scale';
import { rowsWithValue } from 'core/table';
import { describeFigure } from './describe-figure';
import { layoutOf } from './layers';
import { colourIn, type Livery } from './livery';
import type { Layer, LegendEntry, PanelPlan, Plan } from './plan';
import { writerOf, type ValueWriter, type Writing } from './value-writer';

/** What a plan is made from. `applied` is empty for the figure without its cues. */
export interface PlanRequest {
  readonly figure: Figure;
  readonly frame: Frame;
  readonly applied: readonly AppliedCue[];
  readonly writing: Writing;
  readonly livery: Livery;
  /** Keep room for labels though these cues ask for none, so that plain and cued share one scale. */
  readonly roomForLabels?: boolean;
}

// Room beyond the tallest bar for a value written at its end, as a share of the axis.
const LABEL_HEADROOM = 0.1;

/** The drawing of a figure: layers coloured by the cues' helper columns, labels asked for, a scale around each panel's values. */
export function planOf(request: PlanRequest): Plan {
  const { figure, frame, applied, livery } = request;
  const write = writerOf(figure, request.writing);
  const winners = winnersOf(applied, frame.table.rowCount);
  const { categories, layers, panelTitles } = layoutOf({ figure, frame, applied, winners, livery, write });
  const stacked = figure.shape.arrange === 'stacked';
  const labelled = request.roomForLabels ?? layers.some(layer => layer.labels.length > 0);
  const measure = frame.measures[0] ?? '';
  return {
    title: figure.words.title,
    subtitle: figure.words.subtitle,
    axisNote: axisNote(layers, write, frame),
    legend: legendOf(applied, layers, livery),
    categories,
    panels: panelTitles.map((title, i) =>
      panelPlan(
        title,
        layers.filter(layer => layer.panel === i),
        { stacked, labelled, write, measure, panels: panelTitles.length },
      ),
    ),
    gridlines: figure.scales.gridlines,
    lying: figure.shape.mark === 'bar',
    stacked,
    layers,
    description: describeFigure(request, write),
    livery,
  };
}

function axisNote(layers: readonly Layer[], write: ValueWriter, { category, measures }: Frame): string {
  const names = [...new Set([...measures, ...layers.map(layer => layer.measure)])];
  const named = names.map(name => {
    const unit = write.unit(name);
    return `${name}${unit ? ` (${unit})` : ''}`;
  });
  const words = named.length > 1 ? `${named.slice(0, -1).join(', ')} and ${named.at(-1)}` : (named[0] ?? '');
  return `${words} by ${category}`;
}

interface PanelFacts {
  readonly stacked: boolean;
  readonly labelled: boolean;
  readonly write: ValueWriter;
  readonly measure: string;
  /** Panels share the height of the figure, and a label needs its own wherever it stands. */
  readonly panels: number;
}

/** Bars and areas are read by their length, so zero belongs to their panel; lines and points fit their data. */
function panelPlan(title: string, layers: readonly Layer[], { stacked, labelled, write, measure, panels }: PanelFacts): PanelPlan {
  const lengths = layers.filter(({ shape }) => shape === 'column' || shape === 'area');
  const values =
    stacked && lengths.length > 1
      ? [...stackedEnds(lengths), ...layers.filter(layer => !lengths.includes(layer)).map(layer => layer.values)]
      : layers.map(layer => layer.values);
  const only = values.length === 1 ? values[0] : undefined;
  // A panel of lines needs room on both sides.
  const share = panels === 1 ? 1 : lengths.length ? 2.2 : 3.6;
  const headroom = labelled ? LABEL_HEADROOM * share : 0;
  const scale = linearScale(only ?? concatenated(values), { headroom, zero: lengths.length > 0 });
  const name = layers[0]?.measure ?? measure;
  return { title, scale, tickLabels: scale.ticks.map(tick => write.tick(name, tick)) };
}

/** Where stacks end above and below zero. */
function stackedEnds(layers: readonly Layer[]): Float64Array[] {
  const length = layers[0]?.values.length ?? 0;
  const [up, down] = [new Float64Array(length), new Float64Array(length)];
  for (const { values } of layers)
    for (let at = 0; at < length; at++) {
      const value = values[at] as number;
      if (value > 0) up[at] = (up[at] as number) + value;
      if (value < 0) down[at] = (down[at] as number) + value;
    }
  return [up, down];
}

function concatenated(lists: readonly Float64Array[]): Float64Array {
  const out = new Float64Array(lists.reduce((sum, list) => sum + list.length, 0));
  let at = 0;
  for (const list of lists) {
    out.set(list, at);
    at += list.length;
  }
  return out;
}

/** Series by their colour where they show it; then only treatments that show somewhere, and the rest. */
function legendOf(applied: readonly AppliedCue[], layers: readonly Layer[], livery: Livery): LegendEntry[] {
  const quiet = applied.some(cue => cue.quietsRest);
  const series = layers.length > 1 && !quiet ? layers.map(({ name, colour, shape }): LegendEntry => ({ text: name, colour, shape })) : [];
  const shown = applied.flatMap(({ cue, helpers, treatments }) =>
    treatments.flatMap(({ part, legend, colour }): LegendEntry[] => {
      const column = helpers.find(helper => helper.part === part)?.column;
      if (column === undefined || rowsWithValue(column).length === 0) return [];
      const shape = layers.find(layer => layer.measure === cue.measure)?.shape ?? 'column';
      return [{ text: legend, colour: colourIn(livery, colour), shape: shape === 'line' ? 'points' : shape }];
    }),
  );
  const rest: LegendEntry[] = quiet ? [{ text: 'the rest', colour: livery.quiet, shape: layers[0]?.shape ?? 'column' }] : [];
  const all = [...series, ...shown, ...rest];
  return all.filter((entry, i) => all.findIndex(other => other.text === entry.text && other.colour === entry.colour) === i);
}
