import type { Treatment } from 'core/cue';
import { counted, listed } from 'core/sentence';
import { columnOf, rowsWithValue } from 'core/table';
import { findingOf, nameOf, type CuedPlace, type Finding } from './findings';
import type { ValueWriter } from './value-writer';

/** What one part of a cue found: the marks by name with the values of its measure, or, where it marks none, what is said of it. */
export interface PartFound {
  readonly part: string;
  /** What the marks are, as the legend says: "highest". */
  readonly what: string;
  readonly marked: readonly { readonly name: string; readonly value: number }[] | null;
  readonly said: string;
}

/** What a cue found, part by part. */
export interface CueFound {
  readonly cue: string;
  readonly parts: readonly PartFound[];
}

/** A change in what a cue found. */
export interface ChangedFinding {
  /** The cue's place in the figure's list, from 1. */
  readonly number: number;
  readonly words: string;
  /** It found the same; only a value is another. */
  readonly isQuiet: boolean;
}

// More marks than this are compared by their counts alone.
const MOST_MARKS = 5_000;
const MOST_NAMED = 5;

/** What the cues of a figure found, to be compared with what they find later. Cost: O(marks). */
export const foundBy = (places: readonly CuedPlace[], write: ValueWriter): CueFound[] =>
  findingsIn(places, write).map(of => ({ cue: of.from.cue.id, parts: partsOf(of) }));

/** Every cue where it found something; one that looks at totals has nothing to tell of the cells. */
const findingsIn = (places: readonly CuedPlace[], write: ValueWriter): Finding[] =>
  places.flatMap(({ applied, frame, figure }) => applied.map(from => ({ from, frame, figure, write })));

const partsOf = (of: Finding): PartFound[] =>
  of.from.treatments.map((item, at) => ({
    part: 'part' in item ? item.part : `${item.show} ${at}`,
    what: 'legend' in item ? item.legend : '',
    marked: marksOf(item, of),
    said: findingOf(item, of),
  }));

function marksOf(item: Treatment, of: Finding): PartFound['marked'] {
  if (item.show !== 'mark') return null;
  const column = of.from.helpers.find(helper => helper.part === item.part)?.column;
  const rows = column ? rowsWithValue(column) : new Int32Array();
  if (rows.length > MOST_MARKS) return null;
  return Array.from(rows, row => ({ name: nameOf(of, row), value: valueAt(of, item.measure, row) }));
}

function valueAt({ frame }: Finding, measure: string, row: number): number {
  const column = columnOf(frame.table, measure);
  return column?.type === 'number' ? (column.data[row] as number) : NaN;
}

/**
 * What the cues of a figure found before and find now, where it is not the same: which marks are new or not any more, which single one took the place of
 * another and by how much, which value of a line is another. Cost: O(marks).
 */
export function changedFindings(before: readonly CueFound[], places: readonly CuedPlace[], write: ValueWriter): ChangedFinding[] {
  // Of a cue that looks at totals the later entry tells.
  const known = new Map(before.map(found => [found.cue, found.parts]));
  return findingsIn(places, write).flatMap(of => {
    const { from } = of;
    const was = known.get(from.cue.id);
    if (!was) return [];
    return from.treatments.flatMap((item, at): ChangedFinding[] => {
      const now = partsOf(of)[at] as PartFound;
      const then = was.find(({ part }) => part === now.part);
      const change = then && changeOf(item, then, now, of);
      return change ? [{ number: from.number, ...change }] : [];
    });
  });
}

type Change = Omit<ChangedFinding, 'number'> | null;

function changeOf(item: Treatment, then: PartFound, now: PartFound, of: Finding): Change {
  if (item.show === 'mark' && then.marked && now.marked) return markChange(item.measure, then.marked, now.marked, now.what, of);
  if (then.said === now.said) return null;
  if (now.said === '') return loud(`Nothing is found any more. Before: ${then.said}`);
  return loud(then.said === '' ? `New: ${now.said}` : besideEachOther(then.said, now.said));
}

/** “average: 43,365 L, 55,675 L before” where both begin with the same words, else one behind the other. */
function besideEachOther(then: string, now: string): string {
  const [, label = '', value = ''] = /^(?:Line: )?([^\d,]+), (.+)\.$/.exec(now) ?? [];
  const [, same, before = ''] = /^(?:Line: )?([^\d,]+), (.+)\.$/.exec(then) ?? [];
  return label !== '' && label === same ? `${label}: ${value}; ${before} before.` : `${now} Before: ${then}`;
}

const loud = (words: string): Change => ({ words, isQuiet: false });

type Marks = NonNullable<PartFound['marked']>;

function markChange(measure: string, then: Marks, now: Marks, what: string, of: Finding): Change {
  const [was, is] = [new Map(then.map(mark => [mark.name, mark.value])), new Map(now.map(mark => [mark.name, mark.value]))];
  const gone = [...was.keys()].filter(name => !is.has(name));
  const fresh = [...is.keys()].filter(name => !was.has(name));
  const written = (value: number): string => of.write.full(measure, value);
  if (gone.length + fresh.length === 0) return valueChange(was, is, what, written);
  const [old, one] = [gone[0], fresh[0]];
  if (gone.length === 1 && fresh.length === 1 && old !== undefined && one !== undefined && was.size === 1 && is.size === 1) {
    const rest = valueOf(of, measure, old);
    if (rest === null) return loud(`${old} is not there any more: ${one} is the ${what}, ${written(is.get(one) as number)}.`);
    return loud(`${old} is no longer the ${what}: ${one}, by ${written(Math.abs((is.get(one) as number) - rest))}.`);
  }
  const parts = [...(fresh.length ? [`now also ${named(fresh)}`] : []), ...(gone.length ? [`no longer ${named(gone)}`] : [])];
  return loud(`${what}: ${parts.join('; ')} (${counted(now.length, 'mark')}, ${then.length.toLocaleString('en')} before).`);
}

const named = (names: readonly string[]): string =>
  names.length > MOST_NAMED ? `${names.slice(0, MOST_NAMED).join(', ')} and ${names.length - MOST_NAMED} more` : listed(names);

/** The same marks; of a single one the value is told where it is another. */
function valueChange(
  was: ReadonlyMap<string, number>,
  is: ReadonlyMap<string, number>,
  what: string,
  written: (value: number) => string,
): Change {
  const [only] = is;
  if (is.size !== 1 || !only) return null;
  const [name, value] = only;
  const then = was.get(name) as number;
  const [told, before] = [written(value), written(then)];
  return told === before ? null : { words: `${name} is still the ${what}: ${told}, ${before} before.`, isQuiet: true };
}

/** What a row of a name has now; null where there is none. */
function valueOf(of: Finding, measure: string, name: string): number | null {
  const { rowCount } = of.frame.table;
  for (let row = 0; row < rowCount; row++) {
    if (nameOf(of, row) !== name) continue;
    const value = valueAt(of, measure, row);
    return Number.isNaN(value) ? null : value;
  }
  return null;
}
