import type { Proposal } from 'core/document/edits';
import type { Leftover } from 'engine';

// Each page has a place of its own, so that tabs that close together do not write over each other.
const PREFIX = 'cowbell-unwritten ';
const own = `${PREFIX}${crypto.randomUUID()}`;

/** Puts moves where the next page finds them; none takes the place away. Written before the call returns: a page that closes has no other time. */
export function writeLeftover(leftover: Leftover): void {
  try {
    if (leftover.moves.length) localStorage.setItem(own, JSON.stringify(leftover));
    else localStorage.removeItem(own);
  } catch {
    // A browser that keeps nothing was spoken of when the first write failed.
  }
}

/** Takes the moves that earlier pages left; each is returned once, unreadable ones are dropped. */
export function takeLeftovers(): Leftover[] {
  try {
    const keys = Object.keys(localStorage).filter(key => key.startsWith(PREFIX) && key !== own);
    const found = keys.map(key => leftoverIn(localStorage.getItem(key) ?? ''));
    for (const key of keys) localStorage.removeItem(key);
    return found.filter(leftover => leftover !== null);
  } catch {
    return [];
  }
}

/** The moves themselves are read by the engine, through their schema. */
function leftoverIn(text: string): Leftover | null {
  const data: unknown = JSON.parse(text);
  if (typeof data !== 'object' || data === null || !('project' in data) || !('moves' in data)) return null;
  const { project, moves } = data;
  return typeof project === 'string' && Array.isArray(moves) ? { project, moves: moves.filter(isNamed) } : null;
}

const isNamed = (move: unknown): move is Proposal =>
  typeof move === 'object' && move !== null && 'id' in move && typeof move.id === 'string';
