import { success } from 'core/result';
import { counted, textToken } from 'core/sentence';
import type { Column } from 'core/table';
import { folded, tidied } from './folded';
import type { Found, MendKind, MendOf } from './kind';
import { columnWord, firstRows, namesOf, quoted, textColumn, textCounts, textsTyped, typedTexts, withColumn } from './parts';
import { rewritten } from './rewritten';

type Spellings = MendOf<'spellings'>;
type TextColumn = Extract<Column, { type: 'text' }>;

// A letter tells words apart that are this short.
const SHORTEST = 5;
// A slip is rare beside what was meant.
const RARE = 0.2;
// With more different texts a column holds no names that repeat.
const MOST_TEXTS = 5_000;

/** Spellings of one name, the most frequent first. */
interface Spelled {
  readonly key: string;
  readonly texts: readonly string[];
  readonly count: number;
}

/** The texts of a column by what they are without capitals, accents and loose spaces. */
function spelledIn(column: TextColumn): Spelled[] {
  const counts = textCounts(column);
  const groups = new Map<string, { text: string; count: number }[]>();
  column.dictionary.forEach((text, code) => {
    const count = counts[code] as number;
    if (count === 0 || tidied(text) === '') return;
    const key = folded(text);
    groups.set(key, [...(groups.get(key) ?? []), { text, count }]);
  });
  return [...groups].map(([key, list]) => {
    const sorted = list.toSorted((a, b) => b.count - a.count);
    return { key, texts: sorted.map(({ text }) => text), count: list.reduce((sum, { count }) => sum + count, 0) };
  });
}

/** Texts with each of their letters left out: two that are a letter apart share one of these. */
const nearKeys = (key: string): string[] => {
  const letters = [...key];
  return [key, ...letters.map((_, at) => letters.toSpliced(at, 1).join(''))];
};

/** Whether two texts differ by one letter put in, left out, changed, or by two neighbours that changed places (Damerau–Levenshtein distance 1), none of them a digit. */
export function isLetterApart(a: string, b: string): boolean {
  const [left, right] = [[...a], [...b]];
  let start = 0;
  while (start < left.length && start < right.length && left[start] === right[start]) start++;
  let end = 0;
  while (end < Math.min(left.length, right.length) - start && left.at(-1 - end) === right.at(-1 - end)) end++;
  const [mine, theirs] = [left.slice(start, left.length - end), right.slice(start, right.length - end)];
  if ([...mine, ...theirs].some(letter => /\p{N}/u.test(letter))) return false;
  const isSwap = mine.length === 2 && theirs.length === 2 && mine[0] === theirs[1] && mine[1] === theirs[0];
  return isSwap || (mine.length <= 1 && theirs.length <= 1 && mine.length + theirs.length > 0);
}

/** Whether two texts are one name: they differ by capitals, accents, loose spaces, or by a letter where they are long enough. */
export function isSpelledLike(a: string, b: string): boolean {
  const [left, right] = [folded(a), folded(b)];
  return left === right || (Math.min(left.length, right.length) >= SHORTEST && isLetterApart(left, right));
}

/** Rare names that are a letter from a frequent one, by that one. */
function slipsOf(spelled: readonly Spelled[]): Map<Spelled, Spelled[]> {
  const near = new Map<string, Spelled[]>();
  for (const one of spelled)
    if (one.key.length >= SHORTEST) for (const key of nearKeys(one.key)) near.set(key, [...(near.get(key) ?? []), one]);
  const slips = new Map<Spelled, Spelled[]>();
  for (const one of spelled) {
    const others = new Set((one.key.length >= SHORTEST ? nearKeys(one.key) : []).flatMap(key => near.get(key) ?? []));
    const meant = [...others]
      .filter(other => one.count <= other.count * RARE && isLetterApart(one.key, other.key))
      .sort((a, b) => b.count - a.count)[0];
    if (meant) slips.set(meant, [...(slips.get(meant) ?? []), one]);
  }
  return slips;
}

function foundIn(column: TextColumn): Found<Spellings>[] {
  if (column.dictionary.length > MOST_TEXTS) return [];
  const spelled = spelledIn(column);
  const slips = slipsOf(spelled);
  const slipped = new Set([...slips.values()].flat());
  return spelled.flatMap((one): Found<Spellings>[] => {
    if (slipped.has(one)) return [];
    const [to = ''] = one.texts;
    const from = [...one.texts.slice(1), ...(slips.get(one) ?? []).flatMap(({ texts }) => texts)].filter(
      // Loose spaces alone are another mend.
      text => tidied(text) !== tidied(to),
    );
    if (from.length === 0) return [];
    const is = column.dictionary.map(text => from.includes(text));
    const test = (row: number): boolean => is[column.data[row] as number] ?? false;
    const count = textCounts(column).reduce((sum, own, code) => sum + (is[code] ? own : 0), 0);
    const said = `${quoted(to)} of ${column.name} is also written ${from.slice(0, 4).map(quoted).join(', ')}, in ${counted(count, 'row')}.`;
    return [
      {
        mend: { kind: 'spellings', column: column.name, from: [...new Set(from.map(tidied))], to: tidied(to), off: false },
        said,
        count,
        rows: firstRows(column.data.length, test),
      },
    ];
  });
}

/** Texts that differ from a frequent one by capitals, accents or a letter. */
export const spellings: MendKind<Spellings> = {
  offer: 'Write a text in one way',
  counts: 'cell',
  find: ({ columns }) => columns.flatMap(column => (column.type === 'text' ? foundIn(column) : [])),
  apply: (table, { column: name, from, to }) => {
    const column = textColumn(table, name);
    if (!column.ok) return column;
    const made = rewritten(column.value, text => (from.includes(tidied(text)) ? to || null : text));
    return success(withColumn(table, made.column, made.count));
  },
  sentence: ({ column, from, to }, columns) => [
    'In ',
    columnWord(column, columns, ['text']),
    ' write ',
    textToken('to', 'What is written', to, 'nothing: missing'),
    ' for ',
    textToken('from', 'Texts, with ; between them', typedTexts(from), 'nothing yet'),
    '.',
  ],
  choose: (mend, key, value) => {
    if (key === 'from') return { ...mend, from: textsTyped(value) };
    return key === 'to' ? { ...mend, to: value.trim() } : { ...mend, column: value };
  },
  first: columns => {
    const [column] = namesOf(columns, ['text']);
    return column === undefined ? null : { kind: 'spellings', column, from: [], to: '', off: false };
  },
};
