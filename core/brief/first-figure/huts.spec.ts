import { plainFormat, followTitle, type Figure } from 'core/document';
import { messageFor } from 'core/result/words';
import { chooseWord, firstFigure, subjectOf, type Change, type TableFacts } from '../index';

export const deliveries: TableFacts = {
  id: 'd',
  name: 'deliveries',
  rowCount: 480,
  units: { milk: 'L' },
  columns: [
    { name: 'hut', type: 'text' },
    { name: 'valley', type: 'text' },
    { name: 'week', type: 'date' },
    { name: 'week no', type: 'number' },
    { name: 'milk', type: 'number' },
    { name: 'fat', type: 'number' },
  ],
};
export const tanks: TableFacts = {
  id: 't',
  name: 'tanks',
  rowCount: 170,
  units: {},
  columns: [
    { name: 'day', type: 'date' },
    { name: 'level', type: 'number' },
  ],
};
export const tables = [deliveries, tanks];
export const figure = firstFigure('f', deliveries, 'hut');
export const formats = ['volume', 'percent'].map(name => plainFormat(name, { decimals: 0 }));
export const about = (now: Figure) => subjectOf(now, tables);
/** Name and words as the document takes them after a change. */
function titled(now: Figure, change: Change): Change {
  const { name, words } = followTitle(now, { ...now, ...change });
  return { name, words };
}

/** What choosing changes, the formats known. Throws where it is refused. */
export function chosen(now: Figure, token: string, value: string): Change {
  const change = chooseWord(subjectOf(now, tables, formats), token, value);
  if (!change.ok) throw new Error(change.problems.map(messageFor).join(' '));
  return { ...change.value, ...titled(now, change.value) };
}
