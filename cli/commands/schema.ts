import { projectFileSchema } from 'core/io';
import { read, WrongUse, type Command, type Speech } from '../command';
import { save } from '../give-table';

const help = `cowbell schema [-o FILE]

Gives the project file as JSON Schema (draft 2020-12), generated from what reads it.

  cowbell schema -o project.schema.json`;

/** The schema as it is written, the same in docs. */
export const schemaText = (): string => `${JSON.stringify(projectFileSchema(), null, 2)}\n`;

async function run(args: readonly string[], speech: Speech): Promise<void> {
  const { values, positionals } = read(args, { output: { type: 'string', short: 'o' } });
  if (positionals.length) throw new WrongUse('This command reads no file.');
  if (values.output) await save(values.output, schemaText());
  else speech.out(schemaText());
}

/** The project file as JSON Schema. */
export const schema: Command = { name: 'schema', about: 'the project file as JSON Schema', help, run };
