import { LIGHT_LIVERY } from 'core/plan';
import { figureText } from 'handover';
import { read, warnTo, WrongUse, type Command, type Speech } from '../command';
import { computedFigures } from '../figures-in';
import { sessionWith } from '../session-with';
import { BadInput, readProject } from '../table-file';

const help = `cowbell findings PROJECT.json [--figure NAME …] [--data TABLE=FILE …] [--json]

Tells what the cues of figures found: of those named, else of all. --data puts the rows of a file in the place of a table, as in cowbell ledger. --json
gives a line of JSON for each figure: its title, its description, each cue with its sentence and what it found.

  cowbell findings season.json --figure "Milk by hut"
  cowbell findings season.json --data deliveries=july.csv --json`;

async function run(args: readonly string[], speech: Speech): Promise<void> {
  const { values, positionals } = read(args, {
    figure: { type: 'string', multiple: true },
    data: { type: 'string', multiple: true },
    json: { type: 'boolean', default: false },
  });
  const [path, ...more] = positionals;
  if (!path || more.length) throw new WrongUse('Name one project file.');
  const session = await sessionWith(await readProject(path, warnTo(speech)), values.data ?? [], warnTo(speech));
  const failed: string[] = [];
  for (const { figure, handed, problems } of computedFigures(session, values.figure ?? [], { livery: LIGHT_LIVERY, worn: null })) {
    failed.push(...problems.map(words => `${figure.name}: ${words}`));
    if (!handed) continue;
    const text = figureText(handed);
    const { title, description, cues, titles } = text;
    if (values.json) speech.out(`${JSON.stringify({ figure: figure.name, title, titles, description, cues })}\n`);
    else speech.out(`${figure.name}\n${cues.flatMap(({ number, found }) => found.map(words => `  ${number}. ${words}\n`)).join('')}`);
  }
  if (failed.length) throw new BadInput(failed);
}

/** Findings of cues, without the screen. */
export const findings: Command = { name: 'findings', about: 'what the cues of figures found', help, run };
