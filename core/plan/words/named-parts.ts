import type { ChartPlan } from '../plan';
import type { NamedPart } from './plan-words';

/** A plan before its parts have names. */
export type UnnamedPlan = Omit<ChartPlan, 'parts'>;

/**
 * Everything that a figure says beside its marks, with an id (`title`, `axis first`, `legend 2`; several of a kind counted from 1), in the order of
 * reading: head, axes, panels, level lines, bands, foot. The drawing adds where each is.
 */
export function namedParts(plan: UnnamedPlan): NamedPart[] {
  return [
    ...headParts(plan),
    ...plan.panels.flatMap((_, i) => titleParts(plan, i)),
    ...axisParts(plan),
    ...lineParts(plan),
    ...footParts(plan),
  ];
}

const part = (id: string, says: string, cue: string | null = null): NamedPart => ({ id, says, cue });
const spoken = (id: string, before: string, words: string | undefined): NamedPart[] => (words ? [part(id, `${before}: ${words}`)] : []);

function headParts({ title, subtitle, legend, axisNote, panels }: UnnamedPlan): NamedPart[] {
  return [
    ...spoken('title', 'Title', title),
    ...spoken('subtitle', 'Below the title', subtitle),
    ...legend.map(({ text, cue }, i) => part(`legend ${i + 1}`, `Legend: ${text}`, cue)),
    ...namedAtMarks(panels).map((name, i) => ({ ...part(`legend ${legend.length + i + 1}`, `Series: ${name}`), series: name })),
    ...spoken('note', 'Axes', axisNote),
  ];
}

/** Series whose names are written at their marks, in the order of the legend. */
const namedAtMarks = (panels: UnnamedPlan['panels']): readonly string[] => [
  ...new Set(panels.flatMap(({ layers }) => layers.filter(layer => layer.isNamed).map(({ name }) => name))),
];

/** The title of a panel where there are several, of its first axis where there is one; the second axis is named once. */
function titleParts({ panels }: UnnamedPlan, i: number): NamedPart[] {
  const { title, axes } = panels[i] as UnnamedPlan['panels'][number];
  const own = panels.length > 1 ? [part(`panel ${i + 1}`, `Panel: ${title}`)] : spoken('axis title first', 'First axis', axes[0]?.title);
  return [...own, ...(i === 0 ? spoken('axis title second', 'Second axis', axes[1]?.title) : [])];
}

function axisParts({ panels, axisNote }: UnnamedPlan): NamedPart[] {
  const both = panels.some(({ axes }) => axes.length > 1);
  return [
    part('axis first', both ? 'First axis' : 'Value axis'),
    ...(both ? [part('axis second', 'Second axis')] : []),
    part('categories', `Categories: ${axisNote}`),
  ];
}

function lineParts({ panels }: UnnamedPlan): NamedPart[] {
  return [
    ...panels
      .flatMap(panel => panel.levelLines)
      .map(({ label, cue }, i) => part(`line ${i + 1}`, `Line: ${label || 'without a label'}`, cue)),
    ...panels.flatMap(panel => panel.bands).map(({ cue }, i) => part(`band ${i + 1}`, 'Band', cue)),
  ];
}

const footParts = ({ note, source }: UnnamedPlan): NamedPart[] => [...spoken('foot', 'Note', note), ...spoken('source', 'Source', source)];
