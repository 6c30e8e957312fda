import type { Table } from 'core/table';
import { writeFile } from 'node:fs/promises';
import { formatOf, WrongUse, type Speech } from './command';
import { BadInput } from './table-file';
import { writeTable } from './write-table';

/** The options of commands that write a table, as they were given. */
export interface Writing {
  readonly format: string;
  readonly 'guard-formulas': boolean;
  readonly mark: boolean;
  readonly output?: string | undefined;
}

/** How a table is asked for, checked before anything is read. */
export function writingOf(values: Writing): (table: Table, speech: Speech) => Promise<void> {
  const format = formatOf(values.format);
  const options = { guardsFormulas: values['guard-formulas'], mark: values.mark };
  if (format === 'json' && (options.guardsFormulas || options.mark)) throw new WrongUse('--guard-formulas and --mark are for CSV.');
  return async (table, speech) => {
    const text = writeTable(table, format, options);
    if (values.output) await save(values.output, text);
    else speech.out(text);
  };
}

/** Writes a file. Throws `BadInput` where it cannot be written. */
export async function save(path: string, text: string | Uint8Array): Promise<void> {
  try {
    await writeFile(path, text);
  } catch (error) {
    throw new BadInput([`${path} cannot be written: ${(error as NodeJS.ErrnoException).code ?? String(error)}.`]);
  }
}
