import type { AppliedCue } from 'core/cue';
import type { PanelPlan } from './plan';

/**
 * Panels that cues single out, by index, each with the colour of the cue: what a cue marks in one panel alone, such as the highest of all. Where a
 * cue marks something in several panels, none is singled out.
 */
export function foundIn(panels: readonly PanelPlan[], applied: readonly AppliedCue[]): Readonly<Record<number, string>> {
  if (panels.length < 2) return {};
  const layers = panels.flatMap(panel => panel.layers);
  const found: Record<number, string> = {};
  // The first cue in the list wins a title, as it wins a mark.
  for (const { number } of [...applied].reverse()) {
    const marked = layers.filter(layer => layer.marked.includes(number));
    const [first] = marked;
    if (!first || marked.some(({ panel }) => panel !== first.panel)) continue;
    found[first.panel] = first.colours[first.marked.indexOf(number)] as string;
  }
  return found;
}
