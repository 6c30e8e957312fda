import { isAsGrave, SEVERITIES, severityOf, type Severity } from 'core/check';
import { LIGHT_LIVERY } from 'core/plan';
import { risksIn, type Handed } from 'handover';
import { read, warnTo, WrongUse, type Command, type Speech } from '../command';
import { computedFigures } from '../figures-in';
import { sessionWith } from '../session-with';
import { BadInput, readProject } from '../table-file';

const help = `cowbell checks PROJECT.json [--figure NAME …] [--data TABLE=FILE …] [--severity wrong|misleading|unclear] [--json]

Looks for what may mislead in figures: in those named, else in all. Ends with code 3 when something stands that is as grave as --severity, or graver
(wrong unless said), so that a nightly job can stop a wrong report: wrong is what says what is not so, misleading what leads a reader there, unclear
what is hard to read. --json gives a line of JSON for each.

  cowbell checks season.json
  cowbell checks season.json --data deliveries=july.csv --severity misleading --json`;

/** A risk of a figure, as it is reported. */
export interface ToldRisk {
  readonly figure: string;
  readonly check: string;
  readonly severity: Severity;
  readonly words: string;
  readonly mend: string | null;
}

/** The risks of a figure, as they are told. */
export const toldRisks = (handed: Handed): ToldRisk[] =>
  risksIn(handed).map(({ check, words, mend }) => ({
    figure: handed.figure.name,
    check,
    severity: severityOf(check),
    words,
    mend: mend?.words ?? null,
  }));

/** A severity by its name. Throws `WrongUse` for one that is none. */
export function severityIn(name: string): Severity {
  const found = SEVERITIES.find(item => item === name);
  if (!found) throw new WrongUse(`There is no severity ${name}. Choose ${SEVERITIES.join(', ')}.`);
  return found;
}

async function run(args: readonly string[], speech: Speech): Promise<number> {
  const { values, positionals } = read(args, {
    figure: { type: 'string', multiple: true },
    data: { type: 'string', multiple: true },
    severity: { type: 'string', default: 'wrong' },
    json: { type: 'boolean', default: false },
  });
  const [path, ...more] = positionals;
  if (!path || more.length) throw new WrongUse('Name one project file.');
  const least = severityIn(values.severity);
  const session = await sessionWith(await readProject(path, warnTo(speech)), values.data ?? [], warnTo(speech));
  const [failed, found]: [string[], ToldRisk[]] = [[], []];
  for (const { figure, handed, problems } of computedFigures(session, values.figure ?? [], { livery: LIGHT_LIVERY, worn: null })) {
    failed.push(...problems.map(words => `${figure.name}: ${words}`));
    if (handed) found.push(...toldRisks(handed));
  }
  for (const risk of found) speech.out(values.json ? `${JSON.stringify(risk)}\n` : `${risk.severity}: ${risk.figure}: ${risk.words}\n`);
  // A figure that cannot be drawn is no report either.
  if (failed.length) throw new BadInput(failed);
  return found.some(({ severity }) => isAsGrave(severity, least)) ? 3 : 0;
}

/** What may mislead, without the screen. */
export const checks: Command = { name: 'checks', about: 'what may mislead in figures; its exit code stops a nightly job', help, run };
