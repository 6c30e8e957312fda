const [CR, LF] = [13, 10];

/** The line end of a file with one kind; `mixed` where rows end in several ways, or quoted cells hold another. */
export type LineEnds = '\n' | '\r\n' | '\r' | 'mixed';

/** Finds the line ends of the bytes. Cost: one fast pass, and a step per line where there are carriage returns. */
export function lineEndsOf(bytes: Uint8Array): LineEnds {
  let at = bytes.indexOf(CR);
  if (at < 0) return '\n';
  let [pairs, lone] = [0, 0];
  for (; at >= 0; at = bytes.indexOf(CR, at + 1)) {
    if (bytes[at + 1] === LF) pairs++;
    else lone++;
    if (pairs && lone) return 'mixed';
  }
  let feeds = 0;
  for (let feed = bytes.indexOf(LF); feed >= 0; feed = bytes.indexOf(LF, feed + 1)) if (++feeds > pairs) return 'mixed';
  return pairs ? '\r\n' : '\r';
}
