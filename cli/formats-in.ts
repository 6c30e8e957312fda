import { extname } from 'node:path';
import { formatNamed, handoverFormats, type HandoverFormat } from 'handover';
import { WrongUse } from './command';

/** The formats asked for by name, else by the ending of the output, else the usual one. Throws `WrongUse` for one that is not there. */
export function formatsIn(names: readonly string[], output: string | undefined, usual: string): HandoverFormat[] {
  const ending = output === undefined ? '' : extname(output).slice(1).toLowerCase();
  const asked = names.length ? names : [handoverFormats.find(format => format.ending === ending)?.name ?? usual];
  return asked.map(name => {
    const format = formatNamed(name);
    if (!format) throw new WrongUse(`There is no format ${name}. Choose ${handoverFormats.map(item => item.name).join(', ')}.`);
    return format;
  });
}
