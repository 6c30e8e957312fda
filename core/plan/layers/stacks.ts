import type { Figure } from 'core/document';
import { isArea, isBar } from 'core/shape';
import type { Layer } from '../plan';

/**
 * Gives a slot to each layer whose marks are side by side, and bases to layers that are stacked. Parts of a split (slot 0) share the slot of their
 * measure.
 */
export function stackedLayers(layers: readonly Layer[], arrange: Figure['shape']['arrange']): Layer[] {
  const stacks = arrange !== 'side';
  const out = [...layers];
  const panels = new Set(layers.map(layer => layer.panel));
  for (const panel of panels) {
    const bars = slotsOf(
      layers.flatMap((layer, i) => (layer.panel === panel && isBar(layer) ? [i] : [])),
      layers,
      stacks,
    );
    bars.forEach((members, slot) => place(out, members, slot, bars.length, arrange));
    const areas = layers.flatMap((layer, i) => (layer.panel === panel && isArea(layer) ? [i] : []));
    const sets = stacks ? [areas] : splitSets(areas, layers);
    for (const members of sets) place(out, members, -1, 1, arrange);
  }
  return out;
}

/** Indexes of layers by slot: one slot for all where they are stacked, else one each. Parts of one split stay together. */
function slotsOf(members: readonly number[], layers: readonly Layer[], stacks: boolean): number[][] {
  if (stacks) return members.length ? [[...members]] : [];
  const slots: number[][] = [];
  const keys = new Map<string, number>();
  for (const i of members) {
    const layer = layers[i] as Layer;
    const key = layer.slot === 0 ? `${layer.measure}\u0000${layer.rows.join(',').slice(0, 40)}` : `own ${i}`;
    const at = keys.get(key);
    if (at === undefined) keys.set(key, slots.push([i]) - 1);
    else slots[at]?.push(i);
  }
  return slots;
}

const splitSets = (areas: readonly number[], layers: readonly Layer[]): number[][] =>
  slotsOf(
    areas.filter(i => layers[i]?.slot === 0),
    layers,
    false,
  );

function place(out: Layer[], members: readonly number[], slot: number, slots: number, arrange: Figure['shape']['arrange']): void {
  if (members.length < 2) {
    for (const i of members) out[i] = { ...(out[i] as Layer), slot, slots };
    return;
  }
  const first = out[members[0] as number] as Layer;
  const shares = arrange === 'full' ? totalsOf(members, out) : null;
  const [up, down] = [new Float64Array(first.values.length), new Float64Array(first.values.length)];
  for (const i of members) {
    const layer = out[i] as Layer;
    const { ends, bases } = stackOn(layer.values, up, down, shares);
    out[i] = { ...layer, slot, slots, ends, bases, as: shares ? 'percent' : layer.as };
  }
}

/** For each category the total size of all parts. */
function totalsOf(members: readonly number[], layers: readonly Layer[]): Float64Array {
  const totals = new Float64Array((layers[members[0] as number] as Layer).values.length);
  for (const i of members)
    (layers[i] as Layer).values.forEach((value, at) => {
      if (value === value) totals[at] = (totals[at] as number) + Math.abs(value);
    });
  return totals;
}

/** Stacks values on what is below them: positive ones upwards, negative ones downwards. A missing value takes no room. */
function stackOn(values: Float64Array, up: Float64Array, down: Float64Array, totals: Float64Array | null) {
  const [ends, bases] = [new Float64Array(values.length), new Float64Array(values.length)];
  for (let at = 0; at < values.length; at++) {
    const value = totals ? (values[at] as number) / ((totals[at] as number) || NaN) : (values[at] as number);
    const side = value < 0 ? down : up;
    bases[at] = side[at] as number;
    ends[at] = value === value ? bases[at]! + value : NaN;
    if (value === value) side[at] = ends[at]!;
  }
  return { ends, bases };
}
