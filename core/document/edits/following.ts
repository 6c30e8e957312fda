import { moveHistory, type History, type HistoryMove } from './history';

/** A move with an id, so that it is written once however often it is sent. */
export interface Proposal {
  readonly id: string;
  readonly move: HistoryMove;
}

/** A move in the journal; its key is its position among the moves of all tabs. */
export interface Entry extends Proposal {
  readonly key: number;
}

/** A history that follows a journal: confirmed moves, and on top of them moves made here that are pending. */
export interface Following {
  readonly history: History;
  readonly confirmed: History;
  readonly pending: readonly Pending[];
}

interface Pending {
  readonly proposal: Proposal;
  readonly after: History;
}

/** A history that follows a journal, with nothing pending. */
export const following = (history: History): Following => ({ history, confirmed: history, pending: [] });

/** Applies a move at once; the journal confirms it later. */
export function propose(state: Following, proposal: Proposal): Following {
  const history = moveHistory(state.history, proposal.move);
  return { ...state, history, pending: [...state.pending, { proposal, after: history }] };
}

/** Takes the next entries of the journal. Pending moves stay on top; moves of other tabs go below them. */
export const confirm = (state: Following, entries: readonly Entry[]): Following => entries.reduce(confirmOne, state);

function confirmOne(state: Following, { id, move }: Entry): Following {
  const [first, ...rest] = state.pending;
  if (first?.proposal.id === id) return { ...state, confirmed: first.after, pending: rest };
  return rebased(
    moveHistory(state.confirmed, move),
    state.pending.filter(item => item.proposal.id !== id),
  );
}

/** Removes a move that cannot be kept. */
export const refuse = (state: Following, id: string): Following =>
  rebased(
    state.confirmed,
    state.pending.filter(item => item.proposal.id !== id),
  );

function rebased(confirmed: History, pending: readonly Pending[]): Following {
  return pending.reduce<Following>((state, { proposal }) => propose(state, proposal), following(confirmed));
}
