import { keptPer, oncePer } from 'core/stages';
import { MISSING_BOOLEAN, MISSING_TEXT, takeValues } from 'core/table';
import { DEFAULT_BOUNDS, frameRanges, WHOLE_BOUNDS, type RangeKey, type SortedWindow } from './frame-ranges';
import { placesToTexts, windowFunctions, type Aggregate, type FrameRanges, type WindowFunction } from '../functions';
import {
  slidingCounts,
  slidingDistinct,
  slidingExtremes,
  slidingModes,
  slidingPairs,
  slidingQuantiles,
  slidingVariances,
  type Sliding,
} from './sliding';
import { slidingSums } from './sliding-sums';
import { dictionaryRanks } from '../evaluate/text-order';
import type { TypedAggregate, TypedBounds, TypedWindow, TypedWindowCall } from '../evaluate/typed';
import { materialise, strideOf, type NumericVec, type TextVec, type Vec } from '../evaluate/vec';

/** A window ready to run: its rows sorted. */
export interface WindowRun {
  readonly window: TypedWindow;
  readonly sorted: SortedWindow;
  readonly rows: number;
}

// Frames of an order that an edit leaves as it is.
const framesOf = oncePer((_sorted: SortedWindow) => keptPer<TypedBounds, FrameRanges>());

function rangesOf(run: WindowRun): FrameRanges {
  const { window, sorted } = run;
  const bounds = window.bounds ?? (window.order.length ? DEFAULT_BOUNDS : WHOLE_BOUNDS);
  const known = framesOf(sorted);
  const ranges = known.get(bounds) ?? rangesWithin(run, bounds);
  known.set(bounds, ranges);
  return ranges;
}

function rangesWithin({ window, sorted }: WindowRun, bounds: TypedBounds): FrameRanges {
  const [key] = window.order;
  const type = key?.by.type;
  const range: RangeKey | null =
    key && (type === 'number' || type === 'date' || type === 'timestamp') ? { type, descending: key.descending } : null;
  return frameRanges(sorted, bounds, range);
}

/** An aggregate over a moving or growing frame: one value per row. */
export function slideAggregate(run: WindowRun, f: TypedAggregate, entry: Aggregate, args: readonly Vec[]): Vec {
  const { sorted, rows } = run;
  const [arg, second] = args;
  const first = arg as Vec;
  const text = first.type === 'text' && entry.sliding !== 'count' ? first : null;
  const ranks = text && dictionaryRanks(text.dictionary);
  const sliding: Sliding = { ...rangesOf(run), values: inOrder(text && ranks ? textPlaces(text, ranks) : asNumbers(first), first, sorted) };
  const atPositions = slid(f, entry, sliding, second ? inOrder(asNumbers(second), second, sorted) : null, sorted);
  const data = new Float64Array(rows);
  for (let at = 0; at < rows; at++) data[sorted.rows[at] as number] = atPositions[at] as number;
  if (text && ranks && entry.gives === 'same') return placesToTexts(text, ranks, data);
  const type = entry.gives === 'same' && (first.type === 'date' || first.type === 'timestamp') ? first.type : 'number';
  return { type, data, constant: false };
}

function slid(f: TypedAggregate, entry: Aggregate, sliding: Sliding, second: Float64Array | null, { starts }: SortedWindow): Float64Array {
  const { name } = f;
  const options = f.within ?? { fraction: 0.5, descending: false };
  switch (entry.sliding) {
    case 'sum':
      return f.distinct ? slidingDistinct(sliding, name as 'sum' | 'avg') : slidingSums(sliding, name === 'avg', starts);
    case 'count':
      return f.distinct ? slidingDistinct(sliding, 'count') : slidingCounts(sliding);
    case 'min':
      return slidingExtremes(sliding, -1);
    case 'max':
      return slidingExtremes(sliding, 1);
    case 'variance':
      return slidingVariances(sliding, name.endsWith('_pop') ? 0 : 1, name.startsWith('stddev'));
    case 'pair':
      return slidingPairs(sliding, second as Float64Array, name);
    case 'sorted':
      return name === 'mode' ? slidingModes(sliding, options.descending) : slidingQuantiles(sliding, options, name !== 'percentile_disc');
  }
}

/** Values as numbers that compare and count as they do; missing is NaN. */
function asNumbers(vec: Vec): Float64Array {
  if (vec.type === 'text') return Float64Array.from(vec.data, code => (code === MISSING_TEXT ? NaN : code));
  if (vec.type === 'boolean') return Float64Array.from(vec.data, value => (value === MISSING_BOOLEAN ? NaN : value));
  return vec.data;
}

