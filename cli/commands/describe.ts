import { formatOf, read, warnTo, WrongUse, type Command, type Speech } from '../command';
import { describeTable } from '../describe';
import { readTable } from '../table-file';
import { writeTable } from '../write-table';

const help = `cowbell describe FILE.csv [--format csv|json]

One line per column: its type, how many values are missing, how many are different, the smallest and the largest.

  cowbell describe deliveries.csv`;

async function run(args: readonly string[], speech: Speech): Promise<void> {
  const { values, positionals } = read(args, { format: { type: 'string', default: 'csv' } });
  const [file, ...more] = positionals;
  if (!file || more.length) throw new WrongUse('Name one CSV file, or - for standard input.');
  speech.out(writeTable(describeTable(await readTable(file, warnTo(speech))), formatOf(values.format)));
}

/** The contents of a table's columns. */
export const describe: Command = { name: 'describe', about: 'what the columns of a table hold', help, run };
