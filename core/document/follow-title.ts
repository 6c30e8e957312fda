import { givenTitle } from './given-title';
import type { Figure } from './schema';

/** A figure after a change: a name or title that was the automatic one is updated; the analyst's own stays. */
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
