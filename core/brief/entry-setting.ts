import { failure, success } from 'core/result';
import type { Option } from 'core/sentence';
import type { Change, Setting, Subject } from './setting';

/** The result of reading a typed text: a value, or its fault. */
export type Typed<V> = { readonly value: V } | { readonly fault: string };

/** A typed decision, checked while typing and when chosen. */
export interface EntrySetting<V> extends Pick<Setting, 'search' | 'governs' | 'places'> {
  readonly about: string;
  readonly hint: string;
  /** Its default in a figure, as it is typed. */
  readonly plain: string;
  /** Options beside the typed value. */
  readonly options: (subject: Subject) => readonly Option[];
  readonly now: (subject: Subject) => V;
  readonly typed: (value: V) => string;
  /** The value in its sentence; as it is typed by default. */
  readonly reads?: (value: V) => string;
  readonly read: (text: string, subject: Subject) => Typed<V>;
  readonly set: (subject: Subject, value: V) => Change;
}

/** The setting of a typed decision of a figure. */
export function entrySetting<V>(entry: EntrySetting<V>): Setting {
  const { about, search, hint, plain, now, typed, reads = typed, read, set, governs, places } = entry;
  return {
    about: () => about,
    search,
    ...(governs ? { governs } : {}),
    places,
    plain: () => plain,
    word: (subject, _place, key) => ({
      key,
      about,
      text: reads(now(subject)),
      input: {
        kind: 'entry',
        value: typed(now(subject)),
        get options() {
          return entry.options(subject);
        },
        hint,
        check: text => faultIn(read(text, subject)),
      },
    }),
    choose(subject, _place, text) {
      const found = read(text, subject);
      return 'fault' in found ? failure({ code: 'setting-entry', words: found.fault }) : success(set(subject, found.value));
    },
  };
}

const faultIn = (found: Typed<unknown>): string | null => ('fault' in found ? found.fault : null);
