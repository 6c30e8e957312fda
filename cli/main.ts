import { WrongUse, type Command, type Speech } from './command';
import { BadInput } from './table-file';
import { commands, HELP, manual } from './usage';

const process_: Speech = {
  out: text => process.stdout.write(text),
  err: text => process.stderr.write(text),
  isWatched: process.stderr.isTTY,
};

/** Runs the command; gives its exit code: 0 done, 1 bad data or formula, 2 wrong use, 3 a check stands. */
export async function main(args: readonly string[], speech: Speech = process_): Promise<number> {
  const [name, ...rest] = args;
  const command = commands.find(item => item.name === name);
  try {
    const asked = name === 'help' ? commands.find(item => item.name === rest[0]) : undefined;
    if (asked) return say(speech, 0, manual(asked));
    if (name === undefined || name === '--help' || name === '-h' || name === 'help') return say(speech, name ? 0 : 2, HELP);
    if (!command) throw new WrongUse(`There is no command ${name}. Choose ${listed(commands.map(item => item.name))}.`);
    if (rest.includes('--help') || rest.includes('-h')) return say(speech, 0, manual(command));
    const code = await command.run(rest, speech);
    return typeof code === 'number' ? code : 0;
  } catch (error) {
    return complain(error, command, speech);
  }
}

const listed = (names: readonly string[]): string => `${names.slice(0, -1).join(', ')} or ${names.at(-1)}`;

function say({ out, err }: Speech, code: number, text: string): number {
  (code === 0 ? out : err)(`${text}\n`);
  return code;
}

function complain(error: unknown, command: Command | undefined, { err }: Speech): number {
  if (error instanceof BadInput) {
    for (const line of error.lines) err(`cowbell: ${line}\n`);
    return 1;
  }
  if (!(error instanceof WrongUse)) throw error;
  err(`cowbell: ${error.message}\n${command ? `\n${command.help}\n` : 'Try cowbell --help.\n'}`);
  return 2;
}
