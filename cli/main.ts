import { compileFormula, parseFormula, scopeOf, sqlOf, type FormulaPlace } from 'core/formula';
import { writeFile } from 'node:fs/promises';
import { parseArgs, type ParseArgsConfig } from 'node:util';
import { derive, readDefinition } from './derive';
import { describeTable } from './describe';
import { BadInput, readTable, valueOf } from './table-file';
import { HELP, helpOf, WrongUse } from './usage';
import { writeTable } from './write-table';

/** Where the command speaks. */
export interface Speech {
  readonly out: (text: string) => void;
  readonly err: (text: string) => void;
}

const process_: Speech = { out: text => process.stdout.write(text), err: text => process.stderr.write(text) };

/** Runs the command; gives its exit code: 0 done, 1 bad data or formula, 2 wrong use. */
export async function main(args: readonly string[], speech: Speech = process_): Promise<number> {
  const [command, ...rest] = args;
  try {
    if (command === undefined || command === '--help' || command === '-h' || command === 'help') return say(speech, command ? 0 : 2, HELP);
    const run = commands[command];
    if (!run) throw new WrongUse(`There is no command ${command}. Choose derive, describe or check-formula.`);
    if (rest.includes('--help') || rest.includes('-h')) return say(speech, 0, helpOf[command] ?? HELP);
    await run(rest, speech);
    return 0;
  } catch (error) {
    return complain(error, command, speech);
  }
}

function say({ out, err }: Speech, code: number, text: string): number {
  (code === 0 ? out : err)(`${text}\n`);
  return code;
}

function complain(error: unknown, command: string | undefined, { err }: Speech): number {
  if (error instanceof BadInput) {
    for (const line of error.lines) err(`cowbell: ${line}\n`);
    return 1;
  }
  if (!(error instanceof WrongUse)) throw error;
  const help = helpOf[command ?? ''];
  err(`cowbell: ${error.message}\n${help ? `\n${help}\n` : 'Try cowbell --help.\n'}`);
  return 2;
}

const commands: Readonly<Record<string, (args: readonly string[], speech: Speech) => Promise<void>>> = {
  derive: runDerive,
  describe: runDescribe,
  'check-formula': runCheck,
};

/** Options and words of a command; anything unknown is wrong use. */
function read<T extends NonNullable<ParseArgsConfig['options']>>(args: readonly string[], options: T) {
  try {
    return parseArgs({ args: [...args], options, allowPositionals: true, strict: true });
  } catch (error) {
    throw new WrongUse((error as Error).message.split('. ')[0] ?? 'The options cannot be read');
  }
}

function formatOf(name: string): 'csv' | 'json' {
  if (name !== 'csv' && name !== 'json') throw new WrongUse(`There is no format ${name}. Choose csv or json.`);
  return name;
}

async function runDerive(args: readonly string[], speech: Speech): Promise<void> {
  const { values, positionals } = read(args, {
    filter: { type: 'string' },
    'group-by': { type: 'string' },
    measure: { type: 'string', multiple: true },
    'order-by': { type: 'string' },
    format: { type: 'string', default: 'csv' },
    output: { type: 'string', short: 'o' },
  });
  const [file, ...columns] = positionals;
  if (!file) throw new WrongUse('Name a CSV file, or - for standard input.');
  const format = formatOf(values.format);
  const groupBy = (values['group-by'] ?? '')
    .split(',')
    .map(name => name.trim())
    .filter(Boolean);
  const measures = (values.measure ?? []).map(readDefinition);
  if (groupBy.length && !measures.length) throw new WrongUse('--group-by needs at least one --measure "name = aggregate".');
  const request = { columns: columns.map(readDefinition), filter: values.filter, groupBy, measures, orderBy: values['order-by'] };
  const warn = warnTo(speech);
  const text = writeTable(derive(await readTable(file, warn), request, warn), format);
  if (values.output) await save(values.output, text);
  else speech.out(text);
}

async function save(path: string, text: string): Promise<void> {
  try {
    await writeFile(path, text);
  } catch (error) {
    throw new BadInput([`${path} cannot be written: ${(error as NodeJS.ErrnoException).code ?? String(error)}.`]);
  }
}

const warnTo =
  ({ err }: Speech) =>
  (line: string): void =>
    err(`cowbell: note: ${line}\n`);

async function runDescribe(args: readonly string[], speech: Speech): Promise<void> {
  const { values, positionals } = read(args, { format: { type: 'string', default: 'csv' } });
  const [file, ...more] = positionals;
  if (!file || more.length) throw new WrongUse('Name one CSV file, or - for standard input.');
  speech.out(writeTable(describeTable(await readTable(file, warnTo(speech))), formatOf(values.format)));
}

const PLACES: readonly string[] = ['column', 'filter', 'measure'];

async function runCheck(args: readonly string[], speech: Speech): Promise<void> {
  const { values, positionals } = read(args, { columns: { type: 'string' }, place: { type: 'string', default: 'column' } });
  const [formula, ...more] = positionals;
  if (formula === undefined || more.length) throw new WrongUse('Give one formula, in quotes.');
  if (!PLACES.includes(values.place)) throw new WrongUse(`There is no place ${values.place}. Choose column, filter or measure.`);
  if (values.columns === undefined) {
    valueOf(parseFormula(formula));
    speech.out('The formula reads well. Give --columns FILE.csv to check its names and types.\n');
    return;
  }
  const table = await readTable(values.columns, warnTo(speech));
  const typed = valueOf(compileFormula(formula, scopeOf(table), values.place as FormulaPlace));
  speech.out(`type: ${typed.type === 'null' ? 'missing' : typed.type}\nsql: ${sqlOf(typed)}\n`);
}
