import { parseArgs, type ParseArgsConfig } from 'node:util';

/** Where the command speaks. */
export interface Speech {
  readonly out: (text: string) => void;
  readonly err: (text: string) => void;
  /** Somebody watches: progress is told there. */
  readonly isWatched?: boolean;
}

/** One command. Adding one is adding its file to `commands`: help and choice follow from it. */
export interface Command {
  readonly name: string;
  /** Its purpose, in one line. */
  readonly about: string;
  /** How it is called, what it does, examples: paragraphs, of which the first is the call and the last the examples. */
  readonly help: string;
  /** Does it, and gives an exit code where that is not 0. Throws `WrongUse` or `BadInput`. */
  readonly run: (args: readonly string[], speech: Speech) => Promise<number | void>;
}

/** Wrong use of the command: told with the help of the command it was meant for. */
export class WrongUse extends Error {}

/** Options and words of a command; anything unknown is wrong use. */
export function read<T extends NonNullable<ParseArgsConfig['options']>>(args: readonly string[], options: T) {
  try {
    return parseArgs({ args: [...args], options, allowPositionals: true, strict: true });
  } catch (error) {
    throw new WrongUse((error as Error).message.split('. ')[0] ?? 'The options cannot be read');
  }
}

/** How output is written. Throws `WrongUse` for an unknown word. */
export function formatOf(name: string): 'csv' | 'json' {
  if (name !== 'csv' && name !== 'json') throw new WrongUse(`There is no format ${name}. Choose csv or json.`);
  return name;
}

/** Options of commands that write a table. */
export const WRITING = {
  format: { type: 'string', default: 'csv' },
  'guard-formulas': { type: 'boolean', default: false },
  mark: { type: 'boolean', default: false },
  output: { type: 'string', short: 'o' },
} as const;

/** Writes notes to standard error, each behind the command's name. */
export const warnTo =
  ({ err }: Speech) =>
  (line: string): void =>
    err(`cowbell: note: ${line}\n`);
