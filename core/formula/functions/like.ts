import type { BooleanVec, TextVec } from '../evaluate/vec';
import { areThere, perRow } from './texts';

/** `text like pattern`: % matches any characters, _ one character; all others, and the one after the escape, match themselves. */
export function likeTexts(arg: TextVec, pattern: TextVec, escape: string, rows: number): BooleanVec {
  const patterns = new Map<string, readonly Piece[]>();
  const piecesOf = (text: string): readonly Piece[] => {
    let pieces = patterns.get(text);
    if (!pieces) patterns.set(text, (pieces = piecesIn(text, escape)));
    return pieces;
  };
  const found = perRow([arg, pattern], rows, values =>
    areThere(values) ? Number(fits(Array.from(values[0] as string), piecesOf(values[1] as string))) : undefined,
  );
  return { type: 'boolean', data: Uint8Array.from(found, hit => hit ?? 2), constant: arg.constant && pattern.constant };
}

/** Characters between two %; null matches any one. */
type Piece = readonly (string | null)[];

function piecesIn(pattern: string, escape: string): Piece[] {
  const pieces: (string | null)[][] = [[]];
  const letters = Array.from(pattern);
  for (let at = 0; at < letters.length; at++) {
    const letter = letters[at] as string;
    if (letter === escape && at + 1 < letters.length) pieces.at(-1)?.push(letters[++at] as string);
    else if (letter === '%') pieces.push([]);
    else pieces.at(-1)?.push(letter === '_' ? null : letter);
  }
  return pieces;
}

/**
 * The first piece is matched at the start, the last at the end, and every other as early as possible: if it fits anywhere, it fits there. Cost:
 * linear in the text for each piece.
 */
function fits(text: readonly string[], pieces: readonly Piece[]): boolean {
  const [first, last] = [pieces[0] as Piece, pieces.at(-1) as Piece];
  if (pieces.length === 1) return text.length === first.length && standsAt(text, first, 0);
  const end = text.length - last.length;
  if (end < first.length || !standsAt(text, first, 0) || !standsAt(text, last, end)) return false;
  let from = first.length;
  for (const piece of pieces.slice(1, -1)) {
    while (from + piece.length <= end && !standsAt(text, piece, from)) from++;
    if (from + piece.length > end) return false;
    from += piece.length;
  }
  return true;
}

const standsAt = (text: readonly string[], piece: Piece, at: number): boolean =>
  piece.every((letter, i) => letter === null || letter === text[at + i]);
