import type { AppliedCue } from 'core/cue';
import type { Frame } from 'core/frame';
import type { Figure } from 'core/project';
import { panelsOf } from './axes';
import { describeFigure } from './describe-figure';
import { treatmentsOf } from './cue-data';
import { layoutOf, type LayoutRequest } from './layers';
import { legendOf } from './legend';
import { bandsOf, linesOf } from './levels';
import type { Livery } from './livery';
import type { Layer, Plan } from './plan';
import { picturesOf } from './pictures';
import { writerOf, type Writing } from './value-writer';

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

/** The drawing of a figure: layers coloured by the cues' helper columns, lines and bands, labels asked for, scales around what is drawn. */
export function planOf(request: PlanRequest): Plan {
  const { figure, frame, applied, livery } = request;
  const write = writerOf(figure, request.writing);
  const asked = { figure, frame, applied, livery, write };
  const layout = layoutOf(asked);
  const { layers, categories, panelTitles } = layout;
  const [lines, bands] = [linesOf(asked, layout), bandsOf(asked, layout)];
  const labelled =
    request.roomForLabels ?? (layers.some(({ labels, glyphs }) => labels.length + glyphs.length > 0) || lines.some(line => line.label));
  return {
    title: figure.words.title,
    subtitle: figure.words.subtitle,
    axisNote: axisNote(measuresOf(layers, applied), asked),
    legend: legendOf(request, layers),
    categories,
    panels: panelsOf({ figure, titles: panelTitles, layers, lines, bands, applied, write, labelled: Boolean(labelled) }),
    gridlines: figure.scales.gridlines,
    lying: figure.shape.mark === 'bar' || figure.shape.mark === 'lying-stem',
    layers,
    lines,
    bands,
    description: describeFigure(request, write),
    livery,
    pictures: picturesOf(layers, request.writing.pictures ?? []),
  };
}

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
