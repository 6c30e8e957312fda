import type { Figure, Project } from 'core/document';
import { BARE_LIVERY, computedOf, ledgerTable, pictureOf, type Picture } from 'core/plan';
import { messageFor } from 'core/result/words';
import { Session } from 'engine';
import { read, warnTo, WRITING, WrongUse, type Command, type Speech } from '../command';
import { figureIn } from '../figure-in';
import { writingOf } from '../give-table';
import { sessionWith } from '../session-with';
import { BadInput, readProject, valueOf } from '../table-file';

const help = `cowbell ledger PROJECT.json [--figure NAME] [--data TABLE=FILE …] [--list]
  [--totals rows|columns] [--format csv|json] [--guard-formulas] [--mark] [-o FILE]

Computes a figure of a project and gives its ledger with all helper columns, as the application hands it over: the first figure, or the one named.
--data puts the rows of a file in the place of a table of the project, by the table's name, read as that table's intake says: last month's figure over this month's rows. Cells that
were edited go with their row where its texts and dates find it unchanged among the new ones, and are left out where not. --totals gives the totals of a crosstab's rows or
columns that cues look at, with the helper columns of those. --list names figures and tables. FILE - is standard input.

  cowbell ledger season.json --list
  cowbell ledger season.json --figure "Milk by hut" --format json
  cowbell ledger season.json --data deliveries=july.csv -o july-ledger.csv`;

async function run(args: readonly string[], speech: Speech): Promise<void> {
  const { values, positionals } = read(args, {
    figure: { type: 'string' },
    data: { type: 'string', multiple: true },
    list: { type: 'boolean', default: false },
    totals: { type: 'string' },
    ...WRITING,
  });
  const [path, ...more] = positionals;
  if (!path || more.length) throw new WrongUse('Name one project file.');
  const give = writingOf(values);
  const { project, tables } = await readProject(path, warnTo(speech));
  if (values.list) return speech.out(listOf(project, new Session(project, new Map(Object.entries(tables)))));
  const figure = figureIn(project, values.figure);
  const session = await sessionWith({ project, tables }, values.data ?? [], warnTo(speech));
  const { table, withoutValue } = session.tableOf(figure.data.table) ?? {};
  if (!table) throw new BadInput([messageFor({ code: 'figure-no-table', name: figure.data.table })]);
  const computed = valueOf(computedOf(figure, table), `${figure.name}: `);
  warnOf({ ...withoutValue, ...computed.frame.withoutValue }, warnTo(speech));
  for (const { number, problems } of computed.applied)
    for (const problem of problems) warnTo(speech)(`cue ${number}: ${messageFor(problem)}`);
  for (const { name, problem } of computed.frame.resting) warnTo(speech)(`${name}: ${messageFor(problem)}`);
  const totals = values.totals === undefined ? null : totalsIn(computed, values.totals);
  await give(ledgerTable(totals ?? { ...computed, drawn: drawnOf(session, figure) }), speech);
}

/** The totals of a crosstab that cues look at. Throws where there are none of that kind. */
function totalsIn({ totals }: Pick<Picture, 'totals'>, of: string): Pick<Picture, 'frame' | 'applied'> {
  if (of !== 'rows' && of !== 'columns') throw new WrongUse(`--totals takes rows or columns, not ${of}.`);
  const found = totals.find(item => item.of === of);
  if (!found) throw new BadInput([`No cue of this figure looks at totals of ${of}, or it shows none: leave --totals out for its cells.`]);
  return found;
}

/** Columns drawn by broken axes: the only part of the ledger that needs the drawing. */
function drawnOf(session: Session, figure: Figure): Picture['drawn'] {
  const { first, second } = figure.scales.axes;
  if (first.breaks.length + second.breaks.length === 0) return [];
  const asked = session.requestFor(figure, BARE_LIVERY);
  const made = asked.ok ? pictureOf(asked.value) : asked;
  return made.ok ? made.value.drawn : [];
}

/** "figure Milk by hut" and "table deliveries, 480 rows", a line each. */
const listOf = ({ figures, tables }: Project, session: Session): string =>
  [
    ...figures.map(({ name }) => `figure ${name}`),
    ...tables.map(({ id, name }) => `table ${name}, ${(session.tableOf(id)?.table.rowCount ?? 0).toLocaleString('en')} rows`),
  ]
    .map(line => `${line}\n`)
    .join('');

function warnOf(withoutValue: Readonly<Record<string, number>>, warn: (line: string) => void): void {
  for (const [name, count] of Object.entries(withoutValue))
    if (count)
      warn(`${name}: ${count} ${count === 1 ? 'row has' : 'rows have'} no value, by a division by zero or the like; left missing.`);
}

/** A figure's ledger, without the screen. */
export const ledger: Command = { name: 'ledger', about: 'a figure’s numbers with their helper columns', help, run };
