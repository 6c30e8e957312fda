/** A column that a formula computes, over a table and the columns before it. */
export interface NamedFormula {
  readonly name: string;
  readonly formula: string;
}
