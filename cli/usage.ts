import type { Command } from './command';
import { checkFormula } from './commands/check-formula';
import { derive } from './commands/derive';
import { describe } from './commands/describe';
import { ledger } from './commands/ledger';
import { render } from './commands/render';
import { scene } from './commands/scene';

/** Every command, in the order of the help. */
export const commands: readonly Command[] = [render, ledger, scene, derive, describe, checkFormula];

/** What the command prints when it is asked for help. */
export const HELP = `cowbell: figures, their numbers and their words, without a screen.

${commands.map(({ help }) => help).join('\n\n')}

Exit codes: 0 done, 1 bad data or a bad formula, 2 wrong use.`;
