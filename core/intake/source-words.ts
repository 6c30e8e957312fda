import { ENCODING_WORDS, type SourceLook } from 'core/io';
import { failure, success, type Result } from 'core/result';
import { choiceToken, counted, plainOptions, type Option, type Sentence, type Token } from 'core/sentence';
import { ENCODINGS, type EncodingName, type Intake, type SourceRange } from 'core/table';

/** What is decided of a source as a whole: how it reads, and what choosing does. */
interface SourceEntry {
  readonly token: (look: SourceLook, intake: Intake) => Token;
  readonly choose: (intake: Intake, value: string) => Result<Partial<Intake>>;
}

const DELIMITERS: readonly Option[] = [
  { value: ',', label: 'commas' },
  { value: ';', label: 'semicolons' },
  { value: '\t', label: 'tabs' },
  { value: '|', label: 'bars' },
];

const NAMES: readonly Option[] = [
  { value: 'row', label: 'names the columns' },
  { value: 'none', label: 'is data' },
];

/** Rows of titles and totals that are left out, at most. */
const MOST_LEFT_OUT = 10_000;

const entries = {
  encoding: {
    token: ({ origin }) => {
      const value = origin.kind === 'text' ? origin.encoding : 'utf-8';
      return choiceToken(
        'encoding',
        'Letters of the file',
        value,
        ENCODINGS.map(name => ({ value: name, label: ENCODING_WORDS[name] })),
      );
    },
    choose: (_, value) => success({ encoding: value as EncodingName }),
  },
  delimiter: {
    token: ({ origin }) => choiceToken('delimiter', 'Between cells', origin.kind === 'text' ? origin.delimiter : ',', DELIMITERS),
    choose: (_, value) => success({ delimiter: value }),
  },
  part: {
    token: ({ parts, part }) =>
      choiceToken(
        'part',
        'What to take',
        part ?? '',
        parts.map(name => ({ value: name, label: name || 'the whole' })),
      ),
    // Columns of another part are others.
    choose: (_, value) => success({ part: value, range: null, above: null, columns: [] }),
  },
  range: {
    token: (_, { range }) => ({
      key: 'range',
      about: 'Rows and columns of the sheet',
      text: range ? rangeWords(range) : 'all that it holds',
      input: {
        kind: 'entry',
        value: range ? rangeText(range) : '',
        options: [{ value: '', label: 'all that it holds' }],
        hint: 'Rows, then columns, counted from 1: “3 to 40, 2 to 6”. The last number of either may be left out.',
        check: text => (text.trim() === '' || rangeOf(text) ? null : 'Write it like “3 to 40, 2 to 6”.'),
      },
    }),
    choose: (_, value) => {
      const range = value.trim() === '' ? null : rangeOf(value);
      return range === undefined ? failure({ code: 'setting-entry', words: 'Write it like “3 to 40, 2 to 6”.' }) : success({ range });
    },
  },
  above: {
    token: ({ notes }, { above }) => {
      const found = notes.find(note => note.code === 'lines-above')?.count ?? 0;
      return leftOut('above', 'Lines left out at the top', above ?? found);
    },
    choose: (_, value) => leftOutOf(value, above => ({ above })),
  },
  below: {
    token: (_, { below }) => leftOut('below', 'Rows left out at the bottom', below),
    choose: (_, value) => leftOutOf(value, below => ({ below })),
  },
  names: {
    token: ({ notes }, { names }) => {
      const found = notes.some(({ code }) => code === 'header-missing') ? 'none' : 'row';
      return choiceToken('names', 'The first row that is left', names === 'found' ? found : names, NAMES);
    },
    choose: (_, value) => success({ names: value as Intake['names'] }),
  },
  hidden: {
    token: (_, { hidden }) =>
      choiceToken('hidden', 'Hidden rows', hidden, [
        { value: 'kept', label: 'read as well' },
        { value: 'out', label: 'left out' },
      ]),
    choose: (_, value) => success({ hidden: value as Intake['hidden'] }),
  },
  missing: {
    token: (_, { missing }) => missingToken('missing', missing),
    choose: (_, value) => success({ missing: missingOf(value) }),
  },
} as const satisfies Readonly<Record<string, SourceEntry>>;

type Key = keyof typeof entries;
const entryOf = (key: string): SourceEntry | undefined => (Object.hasOwn(entries, key) ? entries[key as Key] : undefined);

