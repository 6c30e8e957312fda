import type { Layout } from './layers';
import type { LayoutRequest } from '../requests';
import { cueDataOf, treatmentsOf } from 'core/cue';
import { levelIn } from 'core/table';
import { colourIn } from '../dress/livery';
import type { BandPlan, LevelLine } from '../plan';
import { alongSlice } from './slices';

/** Level lines of all cues: one per panel, or one per series where they differ. */
export function linesOf({ applied, livery, write, figure }: LayoutRequest, { slices, panelOf }: Layout): LevelLine[] {
  return treatmentsOf(applied, 'line')
    .filter(({ item }) => item.form === 'level')
    .flatMap(({ item, from }) => {
      const data = cueDataOf(from, item.part);
      const lines = slices.map((slice): LevelLine => {
        const values = alongSlice(slice, data);
        const colour =
          slice.series === null ? colourIn(livery, item.colour) : (livery.series[slice.nth % livery.series.length] ?? livery.ink);
        return {
          panel: panelOf(item.measure, slice),
          axis: axisOf(item, figure),
          values,
          colour,
          stroke: { width: item.width, dash: item.dash, marker: '' },
          label: item.label ? labelOf(item.legend, values, value => write.full(item.measure, value)) : '',
          cue: from.cue.id,
          drag: item.drag === null ? null : { cue: from.cue.id, token: item.drag },
        };
      });
      return merged(lines, colourIn(livery, item.colour));
    });
}

function axisOf(item: { readonly measure: string; readonly axis: 'same' | 'second' }, { data }: LayoutRequest['figure']): number {
  const own = [...data.measures, ...data.helpers].find(({ name }) => name === item.measure)?.axis ?? 'first';
  return item.axis === 'second' || own === 'second' ? 1 : 0;
}

/** Lines of one panel, merged to one in the cue's own colour where all series share them. */
function merged(lines: readonly LevelLine[], colour: string): LevelLine[] {
  const out: LevelLine[] = [];
  for (const line of lines) {
    const same = out.findIndex(other => other.panel === line.panel && agree(other.values, line.values));
    if (same === -1) out.push(line);
    else out[same] = { ...(out[same] as LevelLine), values: filled(out[same] as LevelLine, line), colour };
  }
  return out;
}

const agree = (a: Float64Array, b: Float64Array): boolean =>
  a.every((value, at) => value === b[at] || Number.isNaN(value) || Number.isNaN(b[at]));

const filled = (a: LevelLine, b: LevelLine): Float64Array =>
  a.values.map((value, at) => (value === value ? value : (b.values[at] as number)));

/** The label of a line: "average 4,321 L" for one level, its name alone for several. */
function labelOf(name: string, values: Float64Array, write: (value: number) => string): string {
  const level = levelIn(values);
  if (level === null) return '';
  if (level === 'several') return name;
  return isValue(name) ? write(level) : `${name} ${write(level).replaceAll(' ', '\u00a0')}`;
}

const isValue = (name: string): boolean => /^[−-]?[\d,.]+$/.test(name);

/** Bands of all cues, one per slice. */
export function bandsOf({ applied, livery, figure }: LayoutRequest, { slices, panelOf }: Layout): BandPlan[] {
  return treatmentsOf(applied, 'band').flatMap(({ item, from }) =>
    slices.map((slice): BandPlan => {
      const target = (token: string | undefined) => (token ? { cue: from.cue.id, token } : null);
      return {
        panel: panelOf(item.measure, slice),
        axis: axisOf({ measure: item.measure, axis: 'same' }, figure),
        low: alongSlice(slice, cueDataOf(from, item.low)),
        high: alongSlice(slice, cueDataOf(from, item.high)),
        style: item.style,
        colour: slice.series === null ? colourIn(livery, item.colour) : (livery.series[slice.nth % livery.series.length] ?? livery.ink),
        cue: from.cue.id,
        dragLow: target(item.drag?.low),
        dragHigh: target(item.drag?.high),
      };
    }),
  );
}
