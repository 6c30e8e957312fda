import type { Figure } from 'core/document';
import type { FigureData, Step } from 'core/frame';
import { failure, success, type Result } from 'core/result';
import { isMoment } from './column-roles';
import { choiceSetting, type Change, type Choice, type Setting } from '../setting';
import type { ColumnFacts } from './table-facts';

const WHOLE: Choice<Step> = { value: '', label: 'value by value', means: null };

const GRAINS: readonly Choice<Step>[] = (['day', 'week', 'month', 'quarter', 'year'] as const).map(grain => ({
  value: grain,
  label: `${grain} by ${grain}`,
  means: { kind: 'grain', grain },
}));

/** Steps for a column; none for text. */
export function stepChoices(column: ColumnFacts | undefined): readonly Choice<Step>[] {
  if (isMoment(column)) return [WHOLE, ...GRAINS];
  return column?.type === 'number' ? [WHOLE, { value: 'bin', label: 'in bins', means: { kind: 'bin', width: null } }] : [];
}

/** The step of a choice's value. */
export const stepValue = (step: Step): string => (step === null ? '' : step.kind === 'grain' ? step.grain : 'bin');

const WIDTHS: readonly number[] = [0.1, 0.5, 1, 2, 5, 10, 20, 50, 100, 200, 500, 1000, 5000, 10_000];

const widthOf = (step: Step): number | null => (step?.kind === 'bin' ? step.width : null);

function widthChoices(width: number | null): readonly Choice<number | null>[] {
  const own = width === null || WIDTHS.includes(width) ? [] : [width];
  return [
    { value: 'auto', label: 'of a fitting width', means: null },
    ...[...own, ...WIDTHS].map(value => ({ value: String(value), label: `of ${value}`, means: value })),
  ];
}

/** The bins of a column, and the change that another width makes. */
interface Bins {
  readonly governs: string;
  readonly places: Setting['places'];
  readonly now: (figure: Figure, place: string) => Step;
  readonly set: (data: FigureData, place: string, step: Step) => FigureData;
}

/** The setting for the width of bins. */
export const binSetting = (about: string, { governs, places, now, set }: Bins): Setting =>
  choiceSetting<number | null>({
    about,
    search: 'histogram size interval',
    governs: () => [governs],
    places,
    plain: 'auto',
    options: ({ figure }, place) => widthChoices(widthOf(now(figure, place))),
    now: ({ figure }, place) => String(widthOf(now(figure, place)) ?? 'auto'),
    set: ({ figure }, place, width) => ({ data: set(figure.data, place, { kind: 'bin', width }) }),
  });

/** An order by hand, and the change that another makes. */
interface ByHand {
  readonly places: Setting['places'];
  readonly now: (figure: Figure) => readonly (string | null)[];
  readonly set: (figure: Figure, keys: (string | null)[]) => Change;
}

/** The setting for an order by hand. */
export function handSetting(about: string, { places, now, set }: ByHand): Setting {
  return {
    about: () => about,
    search: 'arrange sort drag',
    places,
    plain: () => null,
    word({ figure }, _place, key) {
      const keys = now(figure);
      return { key, about, text: 'as arranged', input: { kind: 'arrange', value: JSON.stringify(keys), items: keys } };
    },
    choose({ figure }, _place, value) {
      const keys = readKeys(value);
      return keys.ok ? success(set(figure, keys.value)) : keys;
    },
  };
}

const isKeys = (read: unknown): read is (string | null)[] =>
  Array.isArray(read) && read.every(item => item === null || typeof item === 'string');

/** A JSON list of values, null for the missing one. */
function readKeys(value: string): Result<(string | null)[]> {
  try {
    const read: unknown = JSON.parse(value);
    if (isKeys(read)) return success(read);
  } catch {
    // What is no JSON is no list either.
  }
  return failure({ code: 'setting-entry', words: 'An order by hand is a list of the categories.' });
}
