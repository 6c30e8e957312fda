// Changing the document, and saying so.
export { applyEdit, type Edit } from './edit';
export { describeEdit } from './describe-edit';
// Its history, and following a journal of moves.
export { historyOf, moveHistory, type History, type HistoryMove } from './history';
export { confirm, following, propose, refuse, type Entry, type Following, type Proposal } from './following';
