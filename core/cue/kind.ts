import type { CueFacts, Surroundings } from './scope/surroundings';
import type { Frame, Pen } from 'core/frame';
import type { CueProblem } from 'core/result';
import type { Sentence } from 'core/sentence';
import type { Cell, Column } from 'core/table';
import type * as z from 'zod/mini';
import type { Look } from './looks/look';
import type { CueScope, Scope } from './scope/scope';
import type { Treatment } from './looks/treatments';

/** The fields of all kinds of cues. */
export interface CueBase {
  readonly id: string;
  readonly kind: string;
  readonly on: boolean;
  /** The measure that the cue is about. */
  readonly measure: string;
  readonly scope: CueScope;
  /** Rows that no cue marks move to the background. */
  readonly quiet: boolean;
  /** How the marks of each part show. */
  readonly looks: Readonly<Record<string, Look>>;
  /** How its lines are drawn, where the analyst has set it. */
  readonly pen?: Pen | undefined;
}

/** A cue with its scope resolved for a figure. */
export type Placed<C extends CueBase> = Omit<C, 'scope'> & { readonly scope: Scope };

/** One helper column before it is computed. `part` names its role within the cue. */
export interface HelperFormula {
  readonly part: string;
  readonly name: string;
  readonly formula: string;
  /** How its numbers are written: like the measure's (default), as percents, or as plain numbers. */
  readonly as?: 'percent' | 'number';
  /** The condition under which it holds the measure's value, for columns made by `valuesWhere`. */
  readonly when?: string;
}

/** A cue written out: its named formulas in order, and its treatments. */
export interface Expansion {
  readonly helpers: readonly HelperFormula[];
  readonly treatments: readonly Treatment[];
}

/** One computed helper column. */
export interface HelperColumn extends HelperFormula {
  readonly column: Column;
  /** Number of rows without a value though all inputs have one. */
  readonly withoutValue: number;
}

/** Inputs for the reason why a row is marked. */
export interface WhyFacts {
  readonly frame: Frame;
  readonly row: number;
  readonly part: string;
  readonly write: (measure: string, value: number) => string;
  /** The cell of one of the cue's helper columns in this row. */
  readonly helper: (part: string) => Cell;
}

/** A note about a cue in its figure; with `rests` the cue is not computed. */
export interface FoundProblem {
  readonly problem: CueProblem;
  readonly rests: boolean;
}

/** A word typed in the search that tunes a new cue: "5" in "top 5", "p90". */
export interface TuningWord {
  /** Matches the whole word, in lower case. */
  readonly word: RegExp;
  /** The token of the cue's sentences that it sets. */
  readonly token: string;
  /** The token's value for the typed word; the word itself unless given. */
  readonly value?: string;
}

/**
 * One kind of cue: its schema, its sentence, and its expansion into named formulas. A new kind is a file with such an object (see `defineKind`) and
 * its lines in the registry.
 */
export interface CueKind<C extends CueBase> {
  readonly kind: C['kind'];
  /** One line about what it does. */
  readonly help: string;
  /** More words by which the search finds it. */
  readonly search: string;
  readonly schema: z.ZodMiniType<C>;
  /** Typed words that tune a new cue, in the order in which they are applied. */
  readonly tuning: readonly TuningWord[];
  /** A new cue with sensible settings for this figure. */
  create(id: string, words: CueFacts): C;
  sentence(cue: C, words: CueFacts): Sentence;
  /** The finer settings, one sentence per part. */
  finer(cue: C, words: CueFacts): Sentence[];
  /** The cue with one token changed. Throws a RangeError for an unknown token. */
  change(cue: C, token: string, value: string, words: CueFacts): C;
  /** The cue after a measure was renamed. */
  renamed(cue: C, from: string, to: string): C;
  /** Number columns that the cue needs. */
  columns(cue: C): readonly string[];
  /** The formulas and treatments. `nameFor` gives a part a column name that is free in the figure. */
  expand(cue: C, nameFor: (part: string) => string, around: Surroundings): Expansion;
  problems(cue: C, frame: Frame): readonly FoundProblem[];
  /** The reason for a marked row, such as "milk 21,400 L is the highest of 20 huts". */
  why(cue: C, facts: WhyFacts): string;
  /** The reason why an unmarked row could not be judged; null where there is nothing to say. */
  unjudged(cue: C, facts: WhyFacts): string | null;
}
