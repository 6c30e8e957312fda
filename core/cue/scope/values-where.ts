import type { HelperFormula } from '../kind';

/** Which rows a helper column keeps the measure's value in. */
export interface Where {
  readonly part: string;
  /** Free in the figure (see `nameFor` of a kind's `expand`). */
  readonly name: string;
  /** A condition in the language. */
  readonly when: string;
  /** The measure as a name in the language. */
  readonly measure: string;
}

/** A helper column with the values of a measure where a condition holds; the condition stays at hand for a rule that does the same. */
export const valuesWhere = ({ part, name, when, measure }: Where): HelperFormula => ({
  part,
  name,
  formula: `case when ${when} then ${measure} end`,
  when,
});
