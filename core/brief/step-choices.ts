import type { Figure } from 'core/document';
import type { Step } from 'core/frame';
import { failure, success, type Result } from 'core/result';
import { isMoment } from './column-roles';
import type { Change, Choice, Setting } from './setting';
import type { ColumnFacts } from './table-facts';

const WHOLE: Choice<Step> = { value: '', label: 'value by value', means: null };

const GRAINS: readonly Choice<Step>[] = (['day', 'week', 'month', 'quarter', 'year'] as const).map(grain => ({
  value: grain,
  label: `${grain} by ${grain}`,
  means: { kind: 'grain', grain },
}));

/** Steps that make sense for a column; none for text. */
export function stepChoices(column: ColumnFacts | undefined): readonly Choice<Step>[] {
  if (isMoment(column)) return [WHOLE, ...GRAINS];
  return column?.type === 'number' ? [WHOLE, { value: 'bin', label: 'in bins', means: { kind: 'bin', width: null } }] : [];
}

/** A step by the value of its choice. */
export const stepValue = (step: Step): string => (step === null ? '' : step.kind === 'grain' ? step.grain : 'bin');

/** Where an order by hand stands, and what it changes. */
interface ByHand {
  readonly places: Setting['places'];
  readonly now: (figure: Figure) => readonly (string | null)[];
  readonly set: (figure: Figure, keys: (string | null)[]) => Change;
}

/** An order as the analyst arranges it. */
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

/** A list of values in JSON, null for the missing one. */
function readKeys(value: string): Result<(string | null)[]> {
  try {
    const read: unknown = JSON.parse(value);
    if (isKeys(read)) return success(read);
  } catch {
    // What is no JSON is no list either.
  }
  return failure({ code: 'setting-entry', words: 'An order by hand is a list of the categories.' });
}
