import { cueKinds, isColouring, type AppliedCue, type Cue, type CueFacts } from 'core/cue';
import { literalText, nameText } from 'core/formula';
import type { Figure } from 'core/document';
import type { Filter, Frame, Step } from 'core/frame';
import { cellAt, columnOf, isMissing, type Column } from 'core/table';

/** Cues that decide the look of a row's mark: the one that draws it first, then those that colour it. */
export function cuesOfMark(applied: readonly AppliedCue[], row: number, measure: string, drawnBy: string | null): AppliedCue[] {
  const drawing = applied.filter(({ cue }) => cue.id === drawnBy);
  return [...drawing, ...applied.filter(item => item.cue.id !== drawnBy && colours(item, row, measure))];
}

const colours = ({ helpers, treatments }: AppliedCue, row: number, measure: string): boolean =>
  treatments.some(item => {
    if (!isColouring(item) || item.measure !== measure) return false;
    const column = helpers.find(({ part }) => part === item.part)?.column;
    return column !== undefined && row < column.data.length && !isMissing(column, row);
  });

/** Something that can be done about one mark, in words. */
export interface MarkOffer<T> {
  readonly words: string;
  readonly makes: T;
}

// How near a value lies that is like another: a twentieth of it to either side.
const NEAR = 0.05;

/** Cues about the mark of a row: its category, values like its own (within 5 %), values above it. For a missing value, its category alone. */
export function cuesAbout(frame: Frame, row: number, measure: string, facts: CueFacts): readonly MarkOffer<Cue>[] {
  const name = nameAt(frame, row);
  const value = columnOf(frame.table, measure)?.data[row];
  const m = nameText(measure);
  const rule = (branch: string, when: string): Cue => {
    const fresh = cueKinds.rule.create('', { ...facts, measures: [measure, ...facts.measures] });
    const look = Object.values(fresh.looks)[0];
    return { ...fresh, measure, branches: [{ name: branch.slice(0, 60), when }], looks: look ? { [branch.slice(0, 60)]: look } : {} };
  };
  const own = { words: `Mark ${name}`, makes: rule(name, equals(frame.category, columnOf(frame.table, frame.category), row)) };
  if (typeof value !== 'number' || Number.isNaN(value)) return [own];
  const [low, high] = [value - Math.abs(value) * NEAR, value + Math.abs(value) * NEAR].map(rounded) as [number, number];
  return [
    own,
    { words: `Mark values like it, within 5 %`, makes: rule(`like ${name}`, `${m} between ${low} and ${high}`) },
    { words: `Mark what lies above it`, makes: rule(`above ${name}`, `${m} > ${value}`) },
  ];
}

/** Filters that keep only a row's category, or leave it out, as formulas over the table's rows; the figure's own filters stay. */
export function filtersAbout({ data }: Figure, frame: Frame, row: number): readonly MarkOffer<Filter>[] {
  const column = columnOf(frame.table, frame.category);
  const name = nameAt(frame, row);
  const holds = inStep(data.category, data.step, column, row);
  const filter = (formula: string, about: string): Filter => ({ kind: 'formula', column: about, formula });
  const isThere = column !== undefined && cellAt(column, row) !== null;
  return [
    { words: `Keep ${name} alone`, makes: filter(holds, `${name} alone`) },
    {
      words: `Leave ${name} out`,
      // A row without a category is not the one that is left out.
      makes: filter(isThere ? `not (${holds}) or ${nameText(data.category)} is null` : `not (${holds})`, `without ${name}`),
    },
  ];
}

const rounded = (value: number): number => Number(value.toPrecision(12));

function nameAt(frame: Frame, row: number): string {
  const column = columnOf(frame.table, frame.category);
  return String((column && cellAt(column, row)) ?? '(missing)');
}

function equals(name: string, column: Column | undefined, row: number): string {
  const text = column ? cellText(column, row) : null;
  return text === null ? `${nameText(name)} is null` : `${nameText(name)} = ${text}`;
}

/** Rows of the table within a step of the category. */
function inStep(category: string, step: Step, column: Column | undefined, row: number): string {
  const text = column ? cellText(column, row) : null;
  const name = nameText(category);
  if (text === null || column === undefined || step === null) return equals(category, column, row);
  if (step.kind === 'grain') return `date_trunc('${step.grain}', ${name}) = ${text}`;
  // A bin is called by its lower end; without a width of its own it reaches to the next one.
  const low = Number(column.data[row]);
  const width = step.width ?? nextAbove(column, low) - low;
  return Number.isFinite(width) ? `${name} >= ${low} and ${name} < ${rounded(low + width)}` : `${name} >= ${low}`;
}

const nextAbove = (column: Column, low: number): number =>
  Math.min(...Array.from(column.data as ArrayLike<number>).filter(value => value > low));

function cellText(column: Column, row: number): string | null {
  const cell = cellAt(column, row);
  return cell === null ? null : literalText(column.type, cell);
}
