// What looks wrong in a table, and what mends it, as sentences with a switch each.
export {
  chooseMend,
  editsOfKept,
  findMends,
  firstMends,
  mendCounts,
  mendSentence,
  mendTable,
  placeIn,
  type MendedTable,
  type MendOutcome,
} from './mend';
export type { Found, MendColumn } from './kind';
export { isSpelledLike } from './spellings';
