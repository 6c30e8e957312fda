import { textToken, ticksToken, toggled } from 'core/sentence';
import type { MakingOf } from './kind';
import { columnsOf, columnToken, keyLike, numbersOf, tableToken, type MakingWords } from './word-parts';

/** Columns turned into rows. */
export const longWords: MakingWords<MakingOf<'long'>> = {
  sentence: ({ table, columns, name, value }, tables) => [
    'Turn the columns ',
    ticksToken(
      'columns',
      'Columns to turn',
      columns,
      columnsOf(table, tables).map(column => ({ value: column.name, label: column.name })),
    ),
    ' of ',
    tableToken('table', table, tables),
    ' into rows, their names in ',
    textToken('name', 'A column for their names', name, 'name'),
    ', their values in ',
    textToken('value', 'A column for their values', value, 'value'),
    '.',
  ],
  choose: (making, key, value, tables) => {
    switch (key) {
      case 'table':
        return { ...making, table: value, columns: numbersOf(value, tables) };
      case 'columns': {
        const columns = toggled(making.columns, value);
        return columns.length ? { ...making, columns } : making;
      }
      case 'name':
        return { ...making, name: value.trim() || 'name' };
      default:
        return { ...making, value: value.trim() || 'value' };
    }
  },
};

/** Rows turned into columns. */
export const wideWords: MakingWords<MakingOf<'wide'>> = {
  sentence: ({ table, name, value }, tables) => [
    'Turn the rows of ',
    tableToken('table', table, tables),
    ' into a column for each ',
    columnToken('name', 'What names the columns', name, table, tables),
    ', with its ',
    columnToken('value', 'What stands in them', value, table, tables),
    '.',
  ],
  choose: (making, key, value, tables) => {
    if (key !== 'table') return { ...making, [key]: value };
    return { ...making, table: value, name: keyLike(making.name, value, tables), value: numbersOf(value, tables)[0] ?? '' };
  },
};
