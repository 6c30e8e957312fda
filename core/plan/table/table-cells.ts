import { contrastOf, isReadable, LEAST_TEXT, nearestReadable } from 'core/colour';
import type { Crosstab } from 'core/crosstab';
import { cueDataOf, treatmentsOf } from 'core/cue';
import type { DressedTotals } from './total-cues';
import type { Dress } from '../layers/marks';
import { measureDress, type MeasureDress } from '../layers/measure-dress';
import type { LayoutRequest } from '../requests';
import type { TableCells, TableColumn, Trend } from './table-plan';

/** What a measure shows in its cells: its values, or what a cue draws instead, and how cues dress them. */
export interface MeasureLook extends MeasureDress {
  readonly measure: string;
  /** By cell of the crosstab. */
  readonly values: Float64Array;
  readonly write: (value: number) => string;
}

/** The looks of all measures. Cost: O(frame rows) each. */
export function looksOf(crosstab: Crosstab, request: LayoutRequest): MeasureLook[] {
  const { applied, write } = request;
  return crosstab.measures.map(measure => {
    const instead = treatmentsOf(applied, 'instead').find(({ item }) => item.measure === measure);
    const own = crosstab.values[measure] as Float64Array;
    const scaled = instead && cueDataOf(instead.from, instead.item.part);
    // What is drawn in the place of values has no total: it is no sum of anything.
    const values = scaled ? Float64Array.from(crosstab.frameRows, row => (row === -1 ? NaN : (scaled[row] as number))) : own;
    return {
      measure,
      values,
      write: write.alike(measure, values, instead ? (instead.item.percent ? 'percent' : 'number') : undefined),
      ...measureDress(request, measure),
    };
  });
}

/** The cells of a table, row by row: for each column of the crosstab its measures, then the small lines. */
export function cellsOf(
  crosstab: Crosstab,
  looks: readonly MeasureLook[],
  columns: readonly TableColumn[],
  request: LayoutRequest,
  totals: readonly DressedTotals[],
): TableCells {
  const writer = new CellWriter(crosstab, looks, columns, request);
  return writer.cells(totals);
}

class CellWriter {
  private readonly texts: string[];
  private readonly values: Float64Array;
  private readonly rows: Int32Array;
  private readonly grounds: string[];
  private readonly inks: string[];
  private readonly marked: Uint8Array;
  private readonly outlined: Uint8Array;
  private readonly labels: Record<number, string> = {};
  private readonly glyphs: Record<number, { readonly glyph: string; readonly colour: string }> = {};
  private readonly bars: Float64Array;
  private readonly barColours: string[];
  private readonly trends: Record<number, Trend> = {};
  private readonly inkOn = new Map<string, string>();

  constructor(
    private readonly crosstab: Crosstab,
    private readonly looks: readonly MeasureLook[],
    private readonly columns: readonly TableColumn[],
    private readonly request: LayoutRequest,
  ) {
    const size = crosstab.rows.length * columns.length;
    this.texts = new Array<string>(size).fill('');
    this.grounds = new Array<string>(size).fill('');
    this.inks = new Array<string>(size).fill('');
    this.barColours = new Array<string>(size).fill('');
    [this.values, this.bars] = [new Float64Array(size).fill(NaN), new Float64Array(size).fill(NaN)];
    this.rows = new Int32Array(size).fill(-1);
    [this.marked, this.outlined] = [new Uint8Array(size), new Uint8Array(size)];
  }

  cells(totals: readonly DressedTotals[]): TableCells {
    this.looks.forEach((look, nth) => {
      this.write(look, nth);
      for (const item of totals) this.dressTotals(item, look.measure, nth);
    });
    const { texts, values, rows, grounds, inks, marked, outlined, labels, glyphs, bars, barColours, trends } = this;
    return { texts, values, rows, grounds, inks, marked, outlined, labels, glyphs, bars, barColours, trends };
  }

  /** Writes the cells of one measure. */
  private write(look: MeasureLook, nth: number): void {
    const { crosstab, looks } = this;
    const across = crosstab.columns.length;
    const put = this.putter(look, look.measure);
    for (let down = 0; down < crosstab.rows.length; down++)
      for (let column = 0; column < across; column++) {
        const at = down * this.columns.length + column * looks.length + nth;
        const cell = down * across + column;
        const value = look.values[cell] as number;
        this.values[at] = value;
        this.texts[at] = look.write(value);
        const row = crosstab.frameRows[cell] as number;
        if (row === -1) continue;
        this.rows[at] = row;
        put(at, row);
      }
    this.draw(look, nth);
  }

  /** Dresses the cells of totals that cues look at. */
  private dressTotals({ of, places, measures }: DressedTotals, measure: string, nth: number): void {
    const { rows, columns } = this.crosstab;
    const look = measures.get(measure);
    const total = (of === 'rows' ? columns : rows).findIndex(({ kind }) => kind === 'total');
    if (!look || total === -1) return;
    const put = this.putter(look, measure);
    places.forEach((place, row) => {
      const [down, column] = of === 'rows' ? [place, total] : [total, place];
      put(down * this.columns.length + column * this.looks.length + nth, row);
    });
  }

