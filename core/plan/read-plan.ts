import { treatmentsOf } from 'core/cue';
import { isBar } from 'core/shape';
import type { Writing } from 'core/words';
import { markedIn } from './axes/along';
import { sharesPanels } from './axes/axes';
import { axisNotes, axisWords } from './axes/axis-notes';
import { bandsBeyond, beyondWords, linesWithin, placelessWords, withBeyond } from './axes/beyond';
import type { Layout } from './layers/layers';
import { entriesIn } from './legend/legend';
import { placedLegend, placeOfLegend } from './legend/legend-place';
import { picturesOf } from './pictures';
import type { AlongPlan, BandPlan, ChartPlan, Layer, LevelLine, PanelAxes } from './plan';
import type { LegendEntry } from './words/plan-words';
import type { LayoutRequest } from './requests';

/** The parts of a plan that explain the marks, independent of their axes. */
export interface Explained {
  /** The layers; those whose name is written at their marks say so. */
  readonly layers: readonly Layer[];
  /** Entries of the legend, duplicates included. */
  readonly legend: readonly LegendEntry[];
  readonly legendAt: ChartPlan['legendAt'];
  /** What is drawn, and by what it is listed: "milk (L) by hut". */
  readonly note: string;
  readonly marked: AlongPlan['marked'];
  readonly beside: AlongPlan['beside'];
  readonly pictures: Readonly<Record<string, string>>;
}

/** Adds legend and names to the layers. Cost: one look at each mark. */
export function explained(request: LayoutRequest & { readonly layout: Layout; readonly writing: Writing }): Explained {
  const { figure, livery, layout, writing } = request;
  const place = placeOfLegend(figure.dress.legend, livery);
  const { layers, legend } = placedLegend(place, layout.layers, entriesIn(request, layout.layers));
  return {
    layers,
    legend,
    legendAt: place === 'side' ? 'side' : 'top',
    note: axisNote(measuresOf(layers, request.applied), request),
    marked: markedIn(layers, layout.categories.length),
    beside: layers.some(isBar) ? figure.scales.along.beside : 'axis',
    pictures: picturesOf(layers, writing.pictures ?? []),
  };
}

/** What is drawn with its axes, and the notes that readers need. */
export interface Read {
  readonly layers: readonly Layer[];
  /** Level lines of which at least a part shows. */
  readonly lines: readonly LevelLine[];
  /** How categories are spaced and how axes run, where a reader may not expect it. */
  readonly told: readonly string[];
  readonly notes: readonly string[];
  readonly outside: ChartPlan['outside'];
}

/** Inputs for adding axes and notes. */
type ReadRequest = LayoutRequest & {
  readonly layers: readonly Layer[];
  readonly lines: readonly LevelLine[];
  readonly bands: readonly BandPlan[];
  readonly panels: readonly PanelAxes[];
  readonly categories: readonly string[];
  /** The spacing of categories in words. */
  readonly spaced: readonly string[];
};

/** Fits the axes and collects the notes. Cost: one look at each mark, on axes that are bounded or not straight. */
export function readAt({ figure, write, lines, bands, panels, categories, spaced, ...drawn }: ReadRequest): Read {
  const { scales, data } = figure;
  const isBounded = (axis: number): boolean => {
    const { low, high } = scales.axes[axis === 0 ? 'first' : 'second'];
    // Axes held to one scale share a bound.
    return low !== null || high !== null || scales.between === 'matched';
  };
  const layers = withBeyond(drawn.layers, panels, isBounded);
  const within = linesWithin(lines, panels);
  const outside = [...within.outside, ...bandsBeyond(bands, panels, isBounded)];
  return {
    layers,
    lines: within.lines,
    told: [...spaced, ...axisWords({ panels, layers, figure, write })],
    notes: [
      ...axisNotes({ panels, figure }),
      ...placelessWords(layers, panels, categories),
      ...beyondWords(layers, panels, (layer, value) => write.tick(layer.measure, value)),
      ...new Set(outside.map(({ says }) => `${says} the axis`)),
      ...(panels.length > 1 && data.panel !== null && !sharesPanels(figure) ? ['each panel on a scale of its own'] : []),
    ],
    outside,
  };
}

/** The measures that a layer draws: two for a span. */
function measuresOf(layers: readonly Layer[], applied: LayoutRequest['applied']): Set<string> {
  const spans = treatmentsOf(applied, 'span').flatMap(({ item }) => item.measures);
  return new Set([...layers.map(layer => layer.measure), ...spans]);
}

function axisNote(drawn: ReadonlySet<string>, { write, frame: { category, measures }, figure: { data }, applied }: LayoutRequest): string {
  const names = [...new Set([...measures.filter(name => drawn.has(name)), ...drawn])];
  const named = names.map(name => {
    const scaled = treatmentsOf(applied, 'instead').find(({ item }) => item.measure === name);
    if (scaled) return `${name} as ${scaled.from.helpers.find(helper => helper.part === scaled.item.part)?.column.name}`;
    const unit = write.unit(name);
    return `${name}${unit ? ` (${unit})` : ''}`;
  });
  const words = named.length > 1 ? `${named.slice(0, -1).join(', ')} and ${named.at(-1)}` : (named[0] ?? measures[0] ?? '');
  return `${words} by ${data.step?.kind === 'grain' ? data.step.grain : category}`;
}
