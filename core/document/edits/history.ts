import type { Project } from '../schema';
import { describeEdit } from './describe-edit';
import { applyEdit, type Edit } from './edit';

/** A project with its undo and redo steps of this session. */
export interface History {
  readonly project: Project;
  readonly past: readonly Step[];
  readonly future: readonly Step[];
}

/** A project before an edit, and the edit in words. */
export interface Step {
  readonly project: Project;
  readonly words: string;
  /** Consecutive edits with one key are one step, such as those of a drag. */
  readonly key?: string | undefined;
}

/** A project without undo steps. */
export const historyOf = (project: Project): History => ({ project, past: [], future: [] });

/** A step of a history: an edit, undo, redo. */
export type HistoryMove =
  { readonly kind: 'edit'; readonly edit: Edit; readonly key?: string | undefined } | { readonly kind: 'undo' } | { readonly kind: 'redo' };

/** The history after a move; undo or redo with no step left changes nothing. */
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