  /** A function that dresses a cell like a row of the frame. */
  private putter({ dress, labels }: MeasureDress, measure: string): (at: number, row: number) => void {
    const outlined = new Set(dress.outlined);
    const glyphs = new Map(dress.glyphs.map(ask => [ask.at, ask]));
    return (at, row) => {
      this.dress(at, row, dress, measure);
      if (outlined.has(row)) this.outlined[at] = 1;
      const glyph = glyphs.get(row);
      if (glyph) this.glyphs[at] = { glyph: glyph.glyph, colour: glyph.colour };
      const label = labels.get(row);
      if (label) this.labels[at] = label;
    };
  }

  /** Applies a cue's colour to a cell: to its background or its text; to its bar where it has one. */
  private dress(at: number, row: number, dress: Dress, measure: string): void {
    const { figure, livery } = this.request;
    const marked = dress.marked[row] as number;
    if (marked === 0) return;
    this.marked[at] = marked;
    const colour = dress.colours[row] as string;
    if (this.drawing(measure) === 'bars') this.barColours[at] = colour;
    else if (figure.crosstab.paints === 'text') this.inks[at] = this.readable(colour, livery.ground);
    else {
      this.grounds[at] = colour;
      const better = contrastOf(livery.ink, colour) >= contrastOf(livery.ground, colour) ? livery.ink : livery.ground;
      this.inks[at] = this.readable(better, colour);
    }
  }

  /** A text colour that is legible on a background: the colour itself, or the nearest legible one. */
  private readable(colour: string, ground: string): string {
    const key = `${colour} on ${ground}`;
    let found = this.inkOn.get(key);
    if (found === undefined) {
      found = isReadable(colour, ground, LEAST_TEXT) ? colour : (nearestReadable(colour, ground, LEAST_TEXT) ?? this.request.livery.ink);
      this.inkOn.set(key, found);
    }
    return found;
  }

  private drawing(measure: string): 'numbers' | 'bars' | 'trend' {
    return this.request.figure.crosstab.drawings.find(item => item.measure === measure)?.as ?? 'numbers';
  }

  private draw(look: MeasureLook, nth: number): void {
    const as = this.drawing(look.measure);
    if (as === 'bars') this.drawBars(nth);
    if (as === 'trend') this.drawTrends(look);
  }

  /** Adds bars to rows of values: one scale for all columns, another for row totals. */
  private drawBars(nth: number): void {
    const { crosstab, columns, looks } = this;
    for (const kind of ['cells', 'total'] as const) {
      const ats = crosstab.rows.flatMap(({ kind: of }, down) =>
        of === 'cells'
          ? crosstab.columns.flatMap((column, i) => (column.kind === kind ? [down * columns.length + i * looks.length + nth] : []))
          : [],
      );
      const [low, high] = endsFromZero(ats.map(at => this.values[at] as number));
      for (const at of ats) this.bars[at] = ((this.values[at] as number) - low) / (high - low);
      for (const at of ats) if (this.barColours[at] === '') this.barColours[at] = this.request.livery.quiet;
    }
  }

  /** Adds a small line to each row of values, all on one scale. */
  private drawTrends({ measure, values, dress }: MeasureLook): void {
    const { crosstab, columns } = this;
    const place = columns.findIndex(column => column.kind === 'trend' && column.measure === measure);
    if (place === -1) return;
    const cellsAcross = crosstab.columns.flatMap(({ kind }, i) => (kind === 'cells' ? [i] : []));
    const across = crosstab.columns.length;
    const downs = crosstab.rows.flatMap(({ kind }, down) => (kind === 'cells' ? [down] : []));
    const [low, high] = endsOf(downs.flatMap(down => cellsAcross.map(i => values[down * across + i] as number)));
    for (const down of downs) {
      const at = Float64Array.from(cellsAcross, i => (high > low ? ((values[down * across + i] as number) - low) / (high - low) : 0.5));
      const marked = cellsAcross.flatMap((i, point) => {
        const row = crosstab.frameRows[down * across + i] as number;
        return row !== -1 && dress.marked[row] ? [{ at: point, colour: dress.colours[row] as string }] : [];
      });
      this.trends[down * columns.length + place] = { at, marked };
    }
  }
}

function endsOf(values: readonly number[]): [low: number, high: number] {
  let [low, high] = [Infinity, -Infinity];
  for (const value of values) {
    if (value < low) low = value;
    if (value > high) high = value;
  }
  return [low, high];
}

/** The ends of a scale of lengths: zero is always included. */
function endsFromZero(values: readonly number[]): [low: number, high: number] {
  const [low, high] = endsOf(values);
  const [from, to] = [Math.min(0, low), Math.max(0, high)];
  return from < to ? [from, to] : [0, 1];
}

/** The position of zero among the bars of a measure, 0 to 1; null where the measure has no bars. */
export function zeroOf(
  crosstab: Crosstab,
  { measure, values }: MeasureLook,
  kind: 'cells' | 'total',
  request: LayoutRequest,
): number | null {
  if (request.figure.crosstab.drawings.find(item => item.measure === measure)?.as !== 'bars') return null;
  const across = crosstab.columns.length;
  const shown = crosstab.rows.flatMap(({ kind: of }, down) =>
    of === 'cells' ? crosstab.columns.flatMap((column, i) => (column.kind === kind ? [values[down * across + i] as number] : [])) : [],
  );
  const [low, high] = endsFromZero(shown);
  return -low / (high - low);
}
