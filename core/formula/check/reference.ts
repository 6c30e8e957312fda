import { aggregates, scalars, windowFunctions, type FunctionHelp } from '../functions';

/** One function as the reference and the completion show it. */
export interface FunctionEntry extends FunctionHelp {
  readonly name: string;
}

const entriesOf = (table: Readonly<Record<string, FunctionHelp>>): FunctionEntry[] =>
  Object.entries(table).map(([name, { group, signature, help, example }]) => ({ name, group, signature, help, example }));

/** Every function of the language, from the tables that the evaluator itself uses. */
export const functionReference: readonly FunctionEntry[] = [...entriesOf(scalars), ...entriesOf(aggregates), ...entriesOf(windowFunctions)];
