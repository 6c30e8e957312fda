import { isLying } from 'core/document';
import { isBar } from 'core/shape';
import { runAll, type Stages } from 'core/stages';
import { alongWords, markedIn, spacingOf } from './along';
import { axesOf, gridColumns, readAtAxes, sharesPanels } from './axes';
import { foundIn } from './found-panels';
import { axisNotes, axisWords } from './axis-notes';
import { bandsBeyond, beyondWords, linesWithin, placelessWords, withBeyond } from './beyond';
import { columnOf } from 'core/table';
import { writerOf } from 'core/words';
import { dressedLivery } from './dressed-livery';
import { descriptionOf, FigureWords, writtenWords } from './figure-words';
import { treatmentsOf } from 'core/cue';
import { layoutOf, type Layout } from './layers';
import type { LayoutRequest, PlanRequest } from './requests';
import { legendOf } from './legend';
import { placedLegend, placeOfLegend } from './legend-place';
import { namedParts } from './named-parts';
import { bandsOf, linesOf } from './levels';
import type { BandPlan, ChartPlan, Layer, LevelLine } from './plan';
import { picturesOf } from './pictures';

/**
 * The drawing of a figure: layers coloured by the cues' helper columns, lines and bands, labels asked for, scales around what is drawn. Cost: what is
 * laid out is kept while words and axes alone change.
 */
export function planOf(request: PlanRequest, stages: Stages = runAll): ChartPlan {
  const { figure, frame, applied } = request;
  const { liveries, formats, looks } = request.writing;
  const livery = stages('dressed', [figure.dress.livery, liveries, looks, request.livery], () =>
    dressedLivery(figure, request.writing, request.livery),
  );
  const write = stages('writer', [figure.data, figure.scales, figure.dress, request.writing], () => writerOf(figure, request.writing));
  const asked = { figure, frame, applied, livery, write, formats: formats.map(({ name }) => name) };
  const { data, shape, scales } = figure;
  const cues = applied.length ? applied : 'none';
  const { layout, lines, bands } = stages(
    applied.length ? 'laid out with cues' : 'laid out plain',
    [
      frame,
      cues,
      data,
      shape,
      scales.unit,
      scales.decimals,
      scales.along.language,
      request.writing,
      livery,
      figure.labels,
      figure.dress.colours,
    ],
    () => laidOut(asked, stages),
  );
  const { categories, panelTitles } = layout;
  const { spacing, spaced } = stages('spaced', [columnOf(frame.table, frame.category), layout.firstRows, data.step, scales.along], () => {
    const spacing = spacingOf(frame, figure, layout.firstRows);
    return { spacing, spaced: alongWords(frame, spacing) };
  });
  const labelled =
    request.roomForLabels ??
    (layout.layers.some(({ labels, glyphs }) => labels.length + glyphs.length > 0) || lines.some(line => line.label));
  const panels = stages(
    applied.length ? 'axes with cues' : 'axes plain',
    [data, shape, scales, write, Boolean(labelled), ...panelTitles, 'layers', ...readAtAxes({ layers: layout.layers, lines, bands })],
    () => axesOf({ figure, titles: panelTitles, layers: layout.layers, lines, bands, write, labelled: Boolean(labelled) }),
  );
  const isBounded = (axis: number): boolean => {
    const { low, high } = figure.scales.axes[axis === 0 ? 'first' : 'second'];
    // Axes held to one scale share a bound.
    return low !== null || high !== null || figure.scales.between === 'matched';
  };
  const drawnLayers = withBeyond(layout.layers, panels, isBounded);
  const legendPlace = placeOfLegend(figure.dress.legend, livery);
  const { layers, legend } = placedLegend(legendPlace, drawnLayers, legendOf({ ...request, livery }, drawnLayers));
  const within = linesWithin(lines, panels);
  const outside = [...within.outside, ...bandsBeyond(bands, panels, isBounded)];
  const notes = [
    ...axisNotes({ panels, figure }),
    ...placelessWords(layers, panels, categories),
    ...beyondWords(layers, panels, (layer, value) => write.tick(layer.measure, value)),
    ...new Set(outside.map(({ says }) => `${says} the axis`)),
    ...(panels.length > 1 && figure.data.panel !== null && !sharesPanels(figure) ? ['each panel on a scale of its own'] : []),
  ];
  const writer = new FigureWords(asked);
  const words = writtenWords(asked, writer);
  const told = [...spaced, ...axisWords({ panels, layers, figure, write })];
  const found = figure.data.panel === null ? {} : foundIn(layers, panels.length, applied);
  const plan = {
    kind: 'chart' as const,
    ...words,
    wordFaults: writer.faults,
    axisNote: [axisNote(measuresOf(layers, applied), asked), ...told, ...notes].join(' · '),
    legend,
    legendAt: legendPlace === 'side' ? ('side' as const) : ('top' as const),
    categories,
    along: { ...spacing, marked: markedIn(layers, categories.length), beside: layers.some(isBar) ? scales.along.beside : 'axis' },
    panels: panels.map((panel, i) => ({
      ...panel,
      axes: panel.axes.map((axis, nth) => ({ ...axis, title: writer.write(`axis-title:${nth === 0 ? 'first' : 'second'}`, axis.title) })),
      layers: inPanel(layers, i),
      levelLines: inPanel(within.lines, i),
      bands: inPanel(bands, i),
      ...(found[i] === undefined ? {} : { found: found[i] }),
    })),
    panelColumns: gridColumns(figure, panels.length),
    gridlines: figure.scales.gridlines && (livery.grid ?? true),
    zeroLine: figure.scales.zeroLine,
    horizontal: isLying(figure.shape),
    notes,
    outside,
    description: descriptionOf(asked, words, [...told, ...notes]),
    livery,
    pictures: picturesOf(layers, request.writing.pictures ?? []),
  };
  return { ...plan, parts: namedParts(plan) };
}

function laidOut(
  asked: LayoutRequest,
  stages: Stages,
): {
  readonly layout: Layout;
  readonly lines: readonly LevelLine[];
  readonly bands: readonly BandPlan[];
} {
  const layout = layoutOf(asked, stages);
  return { layout, lines: linesOf(asked, layout), bands: bandsOf(asked, layout) };
}

const inPanel = <T extends { readonly panel: number }>(items: readonly T[], panel: number): T[] =>
  items.filter(item => item.panel === panel);

/** A span is drawn from two measures at once. */
function measuresOf(layers: readonly Layer[], applied: PlanRequest['applied']): Set<string> {
  const spans = applied.flatMap(({ treatments }) => treatments.flatMap(item => (item.show === 'span' ? item.measures : [])));
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