const textPlaces = (vec: TextVec, ranks: Int32Array): Float64Array => Float64Array.from(vec.data, code => ranks[code] ?? NaN);

function inOrder(data: Float64Array, vec: Vec, { rows }: SortedWindow): Float64Array {
  const out = new Float64Array(rows.length);
  const stride = strideOf(vec);
  for (let at = 0; at < out.length; at++) out[at] = data[(rows[at] as number) * stride] as number;
  return out;
}

/** A window function proper: ranks, neighbours, values of the frame. */
export function runWindowCall(run: WindowRun, f: TypedWindowCall, args: readonly Vec[]): Vec {
  const entry = windowFunctions[f.name] as WindowFunction;
  if (entry.kind === 'number') return { type: 'number', data: entry.run(run.sorted, args[0]?.data ?? []), constant: false };
  const [value, n, otherwise] = args;
  const from = entry.kind === 'offset' ? neighbours(run, entry.direction, n) : framePlaces(run, entry.pick, n);
  return valuesAt(value as Vec, from, otherwise, run.rows);
}

// The rows before, or after, in an order that an edit leaves as it is.
const nextTo = { '-1': keptPer<SortedWindow, Int32Array>(), '1': keptPer<SortedWindow, Int32Array>() };

/** For each row, the row so many places before or after it in its partition; −1 where there is none. */
function neighbours(run: WindowRun, direction: -1 | 1, n: Vec | undefined): Int32Array {
  if (n) return neighboursAt(run, direction, n);
  const known = nextTo[direction];
  const found = known.get(run.sorted) ?? neighboursAt(run, direction, undefined);
  known.set(run.sorted, found);
  return found;
}

function neighboursAt({ sorted, rows }: WindowRun, direction: -1 | 1, n: Vec | undefined): Int32Array {
  const from = new Int32Array(rows).fill(-1);
  const { rows: order, starts } = sorted;
  const partition = partitionNumbers(starts);
  for (let at = 0; at < rows; at++) {
    const row = order[at] as number;
    const steps = n ? Math.trunc((n as NumericVec).data[row * strideOf(n)] as number) : 1;
    const there = at + direction * steps;
    if (there >= 0 && there < rows && partition[there] === partition[at]) from[row] = order[there] as number;
  }
  return from;
}

function partitionNumbers(starts: Uint8Array): Int32Array {
  const out = new Int32Array(starts.length);
  for (let at = 0, number = -1; at < out.length; at++) {
    if (starts[at]) number++;
    out[at] = number;
  }
  return out;
}

function framePlaces(run: WindowRun, pick: (low: number, high: number, n: number) => number, n: Vec | undefined): Int32Array {
  const { low, high } = rangesOf(run);
  const { rows: order } = run.sorted;
  const from = new Int32Array(run.rows).fill(-1);
  for (let at = 0; at < run.rows; at++) {
    const row = order[at] as number;
    const [lower, upper] = [low[at] as number, high[at] as number];
    const steps = n ? ((n as NumericVec).data[row * strideOf(n)] as number) : 1;
    const place = upper > lower ? pick(lower, upper, Math.trunc(steps)) : -1;
    if (place >= 0) from[row] = order[place] as number;
  }
  return from;
}

/** The values of the rows found; what is told otherwise where none was. */
function valuesAt(value: Vec, from: Int32Array, otherwise: Vec | undefined, rows: number): Vec {
  const source = materialise(value, rows);
  const marker = source.type === 'text' ? MISSING_TEXT : source.type === 'boolean' ? MISSING_BOOLEAN : NaN;
  const taken = takeValues(
    source,
    from.map(row => Math.max(0, row)),
  );
  const { data } = taken;
  const filler = otherwise && materialise(otherwise, rows);
  const fillers = filler && source.type === 'text' ? recoded(filler as TextVec, source as TextVec) : filler?.data;
  for (let row = 0; row < rows; row++) if (from[row] === -1) data[row] = fillers ? (fillers[row] as number) : marker;
  const extended = filler && source.type === 'text' ? [...source.dictionary, ...(filler as TextVec).dictionary] : undefined;
  return { ...taken, ...(extended ? { dictionary: extended } : {}), constant: false };
}

/** Codes of one dictionary as codes behind another's. */
const recoded = (filler: TextVec, source: TextVec): Int32Array =>
  filler.data.map(code => (code === MISSING_TEXT ? code : code + source.dictionary.length));
