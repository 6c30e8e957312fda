import type { Sentence, SentencePart, Token } from 'core/sentence';
import { isDecided, keyOf, type Setting, type Settings, type Subject } from './setting';

/** A section of the brief: decided settings as prose; the others one sentence each, behind "finer". */
export interface Section {
  readonly said: Sentence;
  readonly finer: readonly Sentence[];
}

/** The words about one setting, when it is decided and when it is not. */
export interface Clause {
  readonly isDecided: boolean;
  readonly said: Sentence;
  readonly finer: Sentence;
}

/** Writes the tokens and clauses of one section's settings. */
export interface Speaker<Name extends string> {
  /** The token of a setting. */
  readonly say: (name: Name, subject: Subject, place?: string | number) => Token;
  /** The clause of a setting: `said` around its token once it is decided, `finer` before. */
  readonly clause: (name: Name, subject: Subject, around: Around) => Clause;
}

/** Words before and after a token, in the prose and behind "finer". */
export interface Around {
  readonly place?: string | number;
  readonly said: readonly [before: string, after: string];
  readonly finer: readonly [before: string, after: string];
}

/** The speaker of a section's settings. */
export function speakerOf<S extends Settings>(settings: S): Speaker<keyof S & string> {
  const say = (name: keyof S & string, subject: Subject, place: string | number = ''): Token =>
    (settings[name] as Setting).word(subject, String(place), keyOf(name, String(place)));
  return {
    say,
    clause(name, subject, { place = '', said, finer }) {
      const word = say(name, subject, place);
      const around = ([before, after]: readonly [string, string]): SentencePart[] => [before, word, after].filter(part => part !== '');
      return { isDecided: isDecided(settings[name] as Setting, subject, String(place)), said: around(said), finer: around(finer) };
    },
  };
}

/** The decided clauses as a text. */
export function proseOf(clauses: readonly Clause[]): Sentence {
  const [first, ...rest] = saidOf(clauses);
  return first === undefined ? [] : [typeof first === 'string' ? first.trimStart() : first, ...rest];
}

/** The decided clauses, in order. */
export const saidOf = (clauses: readonly Clause[]): SentencePart[] =>
  clauses.filter(clause => clause.isDecided).flatMap(({ said }) => said);

/** The undecided clauses, a sentence each. */
export const finerOf = (clauses: readonly Clause[]): Sentence[] => clauses.filter(clause => !clause.isDecided).map(({ finer }) => finer);
