import type { Dress } from 'core/document';
import type { Livery } from '../dress/livery';
import type { Layer } from '../plan';
import type { LegendEntry } from '../words/plan-words';

/** Where a legend stands, resolved. */
export type LegendPlace = Exclude<Dress['legend'], 'auto'>;

/** Where a figure's legend stands: where the figure says, else where its livery has it. */
export const placeOfLegend = (chosen: Dress['legend'], { legend = 'top' }: Livery): LegendPlace => (chosen === 'auto' ? legend : chosen);

/** The legend at its place: at the marks themselves a series is named once, and its entry goes; nowhere, all of them go. */
export function placedLegend(
  place: LegendPlace,
  layers: readonly Layer[],
  legend: readonly LegendEntry[],
): { readonly layers: readonly Layer[]; readonly legend: readonly LegendEntry[] } {
  if (place === 'none') return { layers, legend: [] };
  if (place !== 'direct') return { layers, legend };
  // What a cue marks is no series: its entry stays.
  const own = new Set(legend.filter(({ cue }) => cue === null).map(({ text }) => text));
  const isNamed = ({ name, cue, ends }: Layer): boolean => cue === null && own.has(name) && ends.some(end => end === end);
  const named = new Set(layers.filter(isNamed).map(({ name }) => name));
  return {
    layers: layers.map(layer => (isNamed(layer) ? { ...layer, isNamed: true } : layer)),
    legend: legend.filter(({ text, cue }) => cue !== null || !named.has(text)),
  };
}
