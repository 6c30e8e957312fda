import { mkdir, stat } from 'node:fs/promises';
import { join } from 'node:path';
import { WrongUse, type Speech } from './command';
import { save } from './give-table';

/** A file that was made. */
export interface Given {
  readonly name: string;
  readonly content: string | Uint8Array;
}

/**
 * Where files go: one into the file that `-o` names, or, if it is a text, onto standard output without it; more than one, or what ends in a slash or is
 * a folder, into a folder, which is made where it is not there. Names that meet are counted. Throws `WrongUse` where something has nowhere to go.
 */
export function filesTo(output: string | undefined, speech: Speech): (given: readonly Given[]) => Promise<void> {
  return async given => {
    const [first] = given;
    if (output === undefined) {
      if (given.length !== 1 || !first || typeof first.content !== 'string')
        throw new WrongUse('Name where this goes: -o FILE, or -o FOLDER/ for several.');
      return speech.out(first.content);
    }
    if (given.length === 1 && first && !(await isFolder(output))) return save(output, first.content);
    await folderOf(given, output);
  };
}

/** Writes files into a folder. */
export async function folderOf(given: readonly Given[], folder: string): Promise<void> {
  await mkdir(folder, { recursive: true }).catch((error: unknown) => {
    throw new WrongUse(`${folder} cannot be made: ${(error as NodeJS.ErrnoException).code ?? String(error)}.`);
  });
  const taken = new Set<string>();
  for (const { name, content } of given) {
    const free = freeName(name, taken);
    taken.add(free.toLowerCase());
    await save(join(folder, free), content);
  }
}

const isFolder = async (path: string): Promise<boolean> =>
  path.endsWith('/') || ((await stat(path).catch(() => null))?.isDirectory() ?? false);

/** "milk.svg", or "milk-2.svg" where that is taken. */
function freeName(name: string, taken: ReadonlySet<string>): string {
  const at = name.indexOf('.');
  let free = name;
  for (let n = 2; taken.has(free.toLowerCase()); n++) free = `${name.slice(0, at)}-${n}${name.slice(at)}`;
  return free;
}
