import type { AppliedCue, Treatment, TreatmentOf } from 'core/cue';
import type { Figure } from 'core/document';
import type { Frame } from 'core/frame';
import { counted, listed } from 'core/sentence';
import { columnOf, levelIn, rowsWithValue, type NumericValues } from 'core/table';
import { partName, rowName } from './row-names';
import type { ValueWriter } from './value-writer';

/** Inputs of a finding: the figure's numbers, its names, and its number writer. */
export interface Finding {
  readonly from: AppliedCue;
  readonly frame: Frame;
  readonly figure: Figure;
  readonly write: ValueWriter;
}

/** Where cues are applied: to a figure's frame, or to the totals of a crosstab. */
export type CuedPlace = Pick<Finding, 'frame' | 'figure'> & { readonly applied: readonly AppliedCue[] };

// More names than this are a list to be read in the ledger, not heard.
const MOST_NAMES = 6;

/** What a cue found, in a sentence: one entry for each sort of treatment; empty where nothing was. */
const findings: { readonly [S in Treatment['show']]: (item: TreatmentOf<S>, of: Finding) => string } = {
  mark: ({ part }, of) => markedWords(part, of),
  ramp: ({ measure, part }, of) => {
    const [low, high] = endsOf(numbers(of.from, part));
    const ends = low === -1 ? '' : `, ${rowWords(of, measure, low)}, to high, ${rowWords(of, measure, high)}`;
    return `${measure} is shaded from low${ends || ' to high'}.`;
  },
  split: ({ measure, parts }, { from, frame }) => {
    const said = parts.map(({ part, legend }) => {
      const count = numbers(from, part).reduce((sum, value) => sum + Number(value === value && value !== 0), 0);
      return `${legend} (${counted(count, frame.category)})`;
    });
    return `${measure} is split into ${listed(said)}.`;
  },
  line: ({ part, legend, measure }, { from, write }) => {
    const values = numbers(from, part);
    const level = levelIn(values);
    if (level === null) return '';
    if (level !== 'several') return `Line: ${legend}, ${write.full(measure, level)}.`;
    const there = values.filter(value => value === value);
    return `A line shows ${legend}, from ${write.full(measure, there[0] as number)} to ${write.full(measure, there.at(-1) as number)}.`;
  },
  band: ({ low, high, measure, legend }, { from, frame }) => {
    const [lows, highs, values] = [numbers(from, low), numbers(from, high), dataOf(frame, measure)];
    const outside = values.reduce((sum, value, row) => sum + Number(value < (lows[row] as number) || value > (highs[row] as number)), 0);
    return `A band shows the ${legend}; ${outside === 0 ? 'no value lies' : `${counted(outside, 'value')} ${outside === 1 ? 'lies' : 'lie'}`} outside it.`;
  },
  span: ({ low, high, legend, measures }, of) => {
    const [lows, highs] = [numbers(of.from, low), numbers(of.from, high)];
    const [, widest] = endsOf(highs.map((value, row) => value - (lows[row] as number)));
    if (widest === -1) return `Spans run ${legend}.`;
    const [first = '', last = first] = measures;
    const ends = `${of.write.full(first, lows[widest] as number)} to ${of.write.full(last, highs[widest] as number)}`;
    return `Spans run ${legend}; the widest is ${nameOf(of, widest)}, ${ends}.`;
  },
  instead: ({ part, measure, percent }, { from, write }) => {
    const values = numbers(from, part);
    const [low, high] = endsOf(values);
    const named = from.helpers.find(helper => helper.part === part)?.column.name ?? 'scaled';
    if (low === -1) return `${measure} is drawn as ${named}.`;
    const told = (row: number): string => write.as(percent ? 'percent' : 'number', measure, values[row] as number);
    return `${measure} is drawn as ${named}, from ${told(low)} to ${told(high)}.`;
  },
};

/** What one treatment of a cue found. */
export const findingOf = (item: Treatment, of: Finding): string => findings[item.show](item as never, of);

function markedWords(part: string, of: Finding): string {
  const column = of.from.helpers.find(helper => helper.part === part)?.column;
  const rows = column ? rowsWithValue(column) : [];
  if (rows.length === 0) return '';
  const told = rowsTold(of, of.from.cue.measure);
  const names: string[] = [];
  for (let at = 0; at < Math.min(rows.length, MOST_NAMES); at++) names.push(told(rows[at] as number));
  const more = rows.length > MOST_NAMES ? ` and ${rows.length - MOST_NAMES} more` : '';
  return `${part.charAt(0).toUpperCase()}${part.slice(1)}: ${names.join('; ')}${more}.`;
}

const NOTHING = new Float64Array();

function numbers({ helpers }: AppliedCue, part: string): Float64Array {
  const column = helpers.find(helper => helper.part === part)?.column;
  return column?.type === 'number' ? (column as NumericValues).data : NOTHING;
}

const dataOf = ({ table }: Frame, name: string): Float64Array => {
  const column = columnOf(table, name);
  return column?.type === 'number' ? column.data : NOTHING;
};

/** Rows of the smallest and of the largest number; −1 for both where there is none. */
function endsOf(values: Float64Array): readonly [low: number, high: number] {
  let [low, high] = [-1, -1];
  for (let row = 0; row < values.length; row++) {
    const value = values[row] as number;
    if (value !== value) continue;
    if (low === -1 || value < (values[low] as number)) low = row;
    if (high === -1 || value > (values[high] as number)) high = row;
  }
  return [low, high];
}

const rowWords = (of: Finding, measure: string, row: number): string => rowsTold(of, measure)(row);

/** Rows in words, several of one measure. */
function rowsTold(of: Finding, measure: string): (row: number) => string {
  const data = dataOf(of.frame, measure);
  return row => `${nameOf(of, row)}, ${of.write.full(measure, data[row] as number)}`;
}

/** A row by its category, and by its series or panel where the figure has them: "Fennmoor of Tolm", "Fennmoor in Jun 2031". */
export function nameOf({ frame, figure }: Pick<Finding, 'frame' | 'figure'>, row: number): string {
  const { series, panel } = frame;
  if (series === null && panel === null) return rowName(frame, figure, row);
  const splits = [...new Set([series, panel])];
  return `${rowName(frame, figure, row)}${splits.map(name => partWords({ frame, figure }, name, row)).join('')}`;
}

function partWords({ frame, figure }: Pick<Finding, 'frame' | 'figure'>, name: string | null, row: number): string {
  const column = name === null || name === frame.category ? undefined : columnOf(frame.table, name);
  if (!column || name === null) return '';
  return column.type === 'text'
    ? ` of ${column.dictionary[column.data[row] as number] ?? 'missing'}`
    : ` in ${partName(frame, figure, name, row)}`;
}
