import type { Picture } from 'core/plan';

type Frame = Picture['frame'];

/**
 * A picture whose frame names the rows behind each of its own by their places in the source, as edits of cells do: where mends left rows out, these are not
 * those of the table that it was made from. Cost: O(rows) the first time for a frame.
 *
 * @param origin for each row of the table its place in the source; null where none was left out
 */
export function withSourceRows(picture: Picture, origin: Int32Array | null): Picture {
  if (!origin) return picture;
  const { frame } = picture;
  const known = renamed.get(frame);
  const own = known?.origin === origin ? known.frame : { ...frame, rows: frame.rows.map(row => origin[row] as number) };
  if (own !== known?.frame) renamed.set(frame, { origin, frame: own });
  return { ...picture, frame: own };
}

const renamed = new WeakMap<Frame, { readonly origin: Int32Array; readonly frame: Frame }>();