/** How a source is read, a sentence for each thing that may be decided of such a source. */
export function sourceSentences(look: SourceLook, intake: Intake): Sentence[] {
  const token = (key: Key): Token => entries[key].token(look, intake);
  const { kind } = look.origin;
  const isRows = kind === 'text' || kind === 'sheet';
  const hidden = look.notes.some(({ code }) => code === 'rows-hidden');
  return [
    ...(kind === 'text' ? [['Its letters are ', token('encoding'), ', its cells apart by ', token('delimiter'), '.']] : []),
    ...(look.parts.length ? [[kind === 'sheet' ? 'Take the sheet ' : 'Take the list ', token('part'), '.']] : []),
    ...(kind === 'sheet' ? [['Of the sheet take ', token('range'), '.']] : []),
    ...(isRows
      ? [
          [
            'Leave out ',
            token('above'),
            ' at the top and ',
            token('below'),
            ' at the bottom. The first row that is left ',
            token('names'),
            '.',
          ],
        ]
      : []),
    ...(hidden ? [['Hidden rows are ', token('hidden'), '.']] : []),
    ['Missing are empty cells and the usual words, ', token('missing'), '.'],
  ];
}

/** What choosing a word of these sentences decides. Problems: a word that is not one of them, a text that cannot be read. */
export function chooseSource(intake: Intake, key: string, value: string): Result<Partial<Intake>> {
  const entry = entryOf(key);
  return entry ? entry.choose(intake, value) : failure({ code: 'setting-unknown', key });
}

/** Texts that are missing values beside the usual ones, as a word. */
export const missingToken = (key: string, missing: readonly string[]): Token => ({
  key,
  about: 'Texts that stand for a missing value',
  text: missing.length ? `and also ${missing.map(text => `“${text}”`).join(', ')}` : 'and nothing else',
  input: {
    kind: 'entry',
    value: missing.join('; '),
    options: plainOptions(['999', '-1', 'k. A.', 'unknown']),
    hint: 'Several are parted by semicolons. Empty cells, “-”, “n/a” and the like are missing in any case.',
    check: text => (text.length > 2_000 ? 'This is too long.' : null),
  },
});

/** Such texts out of what was typed. */
export const missingOf = (text: string): string[] => [
  ...new Set(
    text
      .split(';')
      .map(part => part.trim())
      .filter(part => part !== ''),
  ),
];

const leftOut = (key: string, about: string, count: number): Token => ({
  key,
  about,
  text: count === 0 ? 'nothing' : counted(count, key === 'above' ? 'line' : 'row'),
  input: {
    kind: 'entry',
    value: String(count),
    options: plainOptions(['0', '1', '2', '3']),
    hint: 'How many; empty ones are not counted.',
    check: text => (isCount(text) ? null : `Type a whole number up to ${MOST_LEFT_OUT.toLocaleString('en')}.`),
  },
});

const isCount = (text: string): boolean => /^\d{1,5}$/.test(text.trim()) && Number(text) <= MOST_LEFT_OUT;

const leftOutOf = (text: string, change: (count: number) => Partial<Intake>): Result<Partial<Intake>> =>
  isCount(text) ? success(change(Number(text))) : failure({ code: 'setting-entry', words: 'Type a whole number.' });

const RANGE = /^\s*(\d{1,7})\s*(?:(?:to|-|–)\s*(\d{1,7})?)?\s*(?:,\s*(\d{1,7})\s*(?:(?:to|-|–)\s*(\d{1,7})?)?)?\s*$/;

/** “3 to 40, 2 to 6” as a part of a sheet; undefined where it is none. */
function rangeOf(text: string): SourceRange | undefined {
  const parts = RANGE.exec(text);
  if (!parts) return undefined;
  const [top = 1, bottom = null, left = 1, right = null] = parts.slice(1).map(part => (part === undefined ? undefined : Number(part)));
  const isWhole = top >= 1 && left >= 1 && (bottom === null || bottom >= top) && (right === null || right >= left);
  return isWhole ? { top, left, bottom, right } : undefined;
}

const rangeText = ({ top, bottom, left, right }: SourceRange): string => `${top} to ${bottom ?? ''}, ${left} to ${right ?? ''}`;

const rangeWords = ({ top, bottom, left, right }: SourceRange): string =>
  `rows ${top} ${bottom === null ? 'and on' : `to ${bottom}`}, columns ${left} ${right === null ? 'and on' : `to ${right}`}`;
