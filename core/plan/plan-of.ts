import type { AppliedCue } from 'core/cue';
import type { Frame } from 'core/frame';
import type { Figure } from 'core/project';
import { panelsOf } from './axes';
import { describeFigure } from './describe-figure';
import { layoutOf } from './layers';
import { legendOf } from './legend';
import { bandsOf, linesOf } from './levels';
import type { Livery } from './livery';
import type { Layer, Plan } from './plan';
import { picturesOf } from './pictures';
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
    axisNote: axisNote(layers, write, frame, figure),
    legend: legendOf(applied, layers, livery),
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

function axisNote(layers: readonly Layer[], write: ValueWriter, { category, measures }: Frame, { data }: Figure): string {
  const drawn = new Set(layers.map(layer => layer.measure));
  const names = [...new Set([...measures.filter(name => drawn.has(name)), ...drawn])];
  const named = names.map(name => {
    const unit = write.unit(name);
    return `${name}${unit ? ` (${unit})` : ''}`;
  });
  const words = named.length > 1 ? `${named.slice(0, -1).join(', ')} and ${named.at(-1)}` : (named[0] ?? measures[0] ?? '');
  return `${words} by ${data.step?.kind === 'grain' ? data.step.grain : category}`;
}
