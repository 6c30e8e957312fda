import { isColouring, winnersOf, type AppliedCue, type TreatmentOf } from 'core/cue';
import type { NumberStyle } from 'core/format';
import { columnOf, rowsWithValue, type Column, type NumericValues } from 'core/table';
import { rowNames } from 'core/words';
import { cueDataOf, treatmentsOf, type CueTreatment } from 'core/cue';
import { handColours } from './hand-colours';
import { labelTexts } from '../labels/label-text';
import type { Drawn, LayoutRequest } from '../requests';
import { colourIn, quietIn } from '../dress/livery';
import type { GlyphAsk, LabelAsk, Layer } from '../plan';
import { rampColours, rampPlace } from './ramp';
import type { Slice } from './slices';
import { tied } from './ties';

// A byte holds no larger number of a cue.
const MOST_NUMBER = 255;

/** What cues add to the marks of a layer: colours, outlines, glyphs, labels. */
export type Dress = Pick<Layer, 'colour' | 'colours' | 'marked' | 'outlined' | 'glyphs' | 'labels'>;

/** Colours, outlines, glyphs and labels of the marks of one measure in one slice. */
export function dressOf(request: LayoutRequest, { measure }: Drawn, slice: Slice): Dress {
  const { frame, applied, livery, figure } = request;
  const hand = handColours(request);
  const own = hand.series(slice.series ?? measure) ?? livery.series[slice.nth % livery.series.length] ?? livery.base;
  const quiets = applied.some(cue => quietsMeasure(cue, measure));
  const unmarked = quiets ? quietIn(livery, slice.nth) : own;
  const winners = winnersOf(applied, frame.table.rowCount, measure);
  // One function per treatment from a row to its colour.
  const palette = applied.map(from =>
    from.treatments.map(item => (isColouring(item) && item.measure === measure ? colourerOf(request, { item, from } as never) : null)),
  );
  const { rows } = slice;
  const colours = new Array<string>(rows.length).fill(unmarked);
  const marked = new Uint8Array(rows.length);
  const { cue: cueOf, treatment: treatmentOf } = winners;
  const { won } = winners;
  // Most marks are quiet: where all rows stand in turn, and none has a colour by hand, they cost nothing.
  const inTurn = slice.whole && !hand.row;
  const count = inTurn ? won.length : rows.length;
  for (let i = 0; i < count; i++) {
    const at = inTurn ? (won[i] as number) : i;
    const row = rows[at] as number;
    const cue = row === -1 ? -1 : (cueOf[row] as number);
    const colour = cue === -1 ? undefined : palette[cue]?.[treatmentOf[row] as number]?.(row);
    if (colour === undefined) {
      // What steps back for a cue has no colour of its own.
      if (hand.row && !quiets && row !== -1) colours[at] = hand.row(row) ?? unmarked;
      continue;
    }
    colours[at] = colour;
    // The number of the cue that colours it.
    marked[at] = Math.min(MOST_NUMBER, applied[cue]?.number ?? 1);
  }
  const places = placesOf(slice);
  const shownMarks = marksOf(request, measure);
  const asks = shownMarks.flatMap(shown => asksOf(request, shown, places, colours));
  return {
    colour: unmarked,
    colours,
    marked,
    outlined: shownMarks.filter(({ item }) => item.look.outline).flatMap(shown => Array.from(atsOf(shown, places))),
    glyphs: asks.flatMap(({ glyph }) => (glyph ? [glyph] : [])),
    labels: once(labelsOf(request, measure, places, figure.shape.arrange === 'side' ? slice.series : null)),
  };
}

/** Whether a cue puts a measure in the background: only the measures that the cue is about. */
const quietsMeasure = ({ quietsRest, treatments }: AppliedCue, measure: string): boolean =>
  quietsRest && treatments.some(item => (item.show === 'mark' || item.show === 'line') && item.measure === measure);

type AnyMark = CueTreatment<'mark'> | CueTreatment<'ramp'>;

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

/** The index in the slice of each row of the frame; −1 for rows outside it. */
type Places = ReadonlyMap<number, number> | null;

function placesOf({ rows, whole }: Slice): Places {
  if (whole) return null;
  return new Map(Array.from(rows, (row, at) => [row, at] as const).filter(([row]) => row !== -1));
}

function atsOf({ item, from }: AnyMark, places: Places): ArrayLike<number> & Iterable<number> {
  const column = from.helpers.find(helper => helper.part === item.part)?.column;
  if (!column) return [];
  const rows = rowsWithValue(column);
  return places ? Array.from(rows).flatMap(row => places.get(row) ?? []) : rows;
}

/** Glyphs of one treatment, each in the colour of its mark. */
function asksOf(_request: LayoutRequest, shown: AnyMark, places: Places, colours: readonly string[]): { at: number; glyph: GlyphAsk }[] {
  const { glyph, label } = shown.item.look;
  if (!glyph) return [];
  return Array.from(atsOf(shown, places), at => ({ at, glyph: { at, glyph, colour: colours[at] as string, beyond: label === 'glyph' } }));
}

/** Labels that all treatments of a measure ask for. With several series, a value is labelled with its series. */
function labelsOf(request: LayoutRequest, measure: string, places: Places, series: string | null): LabelAsk[] {
  const rowOf = places ? new Map([...places].map(([row, at]) => [at, row])) : null;
  return marksOf(request, measure).flatMap(shown => {
    const { label } = shown.item.look;
    if (label === 'none' || label === 'glyph') return [];
    const text = textOf(request, measure, shown);
    const numbers = label === 'value' ? numbersOf(request, measure) : null;
    const whose = label === 'value' && series !== null ? `${series} ` : '';
    const asks: LabelAsk[] = [];
    for (const at of atsOf(shown, places)) {
      const row = rowOf ? (rowOf.get(at) as number) : at;
      const words = text(row);
      if (!words) continue;
      const [said, rank] = [whose + words, shown.from.number];
      asks.push(
        numbers
          ? { at, text: said, where: 'end', rank, number: { before: whose, value: numbers.data[row] as number, style: numbers.style } }
          : { at, text: said, where: 'end', rank },
      );
    }
    return tied(asks, request.frame.category);
  });
}

