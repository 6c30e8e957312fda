import { textToken, ticksToken, toggled } from 'core/sentence';
import type { MakingOf } from './kind';
import type { MakingWords } from './word-parts';

/** Tables below each other. */
export const stackWords: MakingWords<MakingOf<'stack'>> = {
  sentence: ({ tables: own, from }, tables) => [
    'Stack ',
    ticksToken(
      'tables',
      'Tables to stack',
      own,
      tables.map(({ id, name }) => ({ value: id, label: name })),
    ),
    ' below each other by the names of their columns; the table of each row stands in ',
    textToken('from', 'A column for the table of each row', from ?? '', 'no column'),
    '.',
  ],
  choose: (making, key, value) => {
    if (key === 'from') return { ...making, from: value.trim() === '' ? null : value.trim() };
    const tables = toggled(making.tables, value);
    return tables.length > 1 ? { ...making, tables } : making;
  },
};
