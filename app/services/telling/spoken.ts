import type { Cue } from 'core/cue';
import type { Figure } from 'core/document';
import type { OpenState } from '../project/project-store';

/**
 * The words for a screen reader after a change: what was undone, which figure came, which cue came or was switched. A component that moves an item
 * announces it itself, since only it knows which of the two was moved.
 */
export function spokenOf(before: OpenState, after: OpenState): string | null {
  if (before.history.project.id !== after.history.project.id) return `Opened ${after.history.project.name}`;
  return undone(before, after) ?? figureWords(before, after) ?? cueWords(before, after);
}

function undone(before: OpenState, after: OpenState): string | null {
  const [past, future] = [
    after.history.past.length - before.history.past.length,
    after.history.future.length - before.history.future.length,
  ];
  if (past < 0 && future > 0) return `Undone: ${after.history.future[0]?.words ?? ''}`;
  // An edit after undo leaves nothing to be done again, too.
  if (past > 0 && future < 0 && after.history.project === before.history.future[0]?.project)
    return `Done again: ${after.history.past.at(-1)?.words ?? ''}`;
  return null;
}

function figureWords(before: OpenState, after: OpenState): string | null {
  const { figures } = after.history.project;
  const shown = figures.findIndex(figure => figure.id === after.figure);
  if (before.figure === after.figure || shown === -1) return null;
  const isNew = !before.history.project.figures.some(figure => figure.id === after.figure);
  return `${isNew ? 'New figure: ' : ''}${figures[shown]?.name ?? ''}, ${shown + 1} of ${figures.length}`;
}

function cueWords(before: OpenState, after: OpenState): string | null {
  const [was, is] = [cuesOf(before), cuesOf(after)];
  const switched = is.findIndex((cue, i) => was[i]?.id === cue.id && was[i]?.on !== cue.on);
  if (switched !== -1) return `Cue ${switched + 1} ${is[switched]?.on ? 'on' : 'off'}`;
  return is.length > was.length ? `Cue ${is.findIndex(cue => was.every(other => other.id !== cue.id)) + 1} added` : null;
}

const cuesOf = ({ history, figure }: OpenState): readonly Cue[] =>
  history.project.figures.find((item: Figure) => item.id === figure)?.cues ?? [];
