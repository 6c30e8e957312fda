import type { AxisChoice } from 'core/document';
import { failure, success } from 'core/result';
import type { Option } from 'core/sentence';
import { aboutOf, AXIS_NAMES, axisAt, axisPart, changedAxis, plainAt } from './axis-place';
import type { Setting, Subject } from '../setting';

/** The result of reading a typed text: a value, or its fault. */
export type Typed<V> = { readonly value: V } | { readonly fault: string };

/** A decision about a value axis that is typed. */
export interface AxisEntry<K extends keyof AxisChoice> {
  readonly field: K;
  readonly about: string;
  readonly search: string;
  readonly hint: string;
  /** Whether the axis has this decision at all. */
  readonly isFor?: (axis: AxisChoice) => boolean;
  /** Options beside the typed value; made when the list is opened. */
  readonly options: (subject: Subject, place: string) => readonly Option[];
  /** The value as it is typed. */
  readonly typed: (value: AxisChoice[K]) => string;
  /** The value in its sentence; as it is typed by default. */
  readonly reads?: (value: AxisChoice[K]) => string;
  readonly read: (text: string, subject: Subject, place: string) => Typed<AxisChoice[K]>;
}

/** The setting for a typed decision of a value axis, checked while typing and when chosen. */
export function axisEntry<K extends keyof AxisChoice>(entry: AxisEntry<K>): Setting {
  const { field, hint, typed, reads = typed, isFor = () => true } = entry;
  const about: Setting['about'] = (_subject, place) => aboutOf(entry.about, place);
  return {
    about,
    search: entry.search,
    governs: place => [axisPart(place)],
    places: figure => AXIS_NAMES.filter(name => isFor(figure.scales.axes[name])),
    plain: (_subject, place) => typed(plainAt(place)[field]),
    word(subject, place, key) {
      const value = axisAt(subject, place)[field];
      return {
        key,
        about: about(subject, place),
        text: reads(value),
        input: {
          kind: 'entry',
          value: typed(value),
          get options() {
            return entry.options(subject, place);
          },
          hint,
          check: text => faultIn(entry.read(text, subject, place)),
        },
      };
    },
    choose(subject, place, text) {
      const found = entry.read(text, subject, place);
      return 'fault' in found
        ? failure({ code: 'setting-entry', words: found.fault })
        : success(changedAxis(subject, place, { [field]: found.value }));
    },
  };
}

const faultIn = (found: Typed<unknown>): string | null => ('fault' in found ? found.fault : null);

/** The word for "not decided", and how it reads. */
export const plainOption = (value: string, label = value): Option => ({ value, label });
