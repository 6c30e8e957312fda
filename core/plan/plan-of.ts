import { isLying } from 'core/document';
import { runAll, type Stages } from 'core/stages';
import { columnOf } from 'core/table';
import { alongWords, spacingOf } from './axes/along';
import { axesOf, gridColumns, readAtAxes } from './axes/axes';
import { dressedIn } from './dress/dressed-livery';
import { descriptionOf, FigureWords, shownIn, writtenWords, type WrittenWords } from './words/figure-words';
import { foundIn } from './found-panels';
import { layoutOf, type Layout } from './layers/layers';
import { eachOnce } from './legend/legend';
import { bandsOf, linesOf } from './layers/levels';
import { namedParts } from './words/named-parts';
import { paintedEntry, paintedLayer, paintedLevel } from './layers/painted';
import { uncoloured, type Paint } from './layers/placeholders';
import type { BandPlan, ChartPlan, LevelLine, PanelAxes, PanelPlan } from './plan';
import { explained, readAt, type Explained, type Read } from './read-plan';
import type { LayoutRequest, PlanRequest } from './requests';

/**
 * The drawing of a figure: layers coloured by the cues' helper columns, lines and bands, labels asked for, scales around what is drawn. Cost: what is
 * laid out is kept while words and axes alone change; while colours alone change, all but them is.
 */
export function planOf(request: PlanRequest, stages: Stages = runAll): ChartPlan {
  const { figure, frame, applied } = request;
  // A figure that is drawn both ways keeps what it is made from for each.
  const own = stagesFor(applied.length ? 'with cues' : 'plain', stages);
  const { livery, ...dressed } = dressedIn(request, stages);
  const bare = uncoloured(applied, livery, own);
  const asked = { figure, frame, applied: bare.applied, livery: bare.livery, ...dressed };
  const drawn = drawnIn(request, asked, own, stages);
  const writer = new FigureWords({ ...asked, applied });
  const words = writtenWords({ ...asked, applied }, writer);
  const description = describedIn(drawn, asked, words, own);
  const panels = paintedPanels(drawn, bare.paint).map(panel => ({
    ...panel,
    axes: panel.axes.map((axis, nth) => ({ ...axis, title: writer.write(`axis-title:${nth === 0 ? 'first' : 'second'}`, axis.title) })),
  }));
  const found = figure.data.panel === null ? {} : foundIn(panels, applied);
  const { layout, explained, read, spacing } = drawn;
  const plan = {
    kind: 'chart' as const,
    ...words,
    wordFaults: writer.faults,
    axisNote: [explained.note, ...read.told, ...read.notes].join(' · '),
    legend: eachOnce(explained.legend.map(entry => paintedEntry(entry, bare.paint))),
    legendAt: explained.legendAt,
    categories: layout.categories,
    along: { ...spacing, marked: explained.marked, beside: explained.beside },
    panels: panels.map((panel, i) => (found[i] === undefined ? panel : { ...panel, found: found[i] })),
    panelColumns: gridColumns(figure, panels.length),
    gridlines: figure.scales.gridlines && (livery.grid ?? true),
    zeroLine: figure.scales.zeroLine,
    horizontal: isLying(figure.shape),
    notes: read.notes,
    outside: read.outside,
    description,
    livery,
    pictures: explained.pictures,
  };
  return { ...plan, parts: namedParts(plan) };
}

const stagesFor =
  (of: string, stages: Stages): Stages =>
  (stage, inputs, make) =>
    stages(`${stage} ${of}`, inputs, make);

/** All of a figure but its colours and its own words. */
interface DrawnPlan {
  readonly layout: Layout;
  readonly bands: readonly BandPlan[];
  readonly panels: readonly PanelAxes[];
  readonly spacing: ReturnType<typeof spacingOf>;
  readonly explained: Explained;
  readonly read: Read;
}

/** `own`: stages of this drawing; `stages`: those of all drawings of the figure. */
function drawnIn({ roomForLabels, writing }: PlanRequest, asked: LayoutRequest, own: Stages, stages: Stages): DrawnPlan {
  const { figure, frame, applied, livery, write } = asked;
  const { data, shape, scales, labels, dress } = figure;
  const { unit, decimals, along } = scales;
  const laid = own(
    'laid out',
    [frame, applied, data, shape, unit, decimals, along.language, writing, livery, labels, dress.colours],
    () => {
      const layout = layoutOf(asked, stages);
      return { layout, lines: linesOf(asked, layout), bands: bandsOf(asked, layout) };
    },
  );
  const { layout, lines, bands } = laid;
  const { spacing, spaced } = stages('spaced', [columnOf(frame.table, frame.category), layout.firstRows, data.step, along], () => {
    const found = spacingOf(frame, figure, layout.firstRows);
    return { spacing: found, spaced: alongWords(frame, found) };
  });
  const explains = own('explained', [laid, applied, livery, data, along, dress, write, writing], () =>
    explained({ ...asked, writing, layout }),
  );
  const { layers } = explains;
  const labelled = roomForLabels ?? (asksForLabels(layout) || lines.some(line => line.label));
  const panels = own(
    'axes',
    [data, shape, scales, write, Boolean(labelled), ...layout.panelTitles, 'layers', ...readAtAxes({ layers, lines, bands })],
    () => axesOf({ figure, titles: layout.panelTitles, layers, lines, bands, write, labelled: Boolean(labelled) }),
  );
  const read = own('read', [explains, laid, panels, spaced, data, shape, scales, write], () =>
    readAt({ ...asked, layers, lines, bands, panels, categories: layout.categories, spaced }),
  );
  return { layout, bands, panels, spacing, explained: explains, read };
}

const asksForLabels = ({ layers }: Layout): boolean => layers.some(({ labels, glyphs }) => labels.length + glyphs.length > 0);

function describedIn({ read }: DrawnPlan, asked: LayoutRequest, { note, source }: WrittenWords, own: Stages): string {
  const { figure, frame, applied, write } = asked;
  const { data, shape, scales, cues } = figure;
  const shown = own('shown in words', [frame, applied, data, shape, scales.along, cues.length, write], () => shownIn(asked));
  return own('described', [shown, read, note, source], () => descriptionOf(shown, { note, source }, [...read.told, ...read.notes]));
}

/** Each panel with what is drawn in it, in its colours. */
function paintedPanels({ panels, read, bands }: DrawnPlan, paint: Paint): PanelPlan[] {
  const layers = read.layers.map(layer => paintedLayer(layer, paint));
  const levelLines = read.lines.map((line): LevelLine => paintedLevel(line, paint));
  const painted = bands.map(band => paintedLevel(band, paint));
  return panels.map((panel, i) => ({
    ...panel,
    layers: inPanel(layers, i),
    levelLines: inPanel(levelLines, i),
    bands: inPanel(painted, i),
  }));
}

const inPanel = <T extends { readonly panel: number }>(items: readonly T[], panel: number): T[] =>
  items.filter(item => item.panel === panel);
