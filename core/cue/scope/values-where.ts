import type { HelperFormula } from '../kind';

/** The condition and the measure of such a helper column. */
export interface Where {
  readonly part: string;
  /** A name that is free in the figure (see `nameFor` of a kind's `expand`). */
  readonly name: string;
  /** A condition in the formula language. */
  readonly when: string;
  /** The measure as a name in the formula language. */
  readonly measure: string;
}

/** A helper column with the values of a measure where a condition holds. The condition is kept, so that a rule can take it over. */
export const valuesWhere = ({ part, name, when, measure }: Where): HelperFormula => ({
  part,
  name,
  formula: `case when ${when} then ${measure} end`,
  when,
});
