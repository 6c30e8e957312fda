/**
 * Runs a stage of a computation, or gives its last result again where every input is the very same object or value as then. Inputs are compared by
 * identity, so what goes in must never be changed in place. `make` is told the last result, which it may begin with and must not change.
 */
export type Stages = <T>(stage: string, inputs: readonly unknown[], make: (before: T | undefined) => T) => T;

/** Nothing is remembered: every stage runs. */
export const runAll: Stages = (_stage, _inputs, make) => make(undefined);

/** Remembers the last result of each stage. Cost: one comparison per input. Memory: what the last results hold. */
export function rememberStages(): Stages {
  const known = new Map<string, { readonly inputs: readonly unknown[]; readonly value: unknown }>();
  return <T>(stage: string, inputs: readonly unknown[], make: (before: T | undefined) => T): T => {
    const last = known.get(stage);
    // A stage's name always stands for the same kind of result.
    if (last && sameInputs(last.inputs, inputs)) return last.value as T;
    const value = make(last?.value as T | undefined);
    known.set(stage, { inputs, value });
    return value;
  };
}

const sameInputs = (a: readonly unknown[], b: readonly unknown[]): boolean =>
  a.length === b.length && a.every((item, i) => Object.is(item, b[i]));
