import { aggregates, scalars, windowFunctions, type FunctionHelp } from '../functions';

/** A function as the reference and the completion show it. */
export interface FunctionEntry extends FunctionHelp {
  readonly name: string;
}

const entriesOf = (table: Readonly<Record<string, FunctionHelp>>): FunctionEntry[] =>
  Object.entries(table).map(([name, { group, signature, help, example }]) => ({ name, group, signature, help, example }));

/** Every function of the language, from the evaluator's own tables. */
export const functionReference: readonly FunctionEntry[] = [...entriesOf(scalars), ...entriesOf(aggregates), ...entriesOf(windowFunctions)];
