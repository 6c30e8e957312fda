import type { Groups } from 'core/formula';
import type { Stages } from 'core/stages';

/** Rows of the source table behind frame row r: `rows[offsets[r]]` up to `rows[offsets[r + 1]]`. */
export interface SourceRows {
  readonly offsets: Int32Array;
  readonly rows: Int32Array;
}

/** How groups became the rows of a frame. */
export interface Arranged {
  /** For each row of the frame its group; null where they stand as they are numbered. */
  readonly order: Int32Array | null;
  /** Rows of the source that the filters leave; null where all are. */
  readonly kept: Int32Array | null;
  /** Groups, and behind them filled-in steps, which have no rows. */
  readonly frameRows: number;
}

/** Source rows that are found out once, when they are first read: pictures without a page never ask. Crossing to another thread reads them, as plain arrays. */
export function whenAsked(find: () => SourceRows): SourceRows {
  let found: SourceRows | undefined;
  const all = (): SourceRows => (found ??= find());
  return {
    get offsets() {
      return all().offsets;
    },
    get rows() {
      return all().rows;
    },
  };
}

/** Rows of the source table, laid out group after group in frame order (counting sort), when they are first read. Cost then: O(rows). */
export const laidOutWhenAsked = (groups: Groups, arranged: Arranged, stages: Stages): SourceRows =>
  whenAsked(() => laidOut(groups, arranged, stages));

function laidOut({ ids, count, rows }: Groups, { order, kept, frameRows }: Arranged, stages: Stages): SourceRows {
  // One source row per group: groups are numbered by first appearance, so they are the rows.
  if (count === rows && frameRows === rows) {
    const inTurn = (name: string, count: number): Int32Array => stages(name, [count], () => upTo(count));
    return { offsets: inTurn('offsets', count + 1), rows: throughKept(order ?? inTurn('rows in turn', rows), kept) };
  }
  const place = new Int32Array(frameRows);
  for (let at = 0; at < frameRows; at++) place[order ? (order[at] as number) : at] = at;
  const sizes = new Int32Array(frameRows);
  if (ids) for (let row = 0; row < rows; row++) sizes[ids[row] as number]!++;
  else sizes[0] = rows;
  const offsets = new Int32Array(frameRows + 1);
  for (let at = 0; at < frameRows; at++) offsets[at + 1] = (offsets[at] as number) + (sizes[order ? (order[at] as number) : at] as number);
  // Where the next row of each group goes.
  const next = Int32Array.from(place, at => offsets[at] as number);
  return { offsets, rows: scattered(ids, next, rows, kept) };
}

function scattered(ids: Int32Array | null, next: Int32Array, rows: number, kept: Int32Array | null): Int32Array {
  const laid = new Int32Array(rows);
  for (let row = 0; row < rows; row++) {
    const group = ids ? (ids[row] as number) : 0;
    const at = next[group] as number;
    next[group] = at + 1;
    laid[at] = kept ? (kept[row] as number) : row;
  }
  return laid;
}

function upTo(count: number): Int32Array {
  const out = new Int32Array(count);
  for (let at = 0; at < count; at++) out[at] = at;
  return out;
}

/** Rows among the kept ones as rows of the source. */
const throughKept = (rows: Int32Array, kept: Int32Array | null): Int32Array => (kept ? rows.map(row => kept[row] as number) : rows);
