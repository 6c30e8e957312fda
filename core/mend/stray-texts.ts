import { parseNumber } from 'core/io';
import { success } from 'core/result';
import { textToken } from 'core/sentence';
import { tidied } from './folded';
import type { Found, MendKind, MendOf } from './kind';
import { columnWord, firstRows, namesOf, quoted, textColumn, textCounts, textsTyped, typedTexts, withColumn } from './parts';
import { rewritten } from './rewritten';

// A number among texts is a stray where so few are.
const FEW = 3;
const LEAST = 10;

/** Texts that stand in the wrong place: a number among names. */
export const strayTexts: MendKind<MendOf<'stray-texts'>> = {
  offer: 'Take a text as missing',
  counts: 'cell',
  find: ({ columns }) =>
    columns.flatMap((column): Found<MendOf<'stray-texts'>>[] => {
      if (column.type !== 'text') return [];
      const counts = textCounts(column);
      const is = column.dictionary.map(text => !Number.isNaN(parseNumber(text)));
      const texts = column.dictionary.filter((_, code) => is[code] && (counts[code] as number) > 0).map(tidied);
      const count = counts.reduce((sum, own, code) => sum + (is[code] ? own : 0), 0);
      const all = counts.reduce((sum, own) => sum + own, 0);
      if (count === 0 || count > FEW || all < LEAST) return [];
      return [
        {
          mend: { kind: 'stray-texts', column: column.name, texts, off: false },
          said: `${texts.map(quoted).join(', ')} ${count === 1 ? 'is a number' : 'are numbers'} among the texts of ${column.name}.`,
          count,
          rows: firstRows(column.data.length, row => is[column.data[row] as number] ?? false),
        },
      ];
    }),
  apply: (table, { column: name, texts }) => {
    const column = textColumn(table, name);
    if (!column.ok) return column;
    const made = rewritten(column.value, text => (texts.includes(tidied(text)) ? null : text));
    return success(withColumn(table, made.column, made.count));
  },
  sentence: ({ column, texts }, columns) => [
    'Take ',
    textToken('texts', 'Texts, with ; between them', typedTexts(texts), 'nothing yet'),
    ' in ',
    columnWord(column, columns, ['text']),
    ' as missing.',
  ],
  choose: (mend, key, value) => (key === 'column' ? { ...mend, column: value } : { ...mend, texts: textsTyped(value) }),
  first: columns => {
    const [column] = namesOf(columns, ['text']);
    return column === undefined ? null : { kind: 'stray-texts', column, texts: [], off: false };
  },
};