/** What cues add to the values in cells of a measure, by row of the frame. The first cue that asks decides. */
export function cellLabels(request: LayoutRequest, measure: string): ReadonlyMap<number, string> {
  const said = new Map<number, string>();
  for (const shown of marksOf(request, measure)) {
    const { label } = shown.item.look;
    if (label === 'none' || label === 'glyph' || label === 'value') continue;
    const text = textOf(request, measure, shown);
    for (const row of atsOf(shown, null)) if (!said.has(row)) said.set(row, text(row));
  }
  return said;
}

/** The numbers behind the labels of a measure, and how they are written. */
export interface LabelNumbers {
  readonly data: Float64Array;
  readonly style: NumberStyle;
}

/** The numbers that labels of a measure may write shorter; null where another value is drawn instead. */
export function numbersOf({ applied, frame, write }: LayoutRequest, measure: string): LabelNumbers | null {
  const instead = treatmentsOf(applied, 'instead').some(other => other.item.measure === measure);
  const column = columnOf(frame.table, measure);
  return instead || column?.type !== 'number' ? null : { data: column.data, style: write.style(measure) };
}

/** One part of a split measure. `totalled`: the total is labelled on top, so parts have no label. */
export interface PartAsk {
  readonly item: TreatmentOf<'split'>['parts'][number];
  readonly from: AppliedCue;
  readonly measure: string;
  readonly totalled: boolean;
}

/** Outline, glyphs and labels of a part. A part of zero has no mark to dress. */
export function dressOfPart(
  request: LayoutRequest,
  { item, from, measure, totalled }: PartAsk,
  values: Float64Array,
  { rows }: Slice,
): Pick<Dress, 'outlined' | 'glyphs' | 'labels'> {
  const { part, look, sign, legend, share } = item;
  const ats = [...values.keys()].filter(at => values[at] === values[at] && values[at] !== 0);
  const onTop = sign !== undefined && !totalled;
  const mark: TreatmentOf<'mark'> = { show: 'mark', part, measure, look, legend, ...(share ? { share } : {}) };
  const words = textOf(request, measure, { item: mark, from });
  const value = (at: number): string => `${onTop ? sign : ''}${request.write.value(measure, values[at] as number)}`;
  const text = (at: number): string => (look.label === 'value' ? value(at) : words(rows[at] as number));
  const isLabelled = look.label !== 'none' && look.label !== 'glyph';
  return {
    outlined: look.outline ? ats : [],
    // On its own colour a glyph shows in the ground's.
    glyphs: look.glyph ? ats.map(at => ({ at, glyph: look.glyph, colour: request.livery.ground, beyond: false, inside: true })) : [],
    labels: isLabelled
      ? ats.map((at): LabelAsk => ({ at, text: text(at), where: onTop ? 'end' : 'inside' })).filter(label => label.text)
      : [],
  };
}

/** At most one label per mark, of the first cue that asks. */
function once(labels: readonly LabelAsk[]): LabelAsk[] {
  const seen = new Set<number>();
  return labels.filter(({ at }) => !seen.has(at) && seen.add(at)).sort((a, b) => a.at - b.at);
}

/** The text of a mark's label; empty where it asks for a value that its cue does not compute. */
function textOf(request: LayoutRequest, measure: string, { item, from }: AnyMark): (row: number) => string {
  const { frame, figure, write } = request;
  switch (item.look.label) {
    case 'name': {
      const names = rowNames(frame, figure);
      return row => names[row] ?? '';
    }
    case 'share': {
      if (item.share === undefined) return () => '';
      const shares = cueDataOf(from, item.share);
      const share = write.alike(measure, shares, 'percent');
      return row => share(shares[row] as number);
    }
    case 'difference': {
      const part = (item as TreatmentOf<'mark'>).difference;
      if (part === undefined) return () => '';
      const [values, as] = [cueDataOf(from, part), from.helpers.find(helper => helper.part === part)?.as];
      const difference = write.alike(measure, values, as);
      return row => signed(values[row] as number, difference);
    }
    case 'text':
      return labelTexts(item.look.text, request, columnsFor(from, request));
    default:
      return valueTexts(request, measure);
  }
}

/** A measure's values as labels write them, all in one style, by row of the frame; the scaled values where a cue draws those instead. */
export function valueTexts(request: LayoutRequest, measure: string): (row: number) => string {
  const { frame, write } = request;
  const instead = treatmentsOf(request.applied, 'instead').find(other => other.item.measure === measure);
  if (instead) {
    const [scaled, as] = [cueDataOf(instead.from, instead.item.part), instead.item.percent ? 'percent' : 'number'] as const;
    const written = write.alike(measure, scaled, as);
    return row => written(scaled[row] as number);
  }
  const { data } = columnOf(frame.table, measure) as NumericValues & Column;
  const written = write.alike(measure, data);
  return row => written(data[row] as number);
}

/** The helper columns of a cue, then those of all other cues. */
const columnsFor = (from: AppliedCue, { applied }: LayoutRequest): Column[] =>
  [from, ...applied.filter(other => other !== from)].flatMap(({ helpers }) => helpers.map(({ column }) => column));

/** A difference with its sign; empty where it is missing. */
export function signed(value: number, write: (value: number) => string): string {
  if (Number.isNaN(value)) return '';
  return value > 0 ? `+${write(value)}` : write(value);
}
