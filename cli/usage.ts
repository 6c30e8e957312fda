import type { Command } from './command';
import { checkFormula } from './commands/check-formula';
import { checks } from './commands/checks';
import { completion } from './commands/completion';
import { derive } from './commands/derive';
import { describe } from './commands/describe';
import { findings } from './commands/findings';
import { ledger } from './commands/ledger';
import { render } from './commands/render';
import { run } from './commands/run';
import { scene } from './commands/scene';
import { schema } from './commands/schema';

/** Every command, in the order of the help. */
export const commands: readonly Command[] = [
  render,
  run,
  ledger,
  findings,
  checks,
  scene,
  derive,
  describe,
  checkFormula,
  schema,
  completion(() => commands),
];

const CODES = 'Exit codes: 0 done, 1 bad data or a bad formula, 2 wrong use, 3 a check stands.';

/** What the command prints when it is asked for help. */
export const HELP = `cowbell: figures, their numbers and their words, without a screen.

${commands.map(({ name, about }) => `  cowbell ${name.padEnd(14)} ${about}`).join('\n')}

cowbell help COMMAND tells all of one. ${CODES}`;

/** All of a command, in the sections of a manual. */
export function manual({ name, about, help }: Command): string {
  const [call = '', ...paragraphs] = help.split('\n\n');
  const isExample = (text: string): boolean => text.trimStart().startsWith('cowbell ');
  const examples = paragraphs.filter(isExample);
  const told = paragraphs.filter(text => !isExample(text));
  const sections: readonly (readonly [string, readonly string[]])[] = [
    ['Name', [`cowbell ${name}: ${about}`]],
    ['Call', [call]],
    ['What it does', told],
    ['Examples', examples],
    ['Exit codes', [CODES.replace('Exit codes: ', '')]],
  ];
  return sections
    .filter(([, texts]) => texts.length)
    .map(([title, texts]) => `${title.toUpperCase()}\n${texts.map(text => indented(text)).join('\n\n')}`)
    .join('\n\n');
}

const indented = (text: string): string =>
  text
    .split('\n')
    .map(line => `  ${line.replace(/^ {2}/, '')}`)
    .join('\n');
