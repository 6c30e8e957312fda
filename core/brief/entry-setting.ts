import { failure, success } from 'core/result';
import type { Option } from 'core/sentence';
import type { Change, Setting, Subject } from './setting';

/** What a typed text is: a value, or what is wrong with it. */
export type Typed<V> = { readonly value: V } | { readonly fault: string };

/** A decision that is typed, checked while it is typed and when it is chosen. */
export interface EntrySetting<V> extends Pick<Setting, 'search' | 'governs' | 'places'> {
  readonly about: string;
  readonly hint: string;
  /** Its value in a figure in which nobody has decided it, as it is typed. */
  readonly plain: string;
  /** Offered beside what may be typed. */
  readonly options: (subject: Subject) => readonly Option[];
  readonly now: (subject: Subject) => V;
  readonly typed: (value: V) => string;
  /** As it reads in its sentence; as it is typed unless said. */
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
