import { moveHistory, type History, type HistoryMove } from './history';

/** A move with a name of its own, so that it is written once however often it is sent. */
export interface Proposal {
  readonly id: string;
  readonly move: HistoryMove;
}

/** A move as the journal has it: its key tells its place among the moves of all tabs. */
export interface Entry extends Proposal {
  readonly key: number;
}

/** A history that follows a journal: what the journal confirmed, and on top of it what was done here since. */
export interface Following {
  readonly history: History;
  readonly confirmed: History;
  readonly pending: readonly Pending[];
}

interface Pending {
  readonly proposal: Proposal;
  readonly after: History;
}

/** A history that follows a journal, nothing pending. */
export const following = (history: History): Following => ({ history, confirmed: history, pending: [] });

/** Takes a move at once; the journal confirms it later. */
export function propose(state: Following, proposal: Proposal): Following {
  const history = moveHistory(state.history, proposal.move);
  return { ...state, history, pending: [...state.pending, { proposal, after: history }] };
}

/** Takes what the journal holds next. Moves made here stay as they are; those of another tab come in below what is not confirmed yet. */
export const confirm = (state: Following, entries: readonly Entry[]): Following => entries.reduce(confirmOne, state);

function confirmOne(state: Following, { id, move }: Entry): Following {
  const [first, ...rest] = state.pending;
  if (first?.proposal.id === id) return { ...state, confirmed: first.after, pending: rest };
  return rebased(
    moveHistory(state.confirmed, move),
    state.pending.filter(item => item.proposal.id !== id),
  );
}

/** Takes back a move that cannot be kept. */
export const refuse = (state: Following, id: string): Following =>
  rebased(
    state.confirmed,
    state.pending.filter(item => item.proposal.id !== id),
  );

function rebased(confirmed: History, pending: readonly Pending[]): Following {
  return pending.reduce<Following>((state, { proposal }) => propose(state, proposal), following(confirmed));
}
