import type { Project } from '../schema';
import { describeEdit } from './describe-edit';
import { applyEdit, type Edit } from './edit';

/** A project with everything that can be undone and redone in this session. */
export interface History {
  readonly project: Project;
  readonly past: readonly Step[];
  readonly future: readonly Step[];
}

/** A project as it stood before an edit, and the edit in words. */
export interface Step {
  readonly project: Project;
  readonly words: string;
  /** Edits in a row with one key are one step: a drag. */
  readonly key?: string | undefined;
}

/** A project without a past. */
export const historyOf = (project: Project): History => ({ project, past: [], future: [] });

/** A step of a history: an edit, undo, redo. */
export type HistoryMove =
  { readonly kind: 'edit'; readonly edit: Edit; readonly key?: string | undefined } | { readonly kind: 'undo' } | { readonly kind: 'redo' };

/** The history after a move; undoing or redoing with nothing to take leaves it as it is. */
export function moveHistory(history: History, move: HistoryMove): History {
  switch (move.kind) {
    case 'edit': {
      const goesOn = move.key !== undefined && history.past.at(-1)?.key === move.key;
      const step = { project: history.project, words: describeEdit(move.edit, history.project), key: move.key };
      return { project: applyEdit(history.project, move.edit), past: goesOn ? history.past : [...history.past, step], future: [] };
    }
    case 'undo': {
      const step = history.past.at(-1);
      if (!step) return history;
      const undone = { project: history.project, words: step.words };
      return { project: step.project, past: history.past.slice(0, -1), future: [undone, ...history.future] };
    }
    case 'redo': {
      const [step, ...future] = history.future;
      if (!step) return history;
      return { project: step.project, past: [...history.past, { project: history.project, words: step.words }], future };
    }
  }
}
