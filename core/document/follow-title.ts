import { givenTitle } from './given-title';
import type { Figure } from './schema';

/** A figure after a change: a name or title that still was the given one follows what the figure shows now; what the analyst wrote stays. */
export function followTitle(before: Figure, after: Figure): Figure {
  const [given, now] = [givenTitle(before.data), givenTitle(after.data)];
  if (given === now) return after;
  const follows = (was: string, is: string): string => (was === given && is === was ? now : is);
  return {
    ...after,
    name: follows(before.name, after.name),
    words: { ...after.words, title: follows(before.words.title, after.words.title) },
  };
}
