import type { Mend } from 'core/document';
import type { LookColumn, SourceLook } from 'core/io';
import { isSpelledLike, mendCounts, mendSentence } from 'core/mend';
import { counted, listed, readSentence } from 'core/sentence';
import type { Intake } from 'core/table';
import { typeWords, wishFor } from './column-words';
import type { OutlineColumn, TableOutline } from './outline';

/** What would mend a change: another intake, or mends of the table. */
export interface ChangeMend {
  readonly label: string;
  readonly intake: Partial<Intake> | null;
  readonly mends: readonly Mend[];
}

/** One thing that a table's next source changes. */
export interface SourceChange {
  readonly words: string;
  /** Figures may lose what they show by it. */
  readonly isLoud: boolean;
  /** It is about which columns there are and what they hold, not about rows. */
  readonly isColumn?: boolean;
  readonly mends: readonly ChangeMend[];
}

/** A table's next source: what it reads as, as it would be mended, and by which intake. */
export interface NextSource {
  readonly look: SourceLook;
  readonly outline: TableOutline;
  readonly intake: Intake;
  /** The table's mends, as they are done in the next source too. */
  readonly mends: readonly Mend[];
}

// Names that are told of many.
const MOST_NAMED = 5;
const MOST_OFFERED = 3;
// Texts in common of two columns that are one under two names.
const SHARED = 0.5;

/** What a next source changes in a table: rows, columns gone, renamed and new, types, values that are new or gone. Nothing where it changes nothing. Cost: O(columns²) names, O(values) texts. */
export function sourceChanges(before: TableOutline, next: NextSource): SourceChange[] {
  const after = next.outline;
  const gone = before.columns.filter(column => !named(after, column.name));
  const fresh = after.columns.filter(column => !named(before, column.name));
  return [
    ...rowWords(before.rowCount, after.rowCount),
    ...gone.map(column => goneColumn(column, fresh, next)),
    ...(fresh.length ? [plain(`New: ${names(fresh.map(({ name }) => name))}.`)] : []),
    ...before.columns.flatMap(column => {
      const now = named(after, column.name);
      return now ? [...typeChange(column, now, next), ...valueChange(column, now)] : [];
    }),
    ...mendChanges(before, next),
  ];
}

/** Mends that take more or less than they did: one that was meant for a few cells may take what is meant this time. */
const mendChanges = ({ mended }: TableOutline, { outline, mends }: NextSource): SourceChange[] =>
  mends.flatMap((mend, at): SourceChange[] => {
    const [was, is] = [mended[at], outline.mended[at] ?? 0];
    if (was === undefined || was === is) return [];
    const words = readSentence(mendSentence(mend, outline.columns));
    return [{ words: `${words} ${counted(is, mendCounts(mend))} now, ${was.toLocaleString('en')} before.`, isLoud: is > was, mends: [] }];
  });

const named = ({ columns }: TableOutline, name: string): OutlineColumn | undefined => columns.find(column => column.name === name);

const plain = (words: string): SourceChange => ({ words, isLoud: false, mends: [] });

const names = (list: readonly string[]): string =>
  list.length > MOST_NAMED ? `${list.slice(0, MOST_NAMED).join(', ')} and ${list.length - MOST_NAMED} more` : listed(list);

function rowWords(before: number, after: number): SourceChange[] {
  if (before === after) return [];
  const by = Math.abs(after - before).toLocaleString('en');
  return [plain(`${counted(after, 'row')}, ${by} ${after > before ? 'more' : 'fewer'} than before.`)];
}

/** A column that is not there any more, and which new ones may be it under another name: texts by what they share, others by their type, which only a person can tell. */
function goneColumn(column: OutlineColumn, fresh: readonly OutlineColumn[], { look, intake }: NextSource): SourceChange {
  const likely = fresh
    .filter(other => other.type === column.type)
    .map(other => ({ other, share: sharedTexts(column, other) }))
    .filter(({ share }) => share === null || share >= SHARED)
    .sort((a, b) => (b.share ?? 0) - (a.share ?? 0));
  const mends = likely.slice(0, MOST_OFFERED).flatMap(({ other }): ChangeMend[] => {
    const read = look.columns.find(({ name }) => name === other.name);
    return read ? [{ label: `${other.name} is ${column.name}`, intake: renamed(intake, read, column.name), mends: [] }] : [];
  });
  return { words: `${column.name} is not there any more.`, isLoud: true, isColumn: true, mends };
}

/** Which part of a column's texts another has; null where they are not texts. */
function sharedTexts({ values }: OutlineColumn, other: OutlineColumn): number | null {
  if (!values || !other.values) return null;
  const theirs = new Set(other.values);
  return values.length ? values.filter(value => theirs.has(value)).length / values.length : 0;
}

const renamed = (intake: Intake, { source }: LookColumn, name: string): Partial<Intake> => ({
  columns: [...intake.columns.filter(column => column.name !== source), { ...wishFor(intake, source), as: name === source ? null : name }],
});

/** Another type than before: figures that add it up, or name by it, cannot go on. */
function typeChange(before: OutlineColumn, { type }: OutlineColumn, { look, intake }: NextSource): SourceChange[] {
  if (type === before.type) return [];
  const read = look.columns.find(({ name }) => name === before.name);
  const columns = read && [
    ...intake.columns.filter(column => column.name !== read.source),
    { ...wishFor(intake, read.source), type: before.type, decimal: null, thousands: null, dates: null },
  ];
  return [
    {
      words: `${before.name} was ${typeWords[before.type]} and is ${typeWords[type]} now.`,
      isLoud: true,
      isColumn: true,
      mends: columns ? [{ label: `Read it as ${typeWords[before.type]}`, intake: { columns }, mends: [] }] : [],
    },
  ];
}

/** Texts of a column that are new or gone; one that is only spelled in another way can be written as it was. */
function valueChange(before: OutlineColumn, after: OutlineColumn): SourceChange[] {
  if (!before.values || !after.values) return [];
  const [was, is] = [new Set(before.values), new Set(after.values)];
  const fresh = after.values.filter(value => !was.has(value));
  const gone = before.values.filter(value => !is.has(value));
  if (fresh.length + gone.length === 0) return [];
  const parts = [
    ...(fresh.length ? [`${fresh.length.toLocaleString('en')} new (${names(fresh)})`] : []),
    ...(gone.length ? [`${gone.length.toLocaleString('en')} gone (${names(gone)})`] : []),
  ];
  const mends = fresh.slice(0, MOST_COMPARED).flatMap((value): ChangeMend[] => {
    const to = before.values?.find(other => isSpelledLike(value, other));
    if (to === undefined) return [];
    const mend: Mend = { kind: 'spellings', column: before.name, from: [value], to, off: false };
    return [{ label: `Write ${to} for ${value}`, intake: null, mends: [mend] }];
  });
  return [{ words: `Of ${before.name}: ${parts.join(', ')}.`, isLoud: gone.length > 0, mends }];
}

// New values that are compared with all that were there.
const MOST_COMPARED = 200;
