import { lastPer } from 'core/stages';
import { whenAsked, type SourceRows } from 'core/frame';
import type { Picture } from 'core/plan';

type Frame = Picture['frame'];

/**
 * A picture whose frame names the rows behind each of its own by their places in the source, as edits of cells do: where mends left rows out, these are not
 * those of the table that it was made from. Cost: O(rows) the first time that they are read.
 *
 * @param origin for each row of the table its place in the source; null where none was left out
 */
export function withSourceRows(picture: Picture, origin: Int32Array | null): Picture {
  if (!origin) return picture;
  const { frame } = picture;
  const own = inSourceRows(frame, origin);
  return { ...picture, frame: own };
}

const inSource = (source: SourceRows, origin: Int32Array): SourceRows =>
  whenAsked(() => ({ offsets: source.offsets, rows: source.rows.map(row => origin[row] as number) }));

const inSourceRows = lastPer((frame: Frame, origin: Int32Array): Frame => ({ ...frame, source: inSource(frame.source, origin) }));
