import type { CueFacts, Surroundings } from './scope/surroundings';
import type { Frame, Pen } from 'core/frame';
import type { CueProblem } from 'core/result';
import type { Sentence } from 'core/sentence';
import type { Cell, Column } from 'core/table';
import type * as z from 'zod/mini';
import type { Look } from './looks/look';
import type { CueScope, Scope } from './scope/scope';
import type { Treatment } from './looks/treatments';

/** The fields of every cue, whatever its kind. */
export interface CueBase {
  readonly id: string;
  readonly kind: string;
  readonly on: boolean;
  /** The measure whose marks the cue is about. */
  readonly measure: string;
  readonly scope: CueScope;
  /** Rows that no cue marks step back. */
  readonly quiet: boolean;
  /** How the marks of each part show. */
  readonly looks: Readonly<Record<string, Look>>;
  /** How its lines are drawn, where the analyst says so. */
  readonly pen?: Pen | undefined;
}

/** A cue with its scope as it is in a figure. */
export type Placed<C extends CueBase> = Omit<C, 'scope'> & { readonly scope: Scope };

/** One helper column before it is computed. `part` names its role within the cue. */
export interface HelperFormula {
  readonly part: string;
  readonly name: string;
  readonly formula: string;
  /** How its numbers are written: as the measure's (when unsaid), as percents, or as plain numbers. */
  readonly as?: 'percent' | 'number';
  /** The condition under which it holds the measure's value, where that is all it is (see `valuesWhere`). */
  readonly when?: string;
}

/** A cue written out: named formulas, in order, and how their parts show. */
export interface Expansion {
  readonly helpers: readonly HelperFormula[];
  readonly treatments: readonly Treatment[];
}

/** One computed helper column. */
export interface HelperColumn extends HelperFormula {
  readonly column: Column;
  /** Rows without a value though everything they are computed from is there. */
  readonly withoutValue: number;
}

/** The context for explaining why a row is marked. */
export interface WhyFacts {
  readonly frame: Frame;
  readonly row: number;
  readonly part: string;
  readonly write: (measure: string, value: number) => string;
  /** The cell of one of the cue's helper columns in this row. */
  readonly helper: (part: string) => Cell;
}

/** A note about a cue in its figure; with `rests` the cue is left out. */
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
 * One kind of cue: its schema, its sentence, its expansion into named formulas. Adding a kind is adding one file with such an
 * object (see `defineKind`) and its line in the registry.
 */
export interface CueKind<C extends CueBase> {
  readonly kind: C['kind'];
  /** One line of what it does. */
  readonly help: string;
  /** Further words by which the search finds it. */
  readonly search: string;
  readonly schema: z.ZodMiniType<C>;
  /** Typed words that tune a new cue, in the order in which they are applied. */
  readonly tuning: readonly TuningWord[];
  /** A first cue that makes sense on this figure. */
  create(id: string, words: CueFacts): C;
  sentence(cue: C, words: CueFacts): Sentence;
  /** The finer settings, a sentence per part. */
  finer(cue: C, words: CueFacts): Sentence[];
  /** The cue with one token of its sentences changed. Throws on a token that it does not have. */
  change(cue: C, token: string, value: string, words: CueFacts): C;
  /** The cue with a measure of another name. */
  renamed(cue: C, from: string, to: string): C;
  /** Number columns that the cue needs. */
  columns(cue: C): readonly string[];
  /** `nameFor` turns a part into a name that no other column of the figure has. */
  expand(cue: C, nameFor: (part: string) => string, around: Surroundings): Expansion;
  problems(cue: C, frame: Frame): readonly FoundProblem[];
  /** The reason for a marked row, such as "milk 21,400 L is the highest of 20 huts". */
  why(cue: C, facts: WhyFacts): string;
  /** Why a row that it leaves unmarked could not be judged; null where there is nothing to say. */
  unjudged(cue: C, facts: WhyFacts): string | null;
}
