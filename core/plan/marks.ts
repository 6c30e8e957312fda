import { isColouring, winnersOf, type AppliedCue, type TreatmentOf } from 'core/cue';
import { columnOf, rowsWithValue, type Column, type NumericValues } from 'core/table';
import { rowNames } from './category-names';
import { cueDataOf, treatmentsOf, type Shown } from './cue-data';
import { labelTexts } from './label-text';
import type { Drawn, LayoutRequest } from './layers';
import { colourIn } from './livery';
import type { GlyphAsk, LabelAsk, Layer } from './plan';
import { rampColours, rampPlace } from './ramp';
import type { Slice } from './slices';

/** What cues make of a layer's marks. */
export type Dress = Pick<Layer, 'colour' | 'colours' | 'marked' | 'outlined' | 'glyphs' | 'labels'>;

/** Colours, outlines, glyphs and labels of the marks of one measure in one slice. */
export function dressOf(request: LayoutRequest, { measure }: Drawn, slice: Slice): Dress {
  const { frame, applied, livery } = request;
  const quiet = applied.some(cue => cue.quietsRest);
  const own = livery.series[slice.place % livery.series.length] ?? livery.base;
  const unmarked = quiet ? livery.quiet : own;
  const winners = winnersOf(applied, frame.table.rowCount, measure);
  // One function per treatment from a row to its colour.
  const palette = applied.map(from =>
    from.treatments.map(item => (isColouring(item) && item.measure === measure ? colourerOf(request, { item, from } as never) : null)),
  );
  const { rows } = slice;
  const colours = new Array<string>(rows.length).fill(unmarked);
  const marked = new Uint8Array(rows.length);
  const { cue: cueOf, treatment: treatmentOf } = winners;
  // Most marks are quiet: they cost one look-up each.
  for (let at = 0; at < rows.length; at++) {
    const row = rows[at] as number;
    const cue = row === -1 ? -1 : (cueOf[row] as number);
    const colour = cue === -1 ? undefined : palette[cue]?.[treatmentOf[row] as number]?.(row);
    if (colour === undefined) continue;
    colours[at] = colour;
    marked[at] = 1;
  }
  const places = placesOf(slice);
  const asks = marksOf(request, measure).flatMap(shown => asksOf(request, shown, places, colours));
  return {
    colour: unmarked,
    colours,
    marked,
    outlined: marksOf(request, measure)
      .filter(({ item }) => item.look.outline)
      .flatMap(shown => atsOf(shown, places)),
    glyphs: asks.flatMap(({ glyph }) => (glyph ? [glyph] : [])),
    labels: once(labelsOf(request, measure, places)),
  };
}

type AnyMark = Shown<'mark'> | Shown<'ramp'>;

const marksOf = ({ applied }: LayoutRequest, measure: string): AnyMark[] =>
  [...treatmentsOf(applied, 'mark'), ...treatmentsOf(applied, 'ramp')]
    .filter(({ item }) => item.measure === measure)
    .sort((a, b) => a.from.number - b.from.number);

function colourerOf({ livery }: LayoutRequest, { item, from }: AnyMark): (row: number) => string {
  if (item.show === 'mark') {
    const colour = colourIn(livery, item.look.colour);
    return () => colour;
  }
  const [colours, positions] = [rampColours(item, livery), cueDataOf(from, item.part)];
  return row => colours[rampPlace(positions[row] as number)] as string;
}

/** Where a frame row stands along the slice; −1 where it is not in it. */
type Places = ReadonlyMap<number, number> | null;

function placesOf({ rows, whole }: Slice): Places {
  if (whole) return null;
  return new Map(Array.from(rows, (row, at) => [row, at] as const).filter(([row]) => row !== -1));
}

function atsOf({ item, from }: AnyMark, places: Places): number[] {
  const column = from.helpers.find(helper => helper.part === item.part)?.column;
  if (!column) return [];
  return Array.from(rowsWithValue(column)).flatMap(row => (places ? (places.has(row) ? [places.get(row) as number] : []) : [row]));
}

/** Glyphs of one treatment, each in the colour that its mark took. */
function asksOf(_request: LayoutRequest, shown: AnyMark, places: Places, colours: readonly string[]): { at: number; glyph: GlyphAsk }[] {
  const { glyph, label } = shown.item.look;
  if (!glyph) return [];
  return atsOf(shown, places).map(at => ({ at, glyph: { at, glyph, colour: colours[at] as string, beyond: label === 'glyph' } }));
}

/** Labels asked for by all treatments of a measure. */
function labelsOf(request: LayoutRequest, measure: string, places: Places): LabelAsk[] {
  return marksOf(request, measure).flatMap(shown => {
    const { label } = shown.item.look;
    if (label === 'none' || label === 'glyph') return [];
    const rowOf = places ? new Map([...places].map(([row, at]) => [at, row])) : null;
    const text = textOf(request, measure, shown);
    return atsOf(shown, places).flatMap((at): LabelAsk[] => {
      const words = text(rowOf ? (rowOf.get(at) as number) : at);
      return words ? [{ at, text: words, where: 'end' }] : [];
    });
  });
}

/** A mark is labelled once, by the first cue that asks. */
function once(labels: readonly LabelAsk[]): LabelAsk[] {
  const seen = new Set<number>();
  return labels.filter(({ at }) => !seen.has(at) && seen.add(at)).sort((a, b) => a.at - b.at);
}

function textOf(request: LayoutRequest, measure: string, { item, from }: AnyMark): (row: number) => string {
  const { frame, figure, write } = request;
  const numbers = (part: string | undefined): Float64Array => cueDataOf(from, part ?? '');
  switch (item.look.label) {
    case 'name': {
      const names = rowNames(frame, figure.data);
      return row => names[row] ?? '';
    }
    case 'share': {
      const shares = numbers(item.share);
      return row => write.as('percent', measure, shares[row] as number);
    }
    case 'difference': {
      const part = (item as TreatmentOf<'mark'>).difference;
      const [values, as] = [numbers(part), from.helpers.find(helper => helper.part === part)?.as];
      return row => signed(values[row] as number, value => write.as(as, measure, value));
    }
    case 'text':
      return labelTexts(item.look.text, request, columnsFor(from, request));
    default: {
      const instead = treatmentsOf(request.applied, 'instead').find(other => other.item.measure === measure);
      if (instead) {
        const [scaled, as] = [cueDataOf(instead.from, instead.item.part), instead.item.percent ? 'percent' : 'number'] as const;
        return row => write.as(as, measure, Math.round((scaled[row] as number) * 1000) / 1000);
      }
      const { data } = columnOf(frame.table, measure) as NumericValues & Column;
      return row => write.value(measure, data[row] as number);
    }
  }
}

/** A cue's own helper columns, then those of all the others. */
const columnsFor = (from: AppliedCue, { applied }: LayoutRequest): Column[] =>
  [from, ...applied.filter(other => other !== from)].flatMap(({ helpers }) => helpers.map(({ column }) => column));

function signed(value: number, write: (value: number) => string): string {
  if (Number.isNaN(value)) return '';
  return value > 0 ? `+${write(value)}` : write(value);
}
