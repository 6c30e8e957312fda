import type { LookColumn } from 'core/io';
import { failure, success, type Result } from 'core/result';
import { choiceToken, textToken, type Option, type Sentence, type Token } from 'core/sentence';
import { plainColumnIntake, type ColumnIntake, type ColumnType, type DateStyle, type Intake, type Thousands } from 'core/table';
import { missingOf, missingToken } from './source-words';

/** What is decided of one column: how it reads, and what choosing does. */
interface ColumnEntry {
  readonly token: (column: LookColumn, wish: ColumnIntake) => Token;
  readonly choose: (wish: ColumnIntake, value: string) => Partial<ColumnIntake>;
}

/** What a column holds, in a word. */
export const typeWords: Readonly<Record<ColumnType, string>> = {
  number: 'numbers',
  text: 'text',
  date: 'dates',
  timestamp: 'moments',
  boolean: 'yes or no',
};
const TYPES: readonly Option[] = Object.entries(typeWords).map(([value, label]) => ({ value, label }));
const SIGNS: readonly Option[] = [
  { value: 'point', label: 'a point' },
  { value: 'comma', label: 'a comma' },
];
const GROUPS: readonly Option[] = [
  { value: '', label: 'whichever sign groups them' },
  { value: 'none', label: 'nothing' },
  { value: 'point', label: 'a point' },
  { value: 'comma', label: 'a comma' },
  { value: 'space', label: 'a space' },
  { value: 'apostrophe', label: 'an apostrophe' },
];
const ORDERS: readonly Option[] = [
  { value: 'iso', label: 'year, month, day: 2031-06-02' },
  { value: 'year-first', label: 'year, month, day: 2031/06/02' },
  { value: 'day-first', label: 'day, month, year: 02.06.2031' },
  { value: 'month-first', label: 'month, day, year: 06/02/2031' },
  { value: 'named', label: 'with the month’s name: 2 June 2031' },
];
const KEPT: readonly Option[] = [
  { value: 'kept', label: 'is kept' },
  { value: 'out', label: 'is left out' },
];
const PERCENTS: readonly Option[] = [
  { value: 'percents', label: 'as they stand: 25 % is 25' },
  { value: 'fractions', label: 'as fractions: 25 % is 0.25' },
];

const entries = {
  as: {
    token: ({ name, source }, { as }) => ({
      ...textToken('as', 'Its name here', as ?? name ?? source, source),
      text: as ?? name ?? source,
    }),
    choose: ({ name }, value) => ({ as: value.trim() === '' || value.trim() === name ? null : value.trim().slice(0, 200) }),
  },
  out: {
    token: (_, { out }) => choiceToken('out', 'In the table', out ? 'out' : 'kept', KEPT),
    choose: (_, value) => ({ out: value === 'out' }),
  },
  type: {
    token: ({ type }) => choiceToken('type', 'What it holds', type, TYPES),
    choose: (_, value) => ({ type: value as ColumnType, decimal: null, thousands: null, dates: null, fractions: false }),
  },
  decimal: {
    token: ({ reading }) => choiceToken('decimal', 'Before decimals', reading.decimal, SIGNS),
    choose: (_, value) => ({ decimal: value as ColumnIntake['decimal'] }),
  },
  thousands: {
    token: (_, { thousands }) => choiceToken('thousands', 'Between thousands', thousands ?? '', GROUPS),
    choose: (_, value) => ({ thousands: value === '' ? null : (value as Thousands) }),
  },
  dates: {
    token: ({ reading }) => choiceToken('dates', 'How its dates are written', reading.dates, ORDERS),
    choose: (_, value) => ({ dates: value as DateStyle }),
  },
  fractions: {
    token: (_, { fractions }) => choiceToken('fractions', 'Percents', fractions ? 'fractions' : 'percents', PERCENTS),
    choose: (_, value) => ({ fractions: value === 'fractions' }),
  },
  unit: {
    token: ({ unit }) => textToken('unit', 'Its unit', unit ?? '', 'no unit'),
    choose: (_, value) => ({ unit: value.trim().slice(0, 60) }),
  },
  missing: {
    token: (_, { missing }) => missingToken('missing', missing),
    choose: (_, value) => ({ missing: missingOf(value) }),
  },
} as const satisfies Readonly<Record<string, ColumnEntry>>;

type Key = keyof typeof entries;

/** Words about the column's place in the table, not about its cells. */
const OF_TABLE: ReadonlySet<string> = new Set<Key>(['as', 'out']);

/** What was decided of a column so far. */
export const wishFor = ({ columns }: Intake, source: string): ColumnIntake =>
  columns.find(({ name }) => name === source) ?? plainColumnIntake(source);

/** How a column is read: a sentence of what it is, and one of what else may be decided. */
export interface ColumnSentences {
  readonly main: Sentence;
  readonly finer: Sentence;
  /** Something of the finer one was decided. */
  readonly isDecided: boolean;
}

/** How a column is read, as sentences. */
export function columnSentences(column: LookColumn, intake: Intake): ColumnSentences {
  const wish = wishFor(intake, column.source);
  const token = (key: Key): Token => entries[key].token(column, wish);
  const renamed = column.name !== null && column.name !== column.source ? ` (there ${column.source})` : '';
  if (column.name === null) return { main: [token('as'), ' ', token('out'), '.'], finer: [], isDecided: false };
  const isNumber = column.type === 'number';
  const isMoment = column.type === 'date' || column.type === 'timestamp';
  const main: Sentence = [
    token('as'),
    `${renamed} holds `,
    token('type'),
    ...(isNumber ? [' in ', token('unit')] : []),
    ...(isNumber && (column.unit === '%' || wish.fractions) ? [', percents ', token('fractions')] : []),
    ...(isMoment ? [', written ', token('dates')] : []),
    '.',
  ];
  const finer: Sentence = [
    ...(isNumber ? ['Its decimals stand behind ', token('decimal'), ', between thousands ', token('thousands'), '. '] : []),
    'Missing are the usual words, ',
    token('missing'),
    '. It ',
    token('out'),
    '.',
  ];
  return { main, finer, isDecided: wish.missing.length > 0 || wish.decimal !== null || wish.thousands !== null };
}

/** What choosing a word of a column's sentence decides. Problem: a word that is none of it. */
export function chooseColumn(intake: Intake, { source, type }: LookColumn, key: string, value: string): Result<Partial<Intake>> {
  if (!Object.hasOwn(entries, key)) return failure({ code: 'setting-unknown', key });
  const entry: ColumnEntry = entries[key as Key];
  const wish = wishFor(intake, source);
  // What is said of how it reads keeps what it holds: with one number taken for missing, numbers stay numbers.
  const kept = OF_TABLE.has(key) ? wish : { ...wish, type: wish.type ?? type };
  const changed = { ...kept, ...entry.choose(wish, value) };
  const others = intake.columns.filter(({ name }) => name !== source);
  return success({ columns: isPlain(changed) ? others : [...others, changed] });
}

/** Nothing is remembered of a column that is read as found. */
const isPlain = (wish: ColumnIntake): boolean => JSON.stringify(wish) === JSON.stringify(plainColumnIntake(wish.name));
