import type { Frame } from 'core/frame';
import type { CueProblem } from 'core/result';
import type { Sentence } from 'core/sentence';
import type { Column } from 'core/table';
import type * as z from 'zod/mini';

/** What every cue has, whatever its kind. */
export interface CueBase {
  readonly id: string;
  readonly kind: string;
  readonly on: boolean;
}

/** What a sentence is written against: the words that make sense in this figure. */
export interface CueWords {
  readonly category: string;
  readonly measures: readonly string[];
  /** Columns with one value per row of the frame, to look within. */
  readonly scopes: readonly string[];
}

/** One helper column before it is computed. `part` names its role within the cue. */
export interface HelperFormula {
  readonly part: string;
  readonly name: string;
  readonly formula: string;
}

/** How a part shows: rows where its helper column has a value take the treatment. */
export interface Treatment {
  readonly part: string;
  /** Name of a colour of the livery, or `#rrggbb`. */
  readonly colour: string;
  readonly label: boolean;
  /** What the legend says of it. */
  readonly legend: string;
}

/** A cue written out: named formulas, in order, and how their parts show. */
export interface Expansion {
  readonly helpers: readonly HelperFormula[];
  readonly treatments: readonly Treatment[];
  /** Rows that no cue marks step back. */
  readonly quietsRest: boolean;
}

/** One computed helper column. */
export interface HelperColumn extends HelperFormula {
  readonly column: Column;
}

/** What a kind may ask when it says why a row is marked. */
export interface WhyFacts {
  readonly frame: Frame;
  readonly row: number;
  readonly part: string;
  readonly write: (measure: string, value: number) => string;
}

/**
 * One kind of cue: its schema, its sentence, its expansion into named formulas. Adding a kind is adding one file
 * with such an object and its line in the registry.
 */
export interface CueKind<C extends CueBase> {
  readonly kind: C['kind'];
  readonly help: string;
  readonly schema: z.ZodMiniType<C>;
  /** A first cue that makes sense on this figure. */
  create(id: string, words: CueWords): C;
  sentence(cue: C, words: CueWords): Sentence;
  /** The cue with one token of its sentence changed. */
  change(cue: C, token: string, value: string): C;
  /** `nameFor` turns a part into a name that no other column of the figure has. */
  expand(cue: C, nameFor: (part: string) => string): Expansion;
  /** Why the cue cannot apply here, or what the reader should know; `rests` leaves it out of the figure. */
  problems(cue: C, frame: Frame): readonly { readonly problem: CueProblem; readonly rests: boolean }[];
  /** The reason for a marked row, such as "milk 21,400 L is the highest of 20 huts". */
  why(cue: C, facts: WhyFacts): string;
}
