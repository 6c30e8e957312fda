import type { Sentence, SentencePart, Token } from 'core/sentence';
import { isDecided, keyOf, type Setting, type Settings, type Subject } from './setting';

/** A section of the brief: what was decided, as prose; what was left alone, a sentence each, to be opened. */
export interface Section {
  readonly said: Sentence;
  readonly finer: readonly Sentence[];
}

/** What a section says of one decision, once it is made and before. */
export interface Clause {
  readonly isDecided: boolean;
  readonly said: Sentence;
  readonly finer: Sentence;
}

/** Speaks the words of one section's settings. */
export interface Speaker<Name extends string> {
  /** A setting's word. */
  readonly say: (name: Name, subject: Subject, place?: string | number) => Token;
  /** What is said of a setting: `said` around its word once it is decided, `finer` around it before. */
  readonly clause: (name: Name, subject: Subject, around: Around) => Clause;
}

/** Words before and after a setting's own, in the prose and among what waits. */
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

/** Clauses that are decided, as a text of their own. */
export function proseOf(clauses: readonly Clause[]): Sentence {
  const [first, ...rest] = saidOf(clauses);
  return first === undefined ? [] : [typeof first === 'string' ? first.trimStart() : first, ...rest];
}

/** Clauses that are decided, one after another. */
export const saidOf = (clauses: readonly Clause[]): SentencePart[] =>
  clauses.filter(clause => clause.isDecided).flatMap(({ said }) => said);

/** Clauses that are not, a sentence each. */
export const finerOf = (clauses: readonly Clause[]): Sentence[] => clauses.filter(clause => !clause.isDecided).map(({ finer }) => finer);
