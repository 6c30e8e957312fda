import type { Problem } from './problem';

/** The outcome of an analyst's request: a value, or every problem found in it. */
export type Result<T> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly problems: readonly Problem[] };

/** A result with its value. */
export const success = <T>(value: T): Result<T> => ({ ok: true, value });

/** A result with every problem that was found. */
export const failure = (...problems: readonly Problem[]): { readonly ok: false; readonly problems: readonly Problem[] } => ({
  ok: false,
  problems,
});

/** Closes an exhaustive switch: the compiler points here when a case was forgotten. */
export function unreachable(value: never): never {
  throw new TypeError(`unexpected case ${JSON.stringify(value)}`);
}
