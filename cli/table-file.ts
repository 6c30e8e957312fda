import { type ProjectBundle } from 'core/io';
import { readFile as readAny, type Contents } from 'core/io/formats';
import type { Problem, Result } from 'core/result';
import { messageFor } from 'core/result/words';
import type { Intake, Table } from 'core/table';
import { readFile } from 'node:fs/promises';
import { basename } from 'node:path';

/** Bad data or a bad formula: every problem in words. */
export class BadInput extends Error {
  constructor(readonly lines: readonly string[]) {
    super(lines.join('\n'));
  }
}

/** The value of a result. Throws `BadInput` with every problem in words. */
export function valueOf<T>(result: Result<T>, about = ''): T {
  if (result.ok) return result.value;
  throw new BadInput(result.problems.map(problem => `${about}${placeOf(problem)}${messageFor(problem)}`));
}

/** `line 1, column 7: ` for a problem inside a formula. */
const placeOf = (problem: Problem): string =>
  'at' in problem && problem.code !== 'syntax' ? `line ${problem.at.line}, column ${problem.at.column}: ` : '';

/** A table from a file of any known kind, `-` for standard input; what was mended goes to standard error. */
export async function readTable(path: string, warn: (line: string) => void, intake?: Intake): Promise<Table> {
  const contents = await contentsOf(path, intake);
  const [first] = contents.kind === 'tables' ? contents.tables : [];
  if (!first) throw new BadInput([`${path} is a whole project. Name a file with one table.`]);
  for (const note of first.notes) warn(messageFor(note));
  return first.table;
}

/** A project with its tables; what was left out goes to standard error. */
export async function readProject(path: string, warn: (line: string) => void): Promise<ProjectBundle> {
  const contents = await contentsOf(path);
  if (contents.kind === 'project') {
    for (const note of contents.bundle.notes) warn(messageFor(note));
    return contents.bundle;
  }
  throw new BadInput([`${path} is no project file. Choose a file that Cowbell saved.`]);
}

const contentsOf = async (path: string, intake?: Intake): Promise<Contents> =>
  valueOf(await readAny(await bytesOf(path), path === '-' ? 'standard input' : basename(path), { intake }));

/** A text file. Throws `BadInput` where it cannot be read. */
export const textOf = async (path: string): Promise<string> => new TextDecoder().decode(await bytesOf(path));

async function bytesOf(path: string): Promise<Uint8Array> {
  if (path !== '-') {
    try {
      return await readFile(path);
    } catch (error) {
      throw new BadInput([`${path} cannot be read: ${(error as NodeJS.ErrnoException).code ?? String(error)}. Check its name and place.`]);
    }
  }
  const chunks: Uint8Array[] = [];
  for await (const chunk of process.stdin) chunks.push(chunk as Uint8Array);
  return Buffer.concat(chunks);
}
