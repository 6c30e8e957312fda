import { makeTable, named, valuesFrom, type Column, type Table } from 'core/table';
import type { Picture } from '../picture';

/**
 * The ledger as a table: data columns, then all helper columns, in the order of the screen. A column marks what-if values. Where an axis is broken,
 * the drawn values come before the helper columns of cues.
 */
export function ledgerTable({ frame, applied, drawn = [] }: Pick<Picture, 'frame' | 'applied'> & Partial<Pick<Picture, 'drawn'>>): Table {
  const asDrawn = drawn.map(({ column }) => column);
  const helpers = applied.flatMap(cue => cue.helpers.map(helper => helper.column));
  const taken = new Set([...frame.table.columns, ...asDrawn, ...helpers].map(({ name }) => name));
  const data = frame.table.columns.flatMap(column => [column, ...whatIfMarks(column, frame.whatIfs[column.name], taken)]);
  return makeTable(frame.table.name, [...data, ...asDrawn, ...helpers]);
}

/** A column with "what-if" in rows that have such a value; none where no row has one. */
function whatIfMarks({ name }: Column, marked: Uint8Array | undefined, taken: Set<string>): Column[] {
  if (!marked?.includes(1)) return [];
  let own = `${name} what-if`;
  while (taken.has(own)) own += ' mark';
  taken.add(own);
  const texts = Array.from(marked, mark => (mark ? 'what-if' : null));
  return [named(own, valuesFrom('text', texts))];
}
